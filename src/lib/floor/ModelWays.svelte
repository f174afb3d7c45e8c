<script lang="ts">
	/** Where a plan leads on a robot as such robots are, and as this one was found to be. Metres. */
	import { lineOfPath } from './view';

	let {
		ways,
		scale
	}: {
		/** East and north by turns. */
		ways: { readonly before: Float32Array; readonly after: Float32Array } | null | undefined;
		/** Pixels a metre. */
		scale: number;
	} = $props();

	const pixel = $derived(1 / scale);
</script>

{#if ways}
	<g data-testid="model-ways">
		<polyline
			class="before"
			points={lineOfPath(ways.before)}
			stroke-width={1.6 * pixel}
			stroke-dasharray="{5 * pixel} {4 * pixel}"
		/>
		<polyline class="after" points={lineOfPath(ways.after)} stroke-width={2.2 * pixel} />
	</g>
{/if}

<style>
	polyline {
		fill: none;
		stroke: var(--ink-soft);
		stroke-linejoin: round;
	}
	.after {
		stroke: var(--trace-third);
	}
</style>
