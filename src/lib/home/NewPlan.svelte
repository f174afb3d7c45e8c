<script lang="ts">
	/** Begins a plan: at once for the robot of last time, or for one of another kind. */
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import Plus from '@lucide/svelte/icons/plus';
	import { firstKind } from '$core/robots/first-kind';
	import { hasMessage, t } from '$lib/i18n';
	import type KindMenu from './KindMenu.svelte';
	import { preferences } from '$lib/preferences.svelte';

	/** @param kind of robot */
	let { onnew }: { onnew: (kind: string) => void } = $props();

	const wordOf = (kind: string) => `bench.kind.${kind}`;
	const usual = $derived(
		hasMessage(wordOf(preferences.lastKind ?? '')) ? preferences.lastKind! : firstKind
	);

	/** Fetched and made once it is wanted. */
	let Menu = $state.raw<typeof KindMenu | null>(null);
	const openMenu = async () => (Menu = (await import('./KindMenu.svelte')).default);

	function begin(kind: string) {
		preferences.choose({ lastKind: kind });
		onnew(kind);
	}
</script>

{#snippet down()}<ChevronDown size={18} />{/snippet}

<div class="new-plan">
	<button
		class="button button-main now"
		aria-label={t('home.newPlanFor', { kind: t(wordOf(usual)) })}
		onclick={() => begin(usual)}><Plus size={18} />{t('home.newPlan')}</button
	>
	{#if Menu}
		<Menu onchoose={begin}>{@render down()}</Menu>
	{:else}
		<button
			class="button button-main button-icon other"
			aria-label={t('home.otherRobot')}
			aria-haspopup="menu"
			aria-expanded="false"
			onclick={openMenu}>{@render down()}</button
		>
	{/if}
</div>

<style>
	.new-plan {
		display: flex;
		gap: 2px;
	}
	.now {
		border-start-end-radius: 0.3rem;
		border-end-end-radius: 0.3rem;
	}
	.new-plan :global(.other) {
		border-start-start-radius: 0.3rem;
		border-end-start-radius: 0.3rem;
	}
	.new-plan :global(.kinds) {
		max-width: min(24rem, calc(100vw - 2rem));
	}
</style>
