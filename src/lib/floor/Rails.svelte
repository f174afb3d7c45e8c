<script lang="ts">
	/** The rails of a course from above, with their end stops and marks. */
	import { floorColours } from '$core/colours';
	import type { Course } from '$core/course/course';
	import { RailPath } from '$core/course/rails';
	import { degrees } from '$core/units/angles';
	import { railPath } from './view';

	/** Metres of a rail whose sleepers are drawn one by one: a million of them would stop the page. */
	const longest = 500;

	let { rails }: { rails: Course['rails'] } = $props();

	function drawn(rail: Course['rails'][0]) {
		const path = new RailPath(rail);
		return {
			line: railPath(path),
			isLong: path.length > longest,
			ends: path.isClosed ? [] : [path.at(0), path.end],
			marks: rail.marks.map(({ at, colour }) => ({ place: path.at(at), colour }))
		};
	}
</script>

{#each rails as rail (rail.id)}
	{@const { line, isLong, ends, marks } = drawn(rail)}
	<g class="rail" class:long={isLong}>
		<path class="sleepers" d={line} />
		<path class="rails" d={line} />
		<path class="between" d={line} />
		{#each ends as { x, y, heading }, index (index)}
			<path
				class="end-stop"
				d="M0-.04v.08"
				transform="translate({x},{y}) rotate({degrees(heading)})"
			/>
		{/each}
		{#each marks as { place: { x, y, heading }, colour }, index (index)}
			<g transform="translate({x},{y}) rotate({degrees(heading)})">
				<rect
					class="mark"
					x="-.025"
					y=".045"
					width=".05"
					height=".03"
					fill={floorColours[colour]}
				/>
			</g>
		{/each}
	</g>
{/each}

<style>
	.rail path {
		fill: none;
		stroke-linejoin: round;
	}
	.sleepers {
		stroke: light-dark(oklch(0.72 0.05 70), oklch(0.42 0.04 70));
		stroke-width: 0.07;
		stroke-dasharray: 0.014 0.026;
	}
	.long .sleepers {
		stroke-dasharray: none;
		stroke-opacity: 0.4;
	}
	.rails {
		stroke: var(--wall);
		stroke-width: 0.042;
	}
	.between {
		stroke: var(--chart);
		stroke-width: 0.03;
	}
	.end-stop {
		stroke: var(--signal);
		stroke-width: 0.016;
		stroke-linecap: round;
	}
	.mark {
		stroke: var(--ink);
		stroke-width: 0.003;
	}
</style>
