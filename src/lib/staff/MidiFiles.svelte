<script lang="ts">
	/** A melody from a MIDI file, and into one. */
	import type { Snippet } from 'svelte';
	import Download from '@lucide/svelte/icons/download';
	import { writeNotes, type Note } from '$core/sounds/notes';
	import { download } from '$lib/files/downloads';
	import { say, t } from '$lib/i18n';
	import { midiFile, openMidi } from '$lib/sounds/sound-work';
	import FileButton from '$lib/ui/FileButton.svelte';

	let {
		notes,
		tempo,
		onopen,
		children
	}: {
		notes: readonly Note[];
		/** Beats a minute. */
		tempo: number;
		onopen: (notes: string, tempo: number) => void;
		/** What else can be done with it. */
		children: Snippet;
	} = $props();

	let news = $state('');

	async function open(file: File) {
		const read = await openMidi(file);
		if (!read.ok) {
			news = t('staff.refused', { file: file.name, reason: say(read.failure) });
			return;
		}
		const { notes, tempo, leftOut } = read.value;
		news = [
			t('staff.opened', { file: file.name, tempo }),
			...(leftOut.voices > 0 ? [t('staff.voices', { count: leftOut.voices })] : []),
			...(leftOut.notes > 0 ? [t('staff.notes', { count: leftOut.notes })] : [])
		].join(' ');
		onopen(writeNotes(notes), tempo);
	}

	async function save() {
		const made = await midiFile(notes, tempo);
		if (made.ok)
			download(t('staff.fileName'), 'mid', new Blob([made.value], { type: 'audio/midi' }));
		else news = say(made.failure);
	}
</script>

<div class="files">
	{@render children()}
	<FileButton
		label={t('staff.open')}
		accept=".mid,.midi,audio/midi,audio/x-midi"
		onpick={(file) => void open(file)}
	/>
	<button
		class="button button-line"
		aria-label={t('staff.saveLabel')}
		disabled={notes.length === 0}
		onclick={() => void save()}><Download size={16} />{t('staff.save')}</button
	>
</div>
<p role="status">{news}</p>

<style>
	.files {
		display: flex;
		flex-wrap: wrap;
		gap: 0.35rem;
		margin-top: 0.5rem;
	}
	p {
		margin-top: 0.3rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	p:empty {
		display: none;
	}
</style>
