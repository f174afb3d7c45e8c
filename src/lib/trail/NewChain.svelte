<script lang="ts">
	/** Below the chains: how another one begins. */
	import Plus from '@lucide/svelte/icons/plus';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import type { Adding } from './adding.svelte';

	let { adding, isEmpty }: { adding: Adding; isEmpty: boolean } = $props();

	/** Then there is a choice of what the next one is begun by. */
	const isChoice = $derived(adding.hasLit && preferences.level !== 'first');
</script>

{#if isEmpty}
	<div class="empty">
		<p>{t('trail.empty')}</p>
		<button class="button button-main" onclick={(event) => adding.chain(event.currentTarget)}
			><Plus size={18} />{t('trail.addChain')}</button
		>
	</div>
{:else}
	<div class="new-chain">
		<button class="button button-plain" onclick={(event) => adding.chain(event.currentTarget)}>
			<Plus size={16} />{t(isChoice ? 'trail.newChain' : 'trail.addChain')}
		</button>
		{#if isChoice}
			<button class="button button-plain" onclick={() => adding.aside()}
				>{t('trail.newAside')}</button
			>
		{/if}
	</div>
{/if}

<style>
	.empty {
		padding: 2rem 1.5rem;
		color: var(--ink-soft);
	}
	.empty p {
		margin-bottom: 1rem;
	}
	.new-chain {
		display: flex;
		align-items: center;
		margin: 0 0 1.5rem 0.5rem;
		color: var(--ink-soft);
	}
	.new-chain .button {
		font-weight: 450;
	}
</style>
