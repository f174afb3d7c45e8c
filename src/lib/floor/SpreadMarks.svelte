<script lang="ts">
	/** Where many rehearsals end, and the bands in which their legs do. Metres. */
	import type { Spread } from '$core/analysis/spread';
	import { degrees } from '$core/units/angles';
	import { t } from '$lib/i18n';

	let {
		spread,
		scale,
		onopen
	}: {
		spread: Spread;
		/** Pixels a metre. */
		scale: number;
		/** One of them is to be seen. */
		onopen: (seed: number) => void;
	} = $props();

	/** Legs whose bands can still be told apart. */
	const mostBands = 40;
	const bands = $derived(
		spread.ends.flatMap(({ legs }) => legs.slice(-mostBands).map(({ band }) => band))
	);
</script>

<g class="spread" data-testid="spread" style:--pixel="{1 / scale}px">
	{#each bands as { x, y, angle, half, most }, index (index)}
		<g transform="translate({x},{y}) rotate({degrees(angle)})">
			<ellipse class="most" rx={most[0]} ry={most[1]} />
			<ellipse class="half" rx={half[0]} ry={half[1]} />
		</g>
	{/each}
	{#each spread.trials as { seed, ends, reachedFinish } (seed)}
		{#each ends as { id, pose } (id)}
			<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
			<circle
				class="end"
				class:arrived={reachedFinish}
				cx={pose.x}
				cy={pose.y}
				r={3.5 / scale}
				data-seed={seed}
				onclick={(event) => {
					event.stopPropagation();
					onopen(seed);
				}}><title>{t('spread.one', { seed })}</title></circle
			>
		{/each}
	{/each}
</g>

<style>
	ellipse {
		stroke: var(--trace);
		stroke-width: calc(1 * var(--pixel));
		pointer-events: none;
	}
	.most {
		fill: color-mix(in oklch, var(--trace) 10%, transparent);
		stroke-dasharray: calc(3 * var(--pixel)) calc(3 * var(--pixel));
	}
	.half {
		fill: color-mix(in oklch, var(--trace) 18%, transparent);
	}
	.end {
		fill: var(--paper);
		stroke: var(--signal);
		stroke-width: calc(1.6 * var(--pixel));
		cursor: pointer;
	}
	.arrived {
		fill: var(--verdigris);
		stroke: var(--paper);
		stroke-width: calc(0.8 * var(--pixel));
	}
</style>
