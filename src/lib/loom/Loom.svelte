<script lang="ts">
	/** Where a picture of lamps is made: threaded by pointer, touch or keys. */
	import './words';
	import { onMount, untrack, type Snippet } from 'svelte';
	import Pipette from '@lucide/svelte/icons/pipette';
	import { colourCode } from '$core/colours';
	import { gridSize, readPicture, type PictureSize } from '$core/pictures/picture';
	import { t } from '$lib/i18n';
	import { colourName, lampColours } from '$lib/words/format';
	import { Threading } from './threading.svelte';

	let {
		value,
		before,
		size = gridSize,
		skin,
		palette,
		inks,
		onset
	}: {
		value: string;
		/** A picture that shines through where it is dark. */
		before?: string | undefined;
		size?: PictureSize;
		/** The colour of what has none, where that is not darkness. */
		skin?: number | undefined;
		/** In place of all colours. */
		palette?: Snippet<[Threading]>;
		/** The only colours there are. */
		inks?: readonly number[];
		onset: (picture: string) => void;
	} = $props();

	const loom = new Threading(
		() => value,
		(picture) => onset(picture),
		untrack(() => size)
	);
	const { columns, rows } = loom.size;
	$effect.pre(() => {
		if (inks && !inks.includes(loom.colour)) loom.colour = inks[0]!;
	});
	/** The lamp that the keys are at. */
	let at = $state(0);
	let grid: HTMLElement;
	// Its sheet was open before it was fetched.
	onMount(() => grid.querySelector('button')!.focus());

	const nameOf = (colour: number): string => colourName(colourCode(colour));
	/** Row by row, each lamp with its place in the picture. */
	const table = $derived(
		Array.from({ length: rows }, (_, row) =>
			loom.lamps
				.slice(row * columns, (row + 1) * columns)
				.map((lamp, column) => ({ lamp, row, column, index: row * columns + column }))
		)
	);

	const through = $derived(before === undefined ? null : readPicture(before));
	function throughAt(index: number): string | undefined {
		const lamp = through?.[index];
		return lamp ? `color-mix(in oklab, ${colourCode(lamp)} 32%, oklch(0.3 0.03 258))` : undefined;
	}

	/** The lamp under a pointer. */
	function under({ clientX, clientY }: PointerEvent): number {
		const { left, top, width, height } = grid.getBoundingClientRect();
		const within = (part: number, count: number) =>
			Math.max(0, Math.min(count - 1, Math.floor(part * count)));
		return (
			within((clientY - top) / height, rows) * columns + within((clientX - left) / width, columns)
		);
	}

	function onpointerdown(event: PointerEvent) {
		if (event.button !== 0) return;
		grid.setPointerCapture(event.pointerId);
		at = under(event);
		loom.begin(at);
	}

	function onpointermove(event: PointerEvent) {
		if (grid.hasPointerCapture(event.pointerId)) loom.over(under(event));
	}

	const ways: Readonly<Record<string, readonly [number, number]>> = {
		ArrowLeft: [-1, 0],
		ArrowRight: [1, 0],
		ArrowUp: [0, -1],
		ArrowDown: [0, 1]
	};
	function onkeydown(event: KeyboardEvent) {
		const way = ways[event.key];
		if (way) {
			const column = (at % columns) + way[0];
			const row = Math.floor(at / columns) + way[1];
			if (column < 0 || column >= columns || row < 0 || row >= rows) return;
			at = row * columns + column;
			grid.querySelectorAll('button')[at]!.focus();
		} else if (event.key === ' ' || event.key === 'Enter') {
			loom.begin(at);
			loom.end();
		} else return;
		event.preventDefault();
	}
</script>

