<script lang="ts">
	/** What a course lies on: the floor or a table and what they are made of, and the grid. */
	import type { Course } from '$core/course/course';
	import { measuresNow } from '$lib/words/measures';
	import { pathOf } from './view';

	let {
		course,
		id,
		isSmall
	}: {
		course: Course;
		/** Of the drawing: several may be on one page. */
		id: string;
		isSmall: boolean;
	} = $props();

	const { grid, strong } = $derived(measuresNow());
	const lines = (length: number) =>
		Array.from({ length: Math.floor(length / grid + 1e-6) + 1 }, (_, index) => index * grid);
</script>

{#if course.table}
	<rect class="drop" width={course.size.width} height={course.size.height} rx="0.015" />
	<polygon class="sheet table" points={pathOf(course.table)} />
{:else}
	<rect class="sheet" width={course.size.width} height={course.size.height} rx="0.015" />
{/if}
<defs>
	<clipPath id="{id}-floor">
		<rect width={course.size.width} height={course.size.height} />
	</clipPath>
	<pattern id="{id}-carpet" width="0.03" height="0.03" patternUnits="userSpaceOnUse">
		<path class="pile" d="M.005.008h.008M.02.023h.008" />
	</pattern>
	<pattern id="{id}-table" width="0.16" height="0.05" patternUnits="userSpaceOnUse">
		<path class="grain" d="M0 .012q.04.012.08 0t.08 0M0 .037h.16" />
	</pattern>
</defs>
{#if course.surface !== 'tile'}
	{@const around = course.table}
	{#if around}
		<polygon points={pathOf(around)} fill="url(#{id}-{course.surface})" />
	{:else}
		<rect
			width={course.size.width}
			height={course.size.height}
			rx="0.015"
			fill="url(#{id}-{course.surface})"
		/>
	{/if}
{/if}
{#each course.surfaces as { id: key, corners, surface } (key)}
	<polygon class="surface" points={pathOf(corners)} />
	<polygon points={pathOf(corners)} fill={surface === 'tile' ? 'none' : `url(#${id}-${surface})`} />
{/each}
{#if !isSmall}
	<g class="grid">
		{#each lines(course.size.width) as x, index (x)}
			<line class:strong={index % strong === 0} x1={x} x2={x} y1="0" y2={course.size.height} />
		{/each}
		{#each lines(course.size.height) as y, index (y)}
			<line class:strong={index % strong === 0} y1={y} y2={y} x1="0" x2={course.size.width} />
		{/each}
	</g>
{/if}

<style>
	.drop {
		fill: light-dark(oklch(0.88 0.02 250), oklch(0.13 0.02 258));
	}
	.surface {
		fill: var(--chart);
		stroke: var(--mist);
		stroke-width: 0.003;
	}
	.pile {
		fill: none;
		stroke: var(--mist);
		stroke-width: 0.003;
		opacity: 0.55;
	}
	.grain {
		fill: none;
		stroke: var(--lamp-text);
		stroke-width: 0.0025;
		opacity: 0.28;
	}
	.sheet {
		fill: var(--chart);
		stroke: var(--chart-line-strong);
		stroke-width: 0.004;
	}
	.grid line {
		stroke: var(--chart-line);
		stroke-width: 0.0016;
	}
	.grid .strong {
		stroke: var(--chart-line-strong);
		stroke-width: 0.0022;
	}
</style>
