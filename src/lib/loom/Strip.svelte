<script lang="ts">
	/** Where a moving picture is made: a strip of cloths, the loom for the chosen one, and how it plays. */
	import './words';
	import ArrowLeft from '@lucide/svelte/icons/arrow-left';
	import ArrowRight from '@lucide/svelte/icons/arrow-right';
	import Copy from '@lucide/svelte/icons/copy';
	import Pause from '@lucide/svelte/icons/pause';
	import Play from '@lucide/svelte/icons/play';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { beatRange } from '$core/pictures/film';
	import { t } from '$lib/i18n';
	import Lamps from '$lib/ui/Lamps.svelte';
	import ClothButton from './ClothButton.svelte';
	import Loom from './Loom.svelte';
	import PictureFiles from './PictureFiles.svelte';
	import { Weaving } from './weaving.svelte';

	let {
		value,
		beat,
		onset
	}: {
		value: string;
		/** Seconds. */
		beat: number;
		onset: (film: string) => void;
	} = $props();

	const strip = new Weaving(
		() => value,
		(film) => onset(film)
	);
	const { at, cloth, cloths } = $derived(strip);
	const hands = $derived([
		[Copy, 'loom.cloth.add', () => strip.add(), strip.isFull],
		[ArrowLeft, 'loom.cloth.earlier', () => strip.move(-1), at === 0],
		[ArrowRight, 'loom.cloth.later', () => strip.move(1), at === cloths.length - 1],
		[Trash2, 'loom.cloth.remove', () => strip.remove(), cloths.length === 1]
	] as const);

	let isPlaying = $state(!matchMedia('(prefers-reduced-motion: reduce)').matches);
	/** Beats since it began to play. */
	let played = $state(0);
	$effect(() => {
		if (!isPlaying) return;
		const began = performance.now();
		let frame = requestAnimationFrame(function next(now) {
			played = Math.max(0, now - began) / 1000 / beat;
			frame = requestAnimationFrame(next);
		});
		return () => cancelAnimationFrame(frame);
	});

	let list: HTMLElement;
	const ways: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 };
	function onkeydown(event: KeyboardEvent) {
		const way = ways[event.key];
		if (!way) return;
		event.preventDefault();
		strip.choose(at + way);
		list.querySelectorAll<HTMLElement>('[role=radio]')[strip.at]!.focus();
	}
</script>

<div class="top">
	<div
		class="strip"
		role="radiogroup"
		tabindex="-1"
		aria-label={t('loom.strip')}
		bind:this={list}
		{onkeydown}
	>
		{#each cloths as each, index (index)}
			<div class="cloth">
				<ClothButton
					picture={each.picture}
					caption={each.beats}
					role="radio"
					aria-checked={index === at}
					tabindex={index === at ? 0 : -1}
					aria-label={t('loom.cloth', { number: index + 1, beats: each.beats })}
					onclick={() => strip.choose(index)}
				/>
			</div>
		{/each}
	</div>
	<div class="player">
		<svg viewBox="0 0 8 8" role="img" aria-label={t('loom.plays')}
			><Lamps picture={strip.shownAt(played)} /></svg
		>
		<button
			class="button button-plain"
			aria-label={t(isPlaying ? 'loom.pause' : 'loom.play')}
			onclick={() => (isPlaying = !isPlaying)}
			>{#if isPlaying}<Pause size={18} />{:else}<Play size={18} />{/if}</button
		>
	</div>
</div>
<div class="hands">
	{#each hands as [Icon, word, act, isOff] (word)}
		<button
			class="button button-line"
			aria-label={t(word)}
			title={t(word)}
			disabled={isOff}
			onclick={act}><Icon size={18} /></button
		>
	{/each}
	<label
		>{t('loom.beats')}
		<input
			class="input"
			type="number"
			min={beatRange[0]}
			max={beatRange[1]}
			step="0.25"
			value={cloth.beats}
			onchange={({ currentTarget }) => {
				strip.setBeats(currentTarget.valueAsNumber);
				currentTarget.value = String(cloth.beats);
			}}
		/></label
	>
</div>
<Loom value={cloth.picture} before={strip.before} onset={(picture) => strip.setPicture(picture)} />
<PictureFiles {cloths} shown={cloth.picture} {beat} onopen={(read) => strip.take(read)} />

<style>
	.top,
	.hands,
	.player {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		margin-bottom: 0.6rem;
	}
	.strip {
		display: flex;
		flex: 1;
		gap: 0.35rem;
		min-width: 0;
		padding: 4px;
		overflow-x: auto;
	}
	.cloth {
		flex: none;
		width: 3.2rem;
	}
	svg {
		border-radius: 0.35rem;
		background: oklch(0.2 0.03 258);
	}
	.player {
		flex: none;
		margin: 0;
	}
	.player svg {
		width: 3.6rem;
	}
	.hands label {
		display: flex;
		align-items: center;
		gap: 0.4rem;
		margin-left: auto;
	}
	.hands input {
		width: 4.5rem;
	}
</style>
