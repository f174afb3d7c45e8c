<script lang="ts">
	/** Notes on five lines: tapped and dragged there, or by keys. Time goes from left to right. */
	import { t } from '$lib/i18n';
	import type { Composing } from './composing.svelte';
	import {
		noteIndexAt,
		lineHeights,
		nameAt,
		placedNotes,
		staffHeight,
		staffWidth
	} from './placing';

	let {
		composing,
		sounding,
		onheard
	}: {
		composing: Composing;
		/** The place of the note that sounds now. */
		sounding: number;
		/** A note was chosen or changed: to be heard. */
		onheard: () => void;
	} = $props();

	const { notes, at } = $derived(composing);
	/** Where the finger has a note: shown, and taken when it lets go. */
	let held = $state.raw<{ readonly index: number; readonly name: string } | null>(null);
	const drawn = $derived(
		held && held.index < notes.length
			? notes.with(held.index, { ...notes[held.index]!, name: held.name })
			: notes
	);
	const places = $derived(placedNotes(drawn));
	const width = $derived(staffWidth(places));

	let svg: SVGSVGElement;
	let list: HTMLElement;

	function meant({ clientX, clientY }: PointerEvent) {
		const box = svg.getBoundingClientRect();
		const scale = staffHeight / box.height;
		const index = noteIndexAt((clientX - box.left) * scale, places);
		return { index, name: nameAt((clientY - box.top) * scale) };
	}

	function ondown(event: PointerEvent) {
		if (event.button !== 0) return;
		svg.setPointerCapture(event.pointerId);
		held = meant(event);
		if (held.index < notes.length) composing.choose(held.index);
	}
	function onmove(event: PointerEvent) {
		if (held) held = { index: held.index, name: meant(event).name };
	}
	function onup() {
		if (!held) return;
		const { index, name } = held;
		held = null;
		if (index >= notes.length) composing.add(name);
		else if (notes[index]!.name?.replace(/[#b]/, '') !== name) composing.setName(name);
		onheard();
		focusChosen();
	}

	const focusChosen = () =>
		requestAnimationFrame(() =>
			list.querySelector<HTMLElement>('[aria-checked=true]')?.focus({ preventScroll: true })
		);

	type Act = () => void;
	const keys: Readonly<Record<string, Act>> = {
		ArrowUp: () => composing.shift(1),
		ArrowDown: () => composing.shift(-1),
		ArrowLeft: () => composing.choose(at - 1),
		ArrowRight: () => composing.choose(at + 1),
		Home: () => composing.choose(0),
		End: () => composing.choose(notes.length - 1),
		'+': () => composing.stretch(1),
		'-': () => composing.stretch(-1),
		n: () => composing.add(composing.chosen?.name ?? 'C4'),
		r: () => composing.setName(null),
		Delete: () => composing.remove(),
		Backspace: () => composing.remove()
	};
	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		const act = keys[event.key.length === 1 ? event.key.toLowerCase() : event.key];
		if (!act) return;
		event.preventDefault();
		event.stopPropagation();
		act();
		onheard();
		focusChosen();
	}

	/** The chosen note is in view. */
	$effect(() => {
		const place = places[at];
		if (!place || !list) return;
		const scale = svg.getBoundingClientRect().height / staffHeight;
		const [from, to] = [place.x * scale - 40, (place.x + place.width) * scale + 40];
		if (from < list.scrollLeft) list.scrollLeft = from;
		else if (to > list.scrollLeft + list.clientWidth) list.scrollLeft = to - list.clientWidth;
	});
</script>

<div
	class="staff"
	role="radiogroup"
	tabindex={notes.length === 0 ? 0 : -1}
	aria-label={t('staff.label')}
	aria-describedby="staff-hint"
	bind:this={list}
	{onkeydown}
>
	<svg
		viewBox="0 0 {width} {staffHeight}"
		preserveAspectRatio="xMinYMid"
		style:width="{(width / staffHeight) * 8.5}rem"
		role="presentation"
		bind:this={svg}
		onpointerdown={ondown}
		onpointermove={onmove}
		onpointerup={onup}
		onpointercancel={() => (held = null)}
	>
		<rect class="ground" width="100%" height="100%" />
		{#each lineHeights as y (y)}<path class="line" d="M4 {y}H{width - 4}" />{/each}
		<path
			class="clef"
			d="M14 68c0 4-5 4-5 1 0-4 8-3 8-9V33c0-8 6-10 6-15 0-3-1-5-2-5-3 0-5 6-5 11 0 7 3 30 4 41M16 45c-5 3-7 8-4 12 4 5 13 2 12-5-1-5-9-5-9 1"
		/>
		{#each places as { x, width, y, ledgers, sign, octaves, isLow }, index (index)}
			{@const { beats } = drawn[index]!}
			{@const middle = x + width / 2}
			<g class:chosen={index === at} class:now={index === sounding}>
				{#if index === at}<rect
						class="light"
						{x}
						y="2"
						{width}
						height={staffHeight - 4}
						rx="3"
					/>{/if}
				{#each ledgers as ledger (ledger)}<path class="line" d="M{middle - 7} {ledger}h14" />{/each}
				{#if y === null}
					{#if beats >= 2}<rect
							class="ink"
							x={middle - 5}
							y={beats >= 4 ? 42 : 46}
							width="10"
							height="4"
						/>
					{:else}<path class="stroke" d="M{middle - 2} 40l5 6-5 5 5 6c-5-2-6 2-3 4" />{/if}
				{:else}
					<ellipse
						class="head"
						class:hollow={beats >= 2}
						cx={middle}
						cy={y}
						rx="4.600"
						ry="3.400"
						transform="rotate(-18 {middle} {y})"
					/>
					{#if beats < 4}
						{@const stem = isLow ? middle + 4.2 : middle - 4.2}
						{@const end = y + (isLow ? -24 : 24)}
						<path class="stroke" d="M{stem} {y}V{end}" />
						{#each beats <= 0.25 ? [0, 6] : beats < 1 ? [0] : [] as down (down)}
							<path
								class="stroke"
								d="M{stem} {end + (isLow ? down : -down)}q1 {isLow ? 5 : -5} 6 {isLow ? 8 : -8}"
							/>
						{/each}
					{/if}
					{#if sign}<text class="sign" x={middle - 12} y={y + 3.5}>{sign}</text>{/if}
					{#if octaves !== 0}<text class="small" x={middle} y={octaves > 0 ? 8 : staffHeight - 3}
							>{octaves > 0 ? '+' : '−'}{Math.abs(octaves)}</text
						>{/if}
				{/if}
				{#if ![0.25, 0.5, 1, 2, 4].includes(beats)}<text
						class="small beats"
						x={middle + 7}
						y={(y ?? 48) + 3}>{beats === 1.5 || beats === 3 ? '·' : +beats.toFixed(2)}</text
					>{/if}
			</g>
		{/each}
		{#if held && held.index >= notes.length}
			{@const [ghost] = placedNotes([{ name: held.name, beats: 1 }])}
			<ellipse class="ghost" cx={width - 14} cy={ghost!.y} rx="4.600" ry="3.400" />
		{/if}
	</svg>
	{#each notes as { name, beats }, index (index)}
		<span
			class="sr-only-live"
			role="radio"
			aria-checked={index === at}
			tabindex={index === at ? 0 : -1}
			aria-label={name === null
				? t('staff.rest', { number: index + 1, count: notes.length, beats })
				: t('staff.note', { number: index + 1, count: notes.length, name, beats })}
		></span>
	{/each}
</div>
<p id="staff-hint" class="hint">{t('staff.hint')}</p>

<style>
	.staff {
		position: relative;
		overflow-x: auto;
		margin: 0.3rem 0;
		border: 1px solid var(--line);
		border-radius: 0.5rem;
		background: var(--paper-deep);
	}
	.staff:focus-within {
		outline: 2px solid var(--verdigris);
	}
	svg {
		display: block;
		min-width: 100%;
		height: 8.5rem;
		touch-action: pan-x;
		cursor: pointer;
	}
	.ground {
		fill: transparent;
	}
	.line {
		stroke: var(--ink-soft);
		stroke-width: 0.6;
	}
	.clef,
	.stroke {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.3;
		stroke-linecap: round;
		stroke-linejoin: round;
	}
	.ink,
	.head {
		fill: var(--ink);
		stroke: var(--ink);
		stroke-width: 1.2;
	}
	.hollow {
		fill: none;
	}
	.light {
		fill: var(--lamp-soft);
	}
	.now .head {
		fill: var(--lamp);
	}
	.ghost {
		fill: var(--ink-soft);
		opacity: 0.5;
	}
	.sign {
		fill: var(--ink);
		font-size: 11px;
	}
	.small {
		fill: var(--ink);
		font-size: 8px;
		text-anchor: middle;
	}
	.beats {
		text-anchor: start;
	}
	.hint {
		margin-bottom: 0.4rem;
		color: var(--ink-soft);
		font-size: 0.8rem;
	}
</style>
