<script lang="ts">
	/** Where an ideal robot would have gone, and where one leg was meant to end. Metres. */
	import { robotKindOf } from '$core/robots/kinds';
	import { pathThrough } from '$core/robots/drawing';
	import { meantEnd, type Leg } from '$core/attempts/legs';
	import type { Attempt, RobotRun } from '$core/simulation/attempt';
	import { degrees } from '$core/units/angles';
	import Trace from './Trace.svelte';

	let {
		intended,
		leg,
		run,
		scale
	}: {
		intended: Attempt | null;
		/** The one that is looked at, and the run that it belongs to. */
		leg: Leg | null;
		run: RobotRun | null;
		/** Pixels a metre. */
		scale: number;
	} = $props();

	const end = $derived(leg && meantEnd(leg));
	const outline = $derived(run ? pathThrough(robotKindOf(run.robot.kind).outline) : '');
</script>

{#if intended}
	{#each intended.runs as each (each.id)}
		<Trace run={each} {scale} isIntended />
	{/each}
{/if}
{#if end}
	<g
		class="ghost"
		data-testid="ghost"
		transform="translate({end.x},{end.y}) rotate({degrees(end.heading)})"
		style:--pixel="{1 / scale}px"
	>
		<path d={outline} />
		<path d="M0 0H0.07" />
	</g>
{/if}

<style>
	.ghost path {
		fill: color-mix(in oklch, var(--verdigris) 14%, transparent);
		stroke: var(--verdigris);
		stroke-width: calc(2 * var(--pixel));
		stroke-dasharray: calc(5 * var(--pixel)) calc(4 * var(--pixel));
	}
</style>
