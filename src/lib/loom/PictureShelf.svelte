<script lang="ts">
	/** The shelf of own pictures and those of the class: taken onto the loom, put there, and taken away. */
	import './words';
	import X from '@lucide/svelte/icons/x';
	import { onMount } from 'svelte';
	import { readFilm, writeFilm, type Cloth } from '$core/pictures/film';
	import { pictureDocument } from '$core/pictures/picture-document';
	import { t } from '$lib/i18n';
	import ClothButton from './ClothButton.svelte';
	import { PictureShelf } from './picture-shelf.svelte';

	let { cloths, ontake }: { cloths: readonly Cloth[]; ontake: (cloths: readonly Cloth[]) => void } =
		$props();

	const shelf = new PictureShelf();
	let name = $state('');
	onMount(() => void shelf.open());

	async function keep() {
		const called = name.trim() || t('loom.file.name');
		if (await shelf.keep(pictureDocument(called, writeFilm(cloths)))) name = '';
	}
</script>

<section aria-label={t('loom.shelf')}>
	<p class="title">{t('loom.shelf')}</p>
	<form
		onsubmit={(event) => {
			event.preventDefault();
			void keep();
		}}
	>
		<input
			class="input"
			maxlength="40"
			placeholder={t('loom.shelf.name')}
			aria-label={t('loom.shelf.name')}
			bind:value={name}
		/>
		<button class="button button-line">{t('loom.shelf.keep')}</button>
	</form>
	{#if shelf.news}<p role="alert">{shelf.news}</p>{/if}
	{#if shelf.pictures?.length === 0}<p>{t('loom.shelf.empty')}</p>{/if}
	<ul>
		{#each shelf.pictures ?? [] as { id, name: called, film, by, isOwn } (id)}
			{@const own = readFilm(film) ?? []}
			{@const words = t('loom.shelf.picture', {
				name: called,
				count: own.length,
				by: by ?? '',
				isKnown: by !== null
			})}
			<li>
				<ClothButton
					picture={own[0]?.picture ?? ''}
					caption={called}
					aria-label={words}
					title={words}
					onclick={() => ontake(own)}
				/>
				{#if isOwn}
					<button
						class="away"
						aria-label={t('loom.shelf.takeAway', { name: called })}
						title={t('loom.shelf.takeAway', { name: called })}
						onclick={() => void shelf.takeAway(id)}><X size={14} /></button
					>
				{/if}
			</li>
		{/each}
	</ul>
</section>

<style>
	section {
		margin-top: 0.8rem;
		padding-top: 0.6rem;
		border-top: 1px solid var(--line);
	}
	form {
		display: flex;
		gap: 0.4rem;
	}
	form input {
		flex: 1;
		min-width: 0;
	}
	p {
		margin-block: 0.4rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	p.title {
		color: var(--ink);
		font-size: 1rem;
		font-weight: 600;
	}
	ul {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(4.6rem, 1fr));
		gap: 0.4rem;
		margin-top: 0.5rem;
	}
	li {
		position: relative;
	}
	.away {
		display: grid;
		position: absolute;
		top: -2px;
		right: -2px;
		width: 1.6rem;
		height: 1.6rem;
		place-items: center;
		border: 1px solid var(--line);
		border-radius: 50%;
		background: var(--paper);
		color: var(--ink-soft);
		cursor: pointer;
	}
</style>
