<script lang="ts">
	/** What has to be said over a desk: work that nobody keeps yet, a second version, what was refused. */
	import { t } from '$lib/i18n';
	import type { Saver } from '$lib/saving/saver.svelte';

	let {
		saver,
		otherVersion,
		refused,
		ondismiss,
		onsavefile
	}: {
		saver: Saver;
		/** Where the other of two versions is. */
		otherVersion: string;
		/** Empty if nothing was. */
		refused: string;
		ondismiss: () => void;
		onsavefile: () => void;
	} = $props();
</script>

{#if saver.state === 'unkept' || saver.state === 'refused'}
	<div class="notice" role="alert" data-testid="not-saved">
		<span>{t(`save.${saver.state}`, { reason: saver.refusal })}</span>
		<button class="button button-line" onclick={onsavefile}>{t('bench.saveFile')}</button>
	</div>
{/if}
{#if saver.secondVersion}
	<div class="notice" role="alert">
		<span>{t('save.conflict', { name: saver.secondVersion.name })}</span>
		<a class="button button-line" href={otherVersion} target="_blank">{t('save.seeOther')}</a>
		<button class="button button-line" onclick={() => saver.dismiss()}>{t('save.dismiss')}</button>
	</div>
{/if}
{#if saver.wasDeleted}
	<div class="notice" role="alert">
		<span>{t('save.wasDeleted')}</span>
		<button class="button button-line" onclick={() => saver.dismiss()}>{t('save.dismiss')}</button>
	</div>
{/if}
{#if refused}
	<div class="notice" role="alert">
		<span>{refused}</span>
		<button class="button button-line" onclick={ondismiss}>{t('save.dismiss')}</button>
	</div>
{/if}

<style>
	.notice {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.6rem;
		padding: 0.4rem 1rem;
		background: var(--lamp-soft);
		color: var(--ink);
	}
	.notice span {
		flex: 1 1 16rem;
	}
</style>
