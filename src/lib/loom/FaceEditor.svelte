<script lang="ts">
	/** A face: one of ours, or made of it on a loom of its own, with two colours and skin. */
	import './words';
	import { colourCode } from '$core/colours';
	import {
		faceSize,
		faces,
		inksIn,
		readFace,
		usualInk,
		usualSecondInk,
		writeFace,
		type FacePicture
	} from '$core/pictures/face';
	import { readPicture, writePicture } from '$core/pictures/picture';
	import { t } from '$lib/i18n';
	import { colourName } from '$lib/words/format';
	import { choiceWord } from '$lib/words/values';
	import ClothButton from './ClothButton.svelte';
	import Loom from './Loom.svelte';
	import { palette } from './palette';
	import type { Threading } from './threading.svelte';

	let { value, onset }: { value: string; onset: (face: string) => void } = $props();

	const face: FacePicture = $derived(readFace(value) ?? readFace('calm')!);
	const inks = $derived(palette(inksIn(face.lamps), [usualInk, usualSecondInk]));

	const set = (change: Partial<FacePicture>) => onset(writeFace({ ...face, ...change }));
	function recolour(from: number, to: number) {
		// What is black would be dark: skin.
		const colour = Math.max(1, to);
		set({ lamps: face.lamps.map((lamp) => (lamp === from ? colour : lamp)) });
		return colour;
	}
	const codeIn = (input: HTMLInputElement) => Number.parseInt(input.value.slice(1), 16);
</script>

<div class="ours" role="group" aria-label={t('loom.faces')}>
	{#each faces as name (name)}
		<ClothButton
			picture={writeFace(readFace(name)!)}
			caption={choiceWord('face', 'face', name)}
			aria-label={choiceWord('face', 'face', name)}
			aria-pressed={value === name}
			onclick={() => onset(name)}
		/>
	{/each}
</div>

{#snippet colours(loom: Threading)}
	<div class="inks" role="group" aria-label={t('loom.colour')}>
		{#each inks as ink, index (index)}
			<button
				class="ink"
				aria-pressed={loom.colour === ink}
				style:background={colourCode(ink)}
				aria-label={t('loom.ink', { number: index + 1, colour: colourName(colourCode(ink)) })}
				onclick={() => (loom.colour = ink)}
			></button>
			<input
				type="color"
				aria-label={t('loom.inkOther', { number: index + 1 })}
				value={colourCode(ink)}
				onchange={({ currentTarget }) => (loom.colour = recolour(ink, codeIn(currentTarget)))}
			/>
		{/each}
	</div>
	<label class="skin"
		>{t('loom.skin')}
		<input
			type="color"
			value={colourCode(face.skin)}
			onchange={({ currentTarget }) => set({ skin: codeIn(currentTarget) })}
		/></label
	>
{/snippet}

<Loom
	value={writePicture(face.lamps, faceSize)}
	size={faceSize}
	skin={face.skin}
	{inks}
	palette={colours}
	onset={(picture) => set({ lamps: readPicture(picture, faceSize)! })}
/>

<style>
	.ours {
		display: grid;
		grid-template-columns: repeat(5, minmax(3.4rem, 4.6rem));
		gap: 0.4rem;
		margin-bottom: 0.6rem;
	}
	.inks,
	.skin {
		display: flex;
		align-items: center;
		gap: 0.35rem;
		margin-bottom: 0.5rem;
	}
	.ink,
	input {
		width: 2.4rem;
		height: 2.4rem;
		padding: 0;
		border: 1.5px solid var(--mist);
		border-radius: 0.5rem;
		cursor: pointer;
	}
	input {
		width: 1.8rem;
	}
	.ink[aria-pressed='true'] {
		outline: 2.5px solid var(--verdigris);
		outline-offset: 1px;
	}
</style>
