<script lang="ts">
	/** The rails of a course from above, with their end stops and marks. */
	import { floorColours } from '$core/colours';
	import type { Course } from '$core/course/course';
	import { RailPath } from '$core/course/rails';
	import { degrees } from '$core/units/angles';
	import { pathOf } from './view';

	let { rails }: { rails: Course['rails'] } = $props();

	const drawn = $derived(
		rails.map((rail) => {
			const path = new RailPath(rail);
			const { line, isClosed } = path;
			return {
				id: rail.id,
				line: pathOf(line.map(({ x, y }) => [x, y])),
				ends: isClosed ? [] : [line[0]!, line.at(-1)!],
				marks: rail.marks.map(({ at, colour }) => ({ place: path.at(at), colour }))
			};
		})
	);
</script>

{#each drawn as { id: key, line, ends, marks } (key)}
	<g class="rail">
		<polyline class="sleepers" points={line} />
		<polyline class="rails" points={line} />
		<polyline class="between" points={line} />
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
	.rail polyline {
		fill: none;
		stroke-linejoin: round;
	}
	.sleepers {
		stroke: light-dark(oklch(0.72 0.05 70), oklch(0.42 0.04 70));
		stroke-width: 0.07;
		stroke-dasharray: 0.014 0.026;
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
