<script lang="ts">
	/** A robot where it is: what flies is drawn nearer to the eye, with its shadow on the floor. Metres. */
	import { robotKindOf } from '$core/robots/kinds';
	import { pathThrough } from '$core/robots/drawing';
	import { degrees, radians } from '$core/units/angles';
	import RobotDrawing from './RobotDrawing.svelte';
	import { shadowOf } from './view';

	let {
		kind,
		pose,
		columns,
		picture = ''
	}: {
		kind: string;
		pose: { readonly x: number; readonly y: number; readonly heading: number };
		/** The figures of the moment that is shown, by the names of the kind's columns. */
		columns: Readonly<Record<string, number>>;
		/** What its lamp grid shows. */
		picture?: string | undefined;
	} = $props();

	const height = $derived(columns.height ?? 0);
	const shadow = $derived(shadowOf(height));
	const outline = $derived(pathThrough(robotKindOf(kind).outline));
	const turned = $derived(`rotate(${degrees(pose.heading)})`);
	/** How much of it is seen when it leans so far, degrees: of a flip, hardly anything for a moment. */
	const seen = (lean = 0) => Math.max(0.12, Math.abs(Math.cos(radians(lean))));
	const size = $derived(1 + 0.3 * height);
</script>

{#if height > 0}
	<path class="shadow" d={outline} transform="translate({shadow.join()}) {turned}" />
	<path class="plumb" d="M0 0L{shadow.join(' ')}" />
{/if}
<g transform="{turned} scale({size * seen(columns.pitch)},{size * seen(columns.roll)})">
	<RobotDrawing {kind} {columns} {picture} />
</g>

<style>
	.shadow {
		fill: light-dark(oklch(0.3 0.03 258 / 0.3), oklch(0.05 0.02 258 / 0.6));
	}
	.plumb {
		stroke: var(--mist);
		stroke-width: 0.004;
		stroke-dasharray: 0.012 0.012;
	}
</style>
