<script lang="ts">
	/** A small picture of where the robots of an attempt went, on its course. */
	import type { Course } from '$core/course/course';
	import type { AttemptSummary } from '$core/attempts/summary';

	let {
		summary,
		course
	}: {
		summary: AttemptSummary;
		/** As it was then; null where another one stands there now. */
		course: Course | null;
	} = $props();

	/** Centimetres around the paths, where no course says how large all is. */
	const margin = 15;

	/** Of the older ones of a long list, no path is told. */
	const drawn = $derived(summary.robots.filter(({ path }) => path !== ''));
	const box = $derived.by(() => {
		if (course)
			return { x: 0, y: 0, width: course.size.width * 100, height: course.size.height * 100 };
		if (drawn.length === 0) return { x: 0, y: 0, width: 84, height: 56 };
		const points = drawn.flatMap(({ path }) =>
			path.split(' ').map((point) => point.split(',').map(Number))
		);
		const [xs, ys] = [points.map(([x]) => x!), points.map(([, y]) => y!)];
		const [x, y] = [Math.min(...xs) - margin, Math.min(...ys) - margin];
		return { x, y, width: Math.max(...xs) + margin - x, height: Math.max(...ys) + margin - y };
	});
	/** Centimetres of a pixel. */
	const pixel = $derived(Math.max(box.width / 84, box.height / 56));
</script>

<svg
	class="on-floor"
	viewBox="{box.x} {-box.y - box.height} {box.width} {box.height}"
	aria-hidden="true"
	style:--pixel={pixel}
>
	<g transform="scale(1,-1)">
		<rect class="floor" {...box} />
		{#if course}
			<path
				class="walls"
				d={course.walls
					.map(
						({ from, to }) => `M${from.map((each) => each * 100)}L${to.map((each) => each * 100)}`
					)
					.join('')}
			/>
			{#if course.finish}
				<circle
					class="finish"
					cx={course.finish.at[0] * 100}
					cy={course.finish.at[1] * 100}
					r={course.finish.radius * 100}
				/>
			{/if}
		{/if}
		{#each drawn as { id, path } (id)}
			<polyline class="path" points={path} />
			{@const [x, y] = path.slice(path.lastIndexOf(' ') + 1).split(',')}
			<circle class="end" cx={x} cy={y} r={3 * pixel} />
		{/each}
	</g>
</svg>

<style>
	svg {
		flex: none;
		width: 84px;
		height: 56px;
		border-radius: 0.3rem;
	}
	.floor {
		fill: var(--chart);
	}
	.walls,
	.path {
		fill: none;
		stroke-linejoin: round;
		stroke-linecap: round;
	}
	.walls {
		stroke: var(--ink);
		stroke-width: calc(1.4px * var(--pixel));
	}
	.finish {
		fill: none;
		stroke: var(--trace);
		stroke-width: calc(1px * var(--pixel));
		stroke-dasharray: calc(2px * var(--pixel));
	}
	.path {
		stroke: var(--trace);
		stroke-width: calc(2px * var(--pixel));
	}
	.end {
		fill: var(--trace);
	}
</style>
