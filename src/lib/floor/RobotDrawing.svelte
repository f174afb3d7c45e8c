<script lang="ts">
	/** A robot from above, at its true size, as its kind says; its front points along +x. Metres. */
	import { colourCode } from '$core/colours';
	import { gridSize } from '$core/pictures/picture';
	import { robotKindOf } from '$core/robots/kinds';
	import Lamps from '$lib/ui/Lamps.svelte';

	let {
		kind,
		columns,
		picture = ''
	}: {
		kind: string;
		/** The figures of the moment that is shown, by the names of the kind's columns. */
		columns: Readonly<Record<string, number>>;
		/** What its lamp grid shows. */
		picture?: string;
	} = $props();

	const parts = $derived(robotKindOf(kind).drawing);
	const lit = (column: string): string | null => {
		const colour = columns[column] ?? 0;
		return colour === 0 ? null : colourCode(colour);
	};
</script>

<g>
	{#each parts as part, index (index)}
		{#if 'lamp' in part && lit(part.lamp)}
			{@const [x, y] = part.glowAt}
			<circle cx={x} cy={y} r={part.glow} fill={lit(part.lamp)} opacity="0.16" />
			<circle cx={x} cy={y} r={part.glow * 0.65} fill={lit(part.lamp)} opacity="0.26" />
		{/if}
	{/each}
	{#each parts as part, index (index)}
		{#if 'lamp' in part}
			{@const [x, y] = part.at}
			<circle class="socket" cx={x} cy={y} r={part.radius * 1.45} />
			<circle
				class="bulb"
				cx={x}
				cy={y}
				r={part.radius}
				fill={lit(part.lamp) ?? (part.isDarkWhenOff ? 'var(--dark)' : 'var(--paper-deep)')}
			/>
		{:else if 'grid' in part}
			{#if picture}
				{@const cell = part.side / gridSize.columns}
				<!-- Its top is to the front, and its left to the left. -->
				<g
					transform="translate({part.at}) matrix(0,{-cell},{-cell},0,0,0) translate({-gridSize.columns /
						2},{-gridSize.rows / 2})"
				>
					<rect class="socket" width={gridSize.columns} height={gridSize.rows} rx="1" />
					<Lamps {picture} />
				</g>
			{/if}
		{:else if 'pictures' in part}
			<path class="{part.ink} picture" d={part.pictures[columns[part.shows] ?? 0]} />
		{:else}
			<path class={part.ink} d={part.path} />
		{/if}
	{/each}
</g>

<style>
	.hull {
		fill: light-dark(oklch(0.42 0.06 255), oklch(0.62 0.045 250));
		stroke: var(--ink);
		stroke-width: 0.003;
	}
	.deck {
		fill: light-dark(oklch(0.52 0.06 250), oklch(0.72 0.04 245));
	}
	.wheel {
		fill: light-dark(oklch(0.2 0.03 258), oklch(0.1 0.02 258));
	}
	.rotor {
		fill: light-dark(oklch(0.85 0.02 250 / 0.75), oklch(0.5 0.04 255 / 0.75));
		stroke: var(--ink);
		stroke-width: 0.004;
	}
	.bow {
		fill: none;
		stroke: light-dark(oklch(0.97 0.01 85), oklch(0.16 0.03 258));
		stroke-width: 0.007;
		stroke-linecap: round;
		stroke-linejoin: round;
	}
	.picture {
		stroke-width: 0.005;
	}
	.socket {
		fill: light-dark(oklch(0.25 0.045 258), oklch(0.22 0.03 258));
	}
	.bulb {
		--dark: light-dark(oklch(0.25 0.045 258), oklch(0.22 0.03 258));
		stroke: light-dark(oklch(0.97 0.01 85), oklch(0.9 0.01 85));
		stroke-width: 0.003;
	}
</style>
