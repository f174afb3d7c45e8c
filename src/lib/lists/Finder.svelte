<script lang="ts">
	/** Documents of one kind, the newest first, and a field that finds others on the server. */
	import './words';
	import { t } from '$lib/i18n';
	import type { DocumentKind } from '$lib/saving/kinds';
	import type { Listed, Page } from '$lib/saving/answers';
	import { fetchPage } from './lists';

	let { kind, onchoose }: { kind: DocumentKind; onchoose: (listed: Listed) => void } = $props();

	let text = $state('');
	let page = $state.raw<Page | null>(null);
	let hasFailed = $state(false);

	$effect(() => {
		const find = text.trim();
		let isOld = false;
		fetchPage({ kind, find, limit: 50 })
			.then((found) => {
				if (!isOld) [page, hasFailed] = [found, false];
			})
			.catch(() => (hasFailed = true));
		return () => (isOld = true);
	});
</script>

<label class="find">
	<span>{t('finder.find')}</span>
	<input class="field" type="search" bind:value={text} data-first-focus />
</label>
{#if page}
	<ul>
		{#each page.rows as listed (listed.id)}
			<li>
				<button class="button button-plain found" onclick={() => onchoose(listed)}
					><span class="name">{listed.name}</span><span class="owner"
						>{listed.owner?.name ?? ''}</span
					></button
				>
			</li>
		{/each}
	</ul>
	<p class="hint" role="status">
		{page.total === 0
			? t('finder.none')
			: t('finder.more', { count: page.total - page.rows.length })}
	</p>
{/if}
{#if hasFailed}<p role="alert">{t('home.failed')}</p>{/if}

<style>
	.find {
		display: grid;
		gap: 0.2rem;
	}
	ul {
		max-height: min(22rem, 50dvh);
		overflow-y: auto;
	}
	.found {
		width: 100%;
		justify-content: space-between;
		font-weight: 450;
	}
	.name {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.owner,
	.hint {
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
</style>
