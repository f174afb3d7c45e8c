<script lang="ts">
	/** Which sound: one of ours, one that the plan has, or a new one from the microphone or a file. */
	import './words';
	import Download from '@lucide/svelte/icons/download';
	import Mic from '@lucide/svelte/icons/mic';
	import Square from '@lucide/svelte/icons/square';
	import { onDestroy, onMount } from 'svelte';
	import { recordingsIn, type Plan } from '$core/plan/plan';
	import { clipBytes, clipSeconds, readClip, writeClip, type Clip } from '$core/sounds/clip';
	import { ownNames } from '$core/sounds/own-clips';
	import { longestSound } from '$core/sounds/limits';
	import type { Samples } from '$core/sounds/samples';
	import { wavOf } from '$core/sounds/wav';
	import { download } from '$lib/files/downloads';
	import { say, t } from '$lib/i18n';
	import { hush, playTone } from '$lib/timeline/sound';
	import FileButton from '$lib/ui/FileButton.svelte';
	import { clipName } from '$lib/words/values';
	import CutSound from './CutSound.svelte';
	import { Cutting } from './cutting.svelte';
	import { openMicrophone, Recorder } from './recorder.svelte';
	import { keepSound } from '$lib/sounds/sound-store';
	import { finishSound, openWav, recordedSamples, samplesOfSound } from '$lib/sounds/sound-work';

	let { plan, value, onset }: { plan: Plan; value: string; onset: (value: string) => void } =
		$props();

	const chosen = $derived(readClip(value));
	const recordings = $derived(recordingsIn(plan));
	/** Of the sounds that the plan would hold beside a new one. */
	const others = $derived(recordings.reduce((sum, clip) => sum + clipBytes(clip), 0));

	let cutting = $state.raw<Cutting | null>(null);
	let news = $state('');
	let top: HTMLElement;
	// Its sheet was open before it was fetched.
	onMount(() => top.parentElement!.querySelector<HTMLElement>('[data-first-focus]')?.focus());

	const recorder = new Recorder(openMicrophone, heard, (error) => (news = whyNot(error)));
	onDestroy(() => {
		recorder.cancel();
		hush();
	});

	function whyNot(error: unknown): string {
		if (!navigator.mediaDevices) return t('sound.insecure');
		const { name, message } = error as Error;
		if (name === 'NotFoundError') return t('sound.noMicrophone');
		return name === 'NotAllowedError' ? t('sound.mayNot') : t('sound.failed', { reason: message });
	}

	const open = (samples: Samples, name: string) => {
		cutting = new Cutting(samples, name);
	};
	const freeName = () => t('sound.named', { number: recordings.length + 1 });

	async function heard(voice: Float32Array, rate: number) {
		const made = await recordedSamples(voice, rate);
		if (made.ok) open(made.value, freeName());
		else news = say(made.failure);
	}

	async function openFile(file: File) {
		const read = await openWav(file);
		if (!read.ok) {
			news = t('sound.refused', { file: file.name, reason: say(read.failure) });
			return;
		}
		const { samples, rate, voices, leftOut } = read.value;
		open(samples, file.name.replace(/\.[^.]*$/, ''));
		news = [
			t('sound.opened', { file: file.name }),
			...(rate ? [t('sound.resampled', { rate })] : []),
			...(voices ? [t('sound.mixed', { voices })] : []),
			...(leftOut > 0 ? [t('sound.leftOut', { seconds: leftOut.toFixed(1) })] : [])
		].join(' ');
	}

	async function keep({ part, name }: Cutting) {
		const made = await finishSound(part);
		if (!made.ok) {
			news = say(made.failure);
			return;
		}
		const { wav, pitch } = made.value;
		const id = await keepSound(wav);
		cutting = null;
		news = '';
		onset(writeClip({ id, samples: part.length, pitch, name }));
	}

	const play = ({ id, pitch, ...clip }: Clip) =>
		playTone({ clip: id, pitch, length: clipSeconds(clip), volume: 0.6 }, 1);

	function choose(text: string) {
		onset(text);
		play(readClip(text)!);
		news = '';
	}

	async function save(clip: Clip) {
		const samples = await samplesOfSound(clip.id);
		if (samples)
			download(clipName(value), 'wav', new Blob([wavOf(samples)], { type: 'audio/wav' }));
		else news = t('sound.away');
	}
</script>

{#snippet pick(text: string, index: number)}
	<button
		class="button {text === value ? 'button-main' : 'button-line'}"
		aria-pressed={text === value}
		data-first-focus={text === value || (index === 0 && !chosen) ? '' : undefined}
		onclick={() => choose(text)}>{clipName(text)}</button
	>
{/snippet}

<div class="picks ours" bind:this={top} role="group" aria-label={t('sound.ours')}>
	{#each ownNames as name, index (name)}{@render pick(name, index)}{/each}
</div>
<p class="part">{t('sound.own')}</p>
<div class="picks" role="group" aria-label={t('sound.own')}>
	{#each recordings as clip (clip.id)}{@render pick(writeClip(clip), -1)}{:else}<span class="soft"
			>{t('sound.none')}</span
		>{/each}
</div>
<div class="picks">
	{#if recorder.state === 'recording'}
		<button class="button button-main" onclick={() => recorder.stop()}
			><Square size={16} />{t('sound.stop')}</button
		>
		<output
			>{t('sound.recording', { seconds: recorder.seconds.toFixed(1), most: longestSound })}</output
		>
		<meter min="0" max="1" value={recorder.level} aria-label={t('sound.level')}></meter>
	{:else}
		<button
			class="button button-line"
			disabled={recorder.state === 'asking'}
			onclick={() => {
				news = '';
				cutting = null;
				void recorder.start();
			}}><Mic size={16} />{t('sound.record')}</button
		>
		<FileButton
			label={t('sound.open')}
			accept=".wav,audio/wav,audio/x-wav"
			onpick={(file) => void openFile(file)}
		/>
		{#if chosen}
			<button
				class="button button-line"
				aria-label={t('sound.saveLabel', { name: clipName(value) })}
				onclick={() => void save(chosen)}><Download size={16} />{t('sound.save')}</button
			>
		{/if}
	{/if}
</div>
<p role="status" class="soft">{recorder.state === 'asking' ? t('sound.asking') : news}</p>
{#if cutting}
	<CutSound
		{cutting}
		{others}
		onkeep={() => void keep(cutting!)}
		onthrow={() => (cutting = null)}
	/>
{/if}

<style>
	.picks {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.35rem;
		margin-bottom: 0.5rem;
	}
	.ours {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(6rem, 1fr));
	}
	.ours :global(.button) {
		padding: 0 0.3rem;
	}
	.part {
		margin-bottom: 0.25rem;
		font-weight: 600;
		font-size: 0.9rem;
	}
	.soft {
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	.soft:empty {
		display: none;
	}
	output {
		font-variant-numeric: tabular-nums;
	}
	meter {
		flex: 1;
		min-width: 5rem;
	}
</style>
