<script lang="ts">
	/** A new sound: what of it is kept is chosen by dragging its ends; it is listened to, and named. */
	import { onMount } from 'svelte';
	import Check from '@lucide/svelte/icons/check';
	import Play from '@lucide/svelte/icons/play';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { longestName, mostSoundBytes } from '$core/sounds/clip';
	import { sampleRate } from '$core/sounds/limits';
	import { t } from '$lib/i18n';
	import { playSamples } from '$lib/timeline/sound';
	import type { Cutting } from './cutting.svelte';

	let {
		cutting,
		others,
		onkeep,
		onthrow
	}: {
		cutting: Cutting;
		/** Bytes of the sounds that the plan has already. */
		others: number;
		onkeep: () => void;
		onthrow: () => void;
	} = $props();

	let buttons: HTMLElement;
	// The sheet may be scrolled to somewhere else.
	onMount(() => buttons.scrollIntoView({ block: 'nearest' }));

	const fits = $derived(cutting.fits(others));
	const secondsIn = (bytes: number) => (Math.max(0, bytes) / (2 * sampleRate)).toFixed(1);
	const at = (seconds: number) => t('sound.at', { seconds: seconds.toFixed(2) });
	const percent = (seconds: number) => `${(100 * seconds) / cutting.seconds}%`;
	/** Of the shape of the sound, 2 high. */
	const path = $derived(
		cutting.picture.map((loud, i) => `M${i + 0.5} ${1 - loud}V${1 + loud + 0.01}`).join('')
	);
	const ends = $derived([
		{ label: t('sound.from'), value: cutting.from, set: (to: number) => cutting.setFrom(to) },
		{ label: t('sound.to'), value: cutting.to, set: (to: number) => cutting.setTo(to) }
	]);
</script>

<div class="wave">
	<svg viewBox="0 0 {cutting.picture.length} 2" preserveAspectRatio="none" aria-hidden="true"
		><path d={path} /></svg
	>
	<span class="away" style:width={percent(cutting.from)}></span>
	<span class="away end" style:left={percent(cutting.to)}></span>
	{#each ends as { label, value, set } (label)}
		<input
			type="range"
			min="0"
			max={cutting.seconds}
			step="0.01"
			{value}
			aria-label={label}
			aria-valuetext={at(value)}
			oninput={(event) => {
				set(event.currentTarget.valueAsNumber);
				// Where it could not go, the hand goes back.
				event.currentTarget.value = String(label === ends[0]!.label ? cutting.from : cutting.to);
			}}
		/>
	{/each}
</div>
<label
	>{t('sound.name')}
	<input class="field" type="text" maxlength={longestName} bind:value={cutting.name} /></label
>
<p class="soft" class:refusal={!fits} role="status">
	{fits
		? t('sound.length', {
				seconds: cutting.length.toFixed(1),
				room: secondsIn(mostSoundBytes - others - cutting.length * 2 * sampleRate)
			})
		: t('sound.full', { most: secondsIn(mostSoundBytes) })}
</p>
<div class="row" bind:this={buttons}>
	<button class="button button-line" onclick={() => playSamples(cutting.part, sampleRate)}
		><Play size={16} />{t('sound.listen')}</button
	>
	<button
		class="button button-main"
		disabled={!fits || cutting.name.trim() === ''}
		title={cutting.name.trim() === '' ? t('sound.unnamed') : undefined}
		onclick={onkeep}><Check size={16} />{t('sound.keep')}</button
	>
	<button class="button button-line" onclick={onthrow}
		><Trash2 size={16} />{t('sound.throwAway')}</button
	>
</div>

<style>
	.wave {
		position: relative;
		height: 5rem;
		margin: 0.4rem 0.6rem;
		border-radius: 0.4rem;
		background: var(--paper-deep);
	}
	svg {
		width: 100%;
		height: 100%;
	}
	path {
		fill: none;
		stroke: var(--lamp-text);
		stroke-width: 0.7;
	}
	.away {
		position: absolute;
		inset: 0 auto 0 0;
		background: color-mix(in oklch, var(--paper) 75%, transparent);
	}
	.end {
		right: 0;
	}
	/* Both lie over the whole picture: only their hands are touched. */
	.wave input {
		position: absolute;
		inset: 0 -0.6rem;
		width: calc(100% + 1.2rem);
		height: 100%;
		margin: 0;
		appearance: none;
		background: none;
		pointer-events: none;
	}
	.wave input::-webkit-slider-thumb {
		width: 1.2rem;
		height: 5rem;
		border: 0;
		border-radius: 0.4rem;
		appearance: none;
		background: linear-gradient(to right, transparent 42%, var(--ink) 42% 58%, transparent 58%);
		pointer-events: auto;
		cursor: ew-resize;
	}
	.wave input::-moz-range-thumb {
		width: 1.2rem;
		height: 5rem;
		border: 0;
		background: linear-gradient(to right, transparent 42%, var(--ink) 42% 58%, transparent 58%);
		pointer-events: auto;
		cursor: ew-resize;
	}
	.wave input:focus-visible {
		outline: 2px solid var(--verdigris);
	}
	label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		margin-bottom: 0.3rem;
	}
	.field {
		flex: 1;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.35rem;
	}
	.soft {
		margin-bottom: 0.4rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	.refusal {
		color: var(--signal);
		font-weight: 600;
	}
</style>
