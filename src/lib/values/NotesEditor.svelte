<script lang="ts">
	/** A melody: tapped on a small keyboard, or typed. */
	import Delete from '@lucide/svelte/icons/delete';
	import { longestMelody, pitchOf, readNotes, writeNotes, type Note } from '$core/sounds/notes';
	import { say, t } from '$lib/i18n';
	import { playTone } from '$lib/timeline/sound';
	import { onLeave } from './leaving';

	let {
		value,
		onset,
		onclose
	}: { value: string; onset: (value: string) => void; onclose: () => void } = $props();

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
	const lengths = [
		{ beats: 0.25, word: '¼' },
		{ beats: 0.5, word: '½' },
		{ beats: 1, word: '1' },
		{ beats: 2, word: '2' },
		{ beats: 4, word: '4' }
	];

	let beats = $state(1);
	let typed = $state<string | null>(null);
	const text = $derived(typed ?? value);
	const read = $derived(readNotes(text));

	function set(notes: readonly Note[]) {
		typed = null;
		onset(writeNotes(notes));
	}

	function tap(name: string | null) {
		const { value: notes } = read.ok ? read : { value: [] };
		if (notes.length >= longestMelody) return;
		set([...notes, { name, beats }]);
		if (name) playTone({ pitch: pitchOf(name), length: 0.25, volume: 0.6 }, 1);
	}

	function takeTyped(): boolean {
		if (typed === null) return true;
		const notes = readNotes(typed);
		if (!notes.ok) return false;
		set(notes.value);
		return true;
	}
	const isEscaped = onLeave(takeTyped);
</script>

<input
	class="field notes"
	data-first-focus
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
	{read.ok ? t('value.notesHint') : say(read.failure)}
</p>
<div class="lengths" role="group" aria-label={t('value.noteLength')}>
	{#each lengths as length (length.beats)}
		<button
			class="button {beats === length.beats ? 'button-main' : 'button-line'}"
			aria-pressed={beats === length.beats}
			aria-label={t('value.beats', { beats: length.beats })}
			onclick={() => (beats = length.beats)}>{length.word}</button
		>
	{/each}
	<button class="button button-line" onclick={() => tap(null)}>{t('value.rest')}</button>
	<button
		class="button button-line button-icon"
		aria-label={t('value.lastNoteAway')}
		title={t('value.lastNoteAway')}
		disabled={!read.ok || read.value.length === 0}
		onclick={() => read.ok && set(read.value.slice(0, -1))}><Delete size={18} /></button
	>
</div>
<div class="keyboard" role="group" aria-label={t('value.keyboard')}>
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
		height: 7rem;
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
