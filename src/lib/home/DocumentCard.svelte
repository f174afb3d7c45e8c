<script lang="ts">
	/** A plan or a course in the list, with all that can be done with it. */
	import { t } from '$lib/i18n';
	import type { Listed, Person } from '$lib/saving/answers';
	import type CardMenu from './CardMenu.svelte';
	import CoursePicture from './CoursePicture.svelte';
	import NewestAttempt from './NewestAttempt.svelte';
	import { showSummary } from '$lib/lists/summary';
	import Moment from '$lib/ui/Moment.svelte';

	let {
		document,
		hasPicture,
		isMine,
		href,
		onowner,
		onaction
	}: {
		document: Listed;
		/** A course shows a small map of itself. */
		hasPicture: boolean;
		isMine: boolean;
		/** Where the name leads. */
		href: string;
		/** Shows only what this person has. */
		onowner: (owner: Person) => void;
		onaction: (action: string) => void;
	} = $props();

	/** What its own build cannot read can still be taken elsewhere, or taken back. */
	const isUnreadable = $derived(document.summary !== null && 'isUnreadable' in document.summary);
	const actions = $derived(
		isUnreadable
			? ['versions', 'saveFile', 'delete']
			: [
					...(hasPicture ? ['planHere', 'uses'] : []),
					...['rename', 'duplicate', 'versions', 'saveFile', 'delete']
				]
	);
	const owner = $derived(document.owner?.name ?? t('home.nobody'));
	const more = $derived(t('home.more', { name: document.name }));
	/** The menu is fetched and made once it is wanted: it is more work than all the rest of the card. */
	let Menu = $state.raw<typeof CardMenu | null>(null);
	const openMenu = async () => (Menu = (await import('./CardMenu.svelte')).default);
</script>

{#snippet dots()}
	<svg width="20" height="20" aria-hidden="true"><use href="#dots" /></svg>
{/snippet}

<article class="document">
	{#if hasPicture && !isUnreadable}
		<CoursePicture id={document.id} revision={document.revision} />
	{:else if !hasPicture}
		<NewestAttempt planId={document.id} />
	{/if}
	<div class="text">
		<h3 class="name">
			{#if isUnreadable}
				{document.name}
			{:else}
				<a {href}>{document.name}</a>
			{/if}
		</h3>
		<p class="detail">
			{#if document.owner}
				<button
					class="owner above"
					class:mine={isMine}
					aria-label={t('home.onlyOf', { name: owner })}
					title={t('home.onlyOf', { name: owner })}
					onclick={() => onowner(document.owner!)}>{owner}</button
				>
			{:else}
				<span class="owner">{owner}</span>
			{/if}
			<span class:unreadable={isUnreadable}>{showSummary(document.summary)}</span>
			<Moment iso={document.updatedAt} />
		</p>
	</div>
	{#if Menu}
		<Menu label={more} {actions} {onaction}>{@render dots()}</Menu>
	{:else}
		<button
			class="button button-plain button-icon above"
			aria-label={more}
			aria-haspopup="menu"
			aria-expanded="false"
			onclick={openMenu}>{@render dots()}</button
		>
	{/if}
</article>

<style>
	.document {
		position: relative;
		display: flex;
		align-items: center;
		gap: 0.9rem;
		padding: 0.6rem 0.4rem 0.6rem 0.9rem;
		border: 1px solid var(--line);
		border-radius: 0.35rem 0.9rem 0.9rem 0.35rem;
		background: var(--tag);
		box-shadow: var(--shadow);
	}
	.document:hover {
		border-color: var(--verdigris);
	}
	.text {
		flex: 1;
		min-width: 0;
	}
	.name {
		font-size: 1.05rem;
		font-weight: 600;
		overflow-wrap: anywhere;
	}
	.name a {
		text-align: left;
		font-weight: inherit;
		cursor: pointer;
	}
	.name a::after {
		content: '';
		position: absolute;
		inset: 0;
	}
	.detail {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.15rem 0.75rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
	.unreadable {
		color: var(--signal);
	}
	.owner {
		padding: 0 0.5rem;
		border: 1px solid var(--mist);
		border-radius: 1rem;
	}
	button.owner {
		min-height: 1.6rem;
		cursor: pointer;
	}
	button.owner:hover {
		border-color: var(--verdigris);
	}
	.owner.mine {
		border-color: var(--verdigris);
		background: var(--verdigris-soft);
		color: var(--ink);
	}
	:global(.above) {
		position: relative;
		z-index: 1;
	}
	:global(.menu) {
		z-index: 40;
		min-width: 11rem;
		padding: 0.35rem;
	}
	:global(.menu-item) {
		display: flex;
		align-items: center;
		min-height: 2.75rem;
		padding: 0 0.75rem;
		border-radius: 0.5rem;
		cursor: pointer;
	}
	:global(.menu-item[data-highlighted]) {
		background: var(--verdigris-soft);
	}
</style>
