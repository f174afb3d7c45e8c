<script lang="ts">
	/** Where pictures of lamps come from and go to: files, and the shelf of the class. */
	import './words';
	import Download from '@lucide/svelte/icons/download';
	import { writeFilm, type Cloth } from '$core/pictures/film';
	import { say, t } from '$lib/i18n';
	import FileButton from '$lib/ui/FileButton.svelte';
	import PictureShelf from './PictureShelf.svelte';
	import { readPictures, saveFilm, saveGif, savePng } from './picture-files';

	let {
		cloths,
		shown,
		beat,
		onopen
	}: {
		cloths: readonly Cloth[];
		/** The picture that is on the loom. */
		shown: string;
		/** Seconds. */
		beat: number;
		onopen: (cloths: readonly Cloth[]) => void;
	} = $props();

	let news = $state('');
	let said: HTMLElement;
	// The sheet may be scrolled to somewhere else.
	$effect(() => void (news && said.scrollIntoView({ block: 'nearest' })));
	const name = $derived(t('loom.file.name'));

	async function save(saving: ReturnType<typeof savePng>) {
		const saved = await saving;
		news = saved.ok ? '' : t('loom.file.unsaved', { reason: say(saved.failure) });
	}

	async function open(file: File) {
		const read = await readPictures(file, beat);
		if (!read.ok) {
			news = t('loom.file.refused', { file: file.name, reason: say(read.failure) });
			return;
		}
		const { from, leftOut } = read.value;
		news = [
			t('loom.file.opened', { file: file.name }),
			...(from ? [t('loom.file.averaged', from)] : []),
			...(leftOut > 0 ? [t('loom.file.leftOut', { count: leftOut })] : [])
		].join(' ');
		onopen(read.value.cloths);
	}
</script>

<div class="files" role="group" aria-label={t('loom.files')}>
	<FileButton
		label={t('loom.file.open')}
		accept=".png,.gif,.json,image/png,image/gif,application/json"
		onpick={(file) => void open(file)}
	/>
	<button class="button button-line" onclick={() => void save(savePng(name, shown))}
		><Download size={16} />PNG</button
	>
	{#if cloths.length > 1}
		<button
			class="button button-line"
			onclick={() => void save(saveGif(name, writeFilm(cloths), beat))}
			><Download size={16} />GIF</button
		>
	{/if}
	<button class="button button-line" onclick={() => saveFilm(name, writeFilm(cloths))}
		><Download size={16} />JSON</button
	>
</div>
<p role="status" bind:this={said}>{news}</p>

<PictureShelf {cloths} ontake={onopen} />

<style>
	.files {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
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
