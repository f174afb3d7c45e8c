<script lang="ts">
	/** The drawing of a step, turned the way its direction, or its state, says. */
	import { definitionOf } from '$core/steps/catalogue';
	import type { Values } from '$core/steps/definition';

	let { kind, values = {}, size = 20 }: { kind: string; values?: Values; size?: number } = $props();

	const definition = $derived(definitionOf(kind));
	const option = $derived(String(values.direction ?? values.state));
	const turned = $derived(definition.turned?.[option]);
	const colour = $derived(typeof values.colour === 'string' ? values.colour : null);
</script>

<svg viewBox="0 0 24 24" width={size} height={size} aria-hidden="true">
	{#if colour && size > 30}<circle cx="12" cy="14" r="9" fill={colour} class="glow" />{/if}
	<path d={definition.drawn?.[option] ?? definition.glyph} transform={turned} />
</svg>

<style>
	svg {
		flex: none;
		fill: none;
		stroke: currentColor;
		stroke-width: 1.9;
		stroke-linecap: round;
		stroke-linejoin: round;
	}
	.glow {
		stroke: none;
		opacity: 0.75;
	}
</style>
