<script lang="ts">
	/** The plans that are tried on a course. */
	import { z } from 'zod';
	import { t } from '$lib/i18n';
	import { useSchema, type Listed } from '$lib/saving/answers';
	import { request } from '$lib/saving/send';
	import TitledDialog from '$lib/ui/TitledDialog.svelte';

	let { document, onclose }: { document: Listed; onclose: () => void } = $props();

	const asked = $derived(request('GET', `/api/documents/${document.id}/uses`));
</script>

<TitledDialog title={t('home.usesOf', { name: document.name })} width={28} {onclose}>
	{#await asked then answer}
		{@const plans = z.array(useSchema).parse(answer)}
		<p>{t('home.usesCount', { count: plans.length })}</p>
		<ul>
			{#each plans as { id, name, owner } (id)}
				<li><a href="/plans/{id}">{name}</a>{owner ? `, ${owner}` : ''}</li>
			{/each}
		</ul>
	{:catch}
		<p role="alert">{t('home.failed')}</p>
	{/await}
</TitledDialog>

<style>
	li {
		padding: 0.3rem 0;
	}
	a {
		text-decoration: underline;
	}
</style>
