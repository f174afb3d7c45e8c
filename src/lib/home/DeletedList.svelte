<script lang="ts">
	/** What was deleted of late, with a way to bring it back. */
	import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { documentKinds, mostRows } from '$lib/saving/kinds';
	import type { Listed } from '$lib/saving/answers';
	import { t } from '$lib/i18n';
	import { fetchPage } from '$lib/lists/lists';
	import Moment from '$lib/ui/Moment.svelte';

	let {
		onbringback,
		onempty
	}: {
		onbringback: (document: Listed) => Promise<unknown>;
		onempty: () => Promise<unknown>;
	} = $props();

	let rows = $state.raw<readonly Listed[] | null>(null);
	let isOpen = $state(false);
	/** The button to destroy all was pressed once. */
	let isSure = $state(false);

	async function load() {
		const lists = await Promise.all(
			documentKinds.map((kind) => fetchPage({ kind, deleted: 'yes', limit: mostRows }))
		);
		isSure = false;
		rows = lists
			.flatMap((page) => page.rows)
			.toSorted((a, b) => (a.updatedAt < b.updatedAt ? 1 : -1));
	}

	function toggle() {
		isOpen = !isOpen;
		rows = null;
		if (isOpen) loading = load();
	}
	let loading = $state<Promise<void>>();
</script>

<section class="deleted">
	<button class="button button-plain" aria-expanded={isOpen} onclick={toggle}
		>{t('home.deletedLately')}</button
	>
	{#if isOpen}
		<p class="hint">{t('home.deletedHint')}</p>
		{#await loading catch}
			<p role="alert">{t('home.failed')}</p>
		{/await}
		{#if rows?.length === 0}<p class="hint">{t('home.noneDeleted')}</p>{/if}
		<ul>
			{#each rows ?? [] as document (document.id)}
				<li>
					<span class="name">{document.name}</span>
					<span class="hint">{document.owner?.name ?? t('home.nobody')}</span>
					<span class="hint"><Moment iso={document.updatedAt} /></span>
					<button
						class="button button-line"
						aria-label={t('home.bringBackNamed', { name: document.name })}
						onclick={async () => {
							await onbringback(document);
							loading = load();
						}}><RotateCcw size={16} />{t('home.bringBack')}</button
					>
				</li>
			{/each}
		</ul>
		{#if rows && rows.length > 0}
			<button
				class="button button-line empty"
				class:sure={isSure}
				onclick={async () => {
					if (!isSure) return (isSure = true);
					await onempty();
					loading = load();
				}}><Trash2 size={16} />{t(isSure ? 'home.emptyBinSure' : 'home.emptyBin')}</button
			>
		{/if}
	{/if}
</section>

<style>
	.deleted {
		margin-top: 2rem;
	}
	.empty {
		margin-top: 0.6rem;
	}
	.sure {
		border-color: var(--signal);
		color: var(--signal);
	}
	.hint {
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.25rem 0.75rem;
		padding: 0.3rem 0;
		border-bottom: 1px solid var(--line);
	}
	.name {
		flex: 1 1 12rem;
		overflow-wrap: anywhere;
	}
</style>
