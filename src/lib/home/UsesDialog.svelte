<script lang="ts">
	/** The plans that are tried on a course. */
	import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';
	import { z } from 'zod';
	import { t } from '$lib/i18n';
	import { useSchema, type Listed } from '$lib/saving/protocol';
	import { request } from '$lib/saving/send';

	let { document, onclose }: { document: Listed; onclose: () => void } = $props();

	const asked = $derived(request('GET', `/api/documents/${document.id}/uses`));
</script>

<Dialog open onOpenChange={({ open }) => !open && onclose()}>
	<Portal>
		<Dialog.Positioner class="middle">
			<Dialog.Content class="panel dialog uses">
				<Dialog.Title class="heading text-xl"
					>{t('home.usesOf', { name: document.name })}</Dialog.Title
				>
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
				<Dialog.CloseTrigger class="button button-line">{t('home.close')}</Dialog.CloseTrigger>
			</Dialog.Content>
		</Dialog.Positioner>
	</Portal>
</Dialog>

<style>
	:global(.uses) {
		display: grid;
		gap: 0.6rem;
		width: min(28rem, calc(100vw - 1.5rem));
		max-height: calc(100dvh - 2rem);
		overflow-y: auto;
	}
	li {
		padding: 0.3rem 0;
	}
	a {
		text-decoration: underline;
	}
</style>