<div class="loom">
	<!-- svelte-ignore a11y_interactive_supports_focus (its lamps take the focus, one of them at a time) -->
	<div
		class="grid"
		class:taking={loom.isTaking}
		role="grid"
		aria-label={t('loom.grid')}
		bind:this={grid}
		{onpointerdown}
		{onpointermove}
		onpointerup={() => loom.end()}
		onpointercancel={() => loom.drop()}
		{onkeydown}
	>
		{#each table as lamps, number (number)}
			<div role="row" class="row" class:fine={columns > 8} style:--columns={columns}>
				{#each lamps as { lamp, row, column, index } (index)}
					<button
						role="gridcell"
						tabindex={index === at ? 0 : -1}
						onfocus={() => (at = index)}
						aria-label={t('loom.lamp', { row: row + 1, column: column + 1, colour: nameOf(lamp) })}
						style:background={lamp > 0
							? colourCode(lamp)
							: skin === undefined
								? throughAt(index)
								: colourCode(skin)}
					></button>
				{/each}
			</div>
		{/each}
	</div>
	<div class="tools">
		{#if palette}{@render palette(loom)}{:else}
			<div class="colours" role="group" aria-label={t('loom.colour')}>
				{#each lampColours as [name, code] (code)}
					{@const colour = Number.parseInt(code.slice(1), 16)}
					<button
						aria-label={t(`colour.${name}`)}
						title={t(`colour.${name}`)}
						aria-pressed={loom.colour === colour}
						style:background={code}
						onclick={() => (loom.colour = colour)}
					></button>
				{/each}
				<label class="other" title={t('loom.other')}>
					<input
						type="color"
						aria-label={t('loom.other')}
						value={colourCode(loom.colour)}
						onchange={({ currentTarget }) =>
							(loom.colour = Number.parseInt(currentTarget.value.slice(1), 16))}
					/>
				</label>
				<button
					class="take"
					aria-label={t('loom.take')}
					title={t('loom.take')}
					aria-pressed={loom.isTaking}
					onclick={() => (loom.isTaking = !loom.isTaking)}><Pipette size={18} /></button
				>
			</div>
			<p class="now" role="status">{t('loom.taken', { colour: nameOf(loom.colour) })}</p>
		{/if}
		<fieldset>
			<legend>{t('loom.mirrors')}</legend>
			<label><input type="checkbox" bind:checked={loom.sides} />{t('loom.mirror.sides')}</label>
			<label><input type="checkbox" bind:checked={loom.ends} />{t('loom.mirror.ends')}</label>
		</fieldset>
		<button class="button button-line" onclick={() => loom.clear()}
			>{t(skin === undefined ? 'loom.clear' : 'loom.clearFace')}</button
		>
	</div>
</div>
<p class="how">{t('loom.how')}</p>

<style>
	.loom {
		display: grid;
		gap: 0.8rem;
	}
	@media (min-width: 600px) {
		.loom {
			grid-template-columns: 17rem 1fr;
		}
	}
	.how,
	.now {
		margin-block: 0.5rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	.grid {
		width: min(100%, 17rem);
		margin-inline: auto;
		padding: 0;
		border-radius: 0.6rem;
		overflow: hidden;
		background: oklch(0.2 0.03 258);
		touch-action: none;
		cursor: crosshair;
	}
	.grid.taking {
		cursor: copy;
	}
	.row {
		display: grid;
		grid-template-columns: repeat(var(--columns), 1fr);
	}
	.row button {
		aspect-ratio: 1;
		border: 2px solid oklch(0.2 0.03 258);
		border-radius: 28%;
		background: oklch(0.3 0.03 258);
		cursor: inherit;
	}
	.fine button {
		border-width: 0.5px;
		border-radius: 0;
	}
	.row button:focus-visible {
		/* Seen on a lamp of any colour. */
		outline: 3px solid white;
		outline-offset: -3px;
		box-shadow: inset 0 0 0 5px oklch(0.2 0.03 258);
	}
	.colours {
		display: flex;
		flex-wrap: wrap;
		gap: 0.35rem;
	}
	.colours button,
	.other input {
		width: 2.4rem;
		height: 2.4rem;
		padding: 0;
		border: 1.5px solid var(--mist);
		border-radius: 0.5rem;
		cursor: pointer;
	}
	.colours button[aria-pressed='true'] {
		outline: 2.5px solid var(--verdigris);
		outline-offset: 1px;
	}
	.take {
		display: grid;
		place-items: center;
	}
	fieldset {
		display: grid;
		margin-bottom: 0.6rem;
	}
	fieldset label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 2rem;
	}
	legend {
		font-weight: 600;
	}
</style>
