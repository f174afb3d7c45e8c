<script lang="ts">
	/** What was deleted of late, with a way to bring it back. */
	import { RotateCcw } from '@lucide/svelte';
	import { documentKinds, type Listed } from '$lib/saving/protocol';
	import { t } from '$lib/i18n';
	import { fetchList } from '$lib/saving/lists';
	import Moment from './Moment.svelte';

	let { onbringback }: { onbringback: (document: Listed) => Promise<unknown> } = $props();

	let rows = $state.raw<readonly Listed[] | null>(null);
	let isOpen = $state(false);

	async function load() {
		const lists = await Promise.all(documentKinds.map((kind) => fetchList(kind, true)));
		rows = lists.flat().toSorted((a, b) => (a.updatedAt < b.updatedAt ? 1 : -1));
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
	{/if}
</section>

<style>
	.deleted {
		margin-top: 2rem;
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
