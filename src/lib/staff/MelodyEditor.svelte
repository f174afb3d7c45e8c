<script lang="ts">
	/** A melody: on a staff, tapped on a small keyboard, or typed. */
	import './words';
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import Delete from '@lucide/svelte/icons/delete';
	import Play from '@lucide/svelte/icons/play';
	import Square from '@lucide/svelte/icons/square';
	import { onDestroy, onMount } from 'svelte';
	import { pitchOf, readNotes } from '$core/sounds/notes';
	import { say, t } from '$lib/i18n';
	import { hush, playTone } from '$lib/timeline/sound';
	import { onLeave } from '$lib/ui/leaving';
	import { Composing, lengths } from './composing.svelte';
	import MidiFiles from './MidiFiles.svelte';
	import Staff from './Staff.svelte';

	let {
		value,
		tempo,
		onset,
		onopen,
		onclose
	}: {
		value: string;
		/** Beats a minute. */
		tempo: number;
		onset: (value: string) => void;
		/** Another melody came from a file, with a tempo of its own. */
		onopen: (notes: string, tempo: number) => void;
		onclose: () => void;
	} = $props();

	const white = ['C4', 'D4', 'E4', 'F4', 'G4', 'A4', 'B4', 'C5', 'D5', 'E5'];
	/** Each black key stands after so many white ones. */
	const black = [
		{ name: 'C#4', after: 1 },
		{ name: 'D#4', after: 2 },
		{ name: 'F#4', after: 4 },
		{ name: 'G#4', after: 5 },
		{ name: 'A#4', after: 6 },
		{ name: 'C#5', after: 8 },
		{ name: 'D#5', after: 9 }
	];
	const signs: Readonly<Record<number, string>> = { 0.25: '¼', 0.5: '½' };

	let list: HTMLInputElement;
	// Its sheet was open before it was fetched.
	onMount(() => list.focus());

	let typed = $state<string | null>(null);
	const text = $derived(typed ?? value);
	const read = $derived(readNotes(text));
	const composing = new Composing(
		() => value,
		(notes) => {
			typed = null;
			onset(notes);
		}
	);
	const beat = $derived(60 / tempo);

	function takeTyped(): boolean {
		if (typed === null) return true;
		const notes = readNotes(typed);
		if (!notes.ok) return false;
		composing.take(notes.value);
		return true;
	}
	const isEscaped = onLeave(takeTyped);

	function hear() {
		const { chosen } = composing;
		stop();
		if (chosen?.name)
			playTone({ pitch: pitchOf(chosen.name), length: chosen.beats * beat, volume: 0.6 }, 1);
	}

	function tap(name: string | null) {
		if (!takeTyped()) return;
		composing.add(name);
		hear();
	}

	/** The place of the note that sounds, while all of them are played; -1 else. */
	let sounding = $state(-1);
	let frame = 0;

	function play() {
		stop();
		const { notes } = composing;
		const begins = notes.reduce<number[]>(
			(all, { beats }) => [...all, all.at(-1)! + beats * beat],
			[0]
		);
		notes.forEach(({ name, beats }, index) => {
			if (name === null) return;
			playTone({ pitch: pitchOf(name), length: beats * beat, volume: 0.6 }, 1, begins[index]);
		});
		const began = performance.now();
		const next = (now: number) => {
			sounding = begins.findLastIndex((begin) => begin <= (now - began) / 1000);
			if (sounding >= notes.length) stop();
			else frame = requestAnimationFrame(next);
		};
		frame = requestAnimationFrame(next);
	}

	function stop() {
		cancelAnimationFrame(frame);
		sounding = -1;
		hush();
	}
	onDestroy(stop);

	const hands = [
		[ArrowUp, 'staff.up', () => (composing.shift(1), hear())],
		[ArrowDown, 'staff.down', () => (composing.shift(-1), hear())],
		[Delete, 'staff.remove', () => composing.remove()]
	] as const;
</script>

<input
	class="field notes"
	data-first-focus
	bind:this={list}
	type="text"
	value={text}
	oninput={(event) => (typed = event.currentTarget.value)}
	onblur={() => isEscaped() || takeTyped()}
	onkeydown={(event) => {
		if (event.key !== 'Enter') return;
		event.preventDefault();
		if (takeTyped()) onclose();
	}}
	aria-labelledby="value-label"
	aria-invalid={!read.ok}
	aria-describedby="notes-state"
	spellcheck="false"
/>
<p id="notes-state" class="state" class:refusal={!read.ok} role={read.ok ? undefined : 'alert'}>
	{read.ok ? t('staff.keys.notesHint') : say(read.failure)}
</p>
<Staff {composing} {sounding} onheard={hear} />
<div class="lengths" role="group" aria-label={t('staff.keys.noteLength')}>
	{#each lengths as beats (beats)}
		<button
			class="button {composing.beats === beats ? 'button-main' : 'button-line'}"
			aria-pressed={composing.beats === beats}
			aria-label={t('staff.keys.beats', { beats })}
			onclick={() => composing.setBeats(beats)}>{signs[beats] ?? beats}</button
		>
	{/each}
	<button class="button button-line" onclick={() => tap(null)}>{t('staff.keys.rest')}</button>
	{#each hands as [Icon, word, act] (word)}
		<button
			class="button button-line button-icon"
			aria-label={t(word)}
			title={t(word)}
			disabled={!composing.chosen}
			onclick={act}><Icon size={18} /></button
		>
	{/each}
</div>
<div class="keyboard" role="group" aria-label={t('staff.keys.keyboard')}>
	{#each white as name (name)}
		<button class="white" aria-label={name} onclick={() => tap(name)}>{name.slice(0, -1)}</button>
	{/each}
	{#each black as { name, after } (name)}
		<button
			class="black"
			style:left="calc({after} * 10% - 3.2%)"
			aria-label={name}
			onclick={() => tap(name)}
		></button>
	{/each}
</div>
<MidiFiles notes={composing.notes} {tempo} {onopen}>
	<button
		class="button button-line"
		disabled={composing.notes.length === 0}
		onclick={() => (sounding < 0 ? play() : stop())}
		>{#if sounding < 0}<Play size={16} />{t('staff.listen')}{:else}<Square size={16} />{t(
				'staff.stop'
			)}{/if}</button
	>
</MidiFiles>

<style>
	.notes {
		width: 100%;
	}
	.state {
		margin: 0.3rem 0;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	.refusal {
		color: var(--signal);
		font-weight: 600;
	}
	.lengths {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem;
		margin-bottom: 0.5rem;
	}
	.lengths .button {
		min-width: 2.75rem;
		padding: 0 0.5rem;
	}
	.keyboard {
		position: relative;
		display: grid;
		grid-template-columns: repeat(10, 1fr);
		height: 5.5rem;
	}
	.white {
		display: flex;
		align-items: flex-end;
		justify-content: center;
		padding-bottom: 0.3rem;
		border: 1px solid var(--mist);
		border-radius: 0 0 0.35rem 0.35rem;
		background: oklch(0.99 0.004 85);
		color: oklch(0.35 0.04 258);
		font-weight: 600;
		cursor: pointer;
	}
	.black {
		position: absolute;
		top: 0;
		width: 6.4%;
		height: 60%;
		border-radius: 0 0 0.3rem 0.3rem;
		background: oklch(0.25 0.045 258);
		cursor: pointer;
	}
	.white:active,
	.black:active {
		background: var(--lamp);
	}
</style>
