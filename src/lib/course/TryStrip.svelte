<script lang="ts">
	/** A plan is chosen and rehearsed on this course, and played back. */
	import { onMount } from 'svelte';
	import Play from '@lucide/svelte/icons/play';
	import Square from '@lucide/svelte/icons/square';
	import X from '@lucide/svelte/icons/x';
	import { variations, type Variation } from '$core/robots/robot';
	import { t } from '$lib/i18n';
	import DocumentSelect from '$lib/lists/DocumentSelect.svelte';
	import Timeline from '$lib/timeline/Timeline.svelte';
	import type { Trying } from './trying.svelte';

	let { trying, onclose }: { trying: Trying; onclose: () => void } = $props();

	const { runs } = $derived(trying);
	onMount(() => void trying.fetchPlans());
</script>

<section class="try" aria-label={t('course.try')}>
	<div class="choices">
		<DocumentSelect
			kind="plan"
			label={t('course.try.plan')}
			value={trying.planId}
			newest={trying.plans.map(({ id, name, owner }) => ({
				id,
				name: owner ? `${name}, ${owner.name}` : name
			}))}
			others={trying.hasMore ? t('course.try.other') : undefined}
			onchoose={(id) => void trying.choose(id)}
			onfind={(listed) => void trying.take(listed)}
		>
			<option value="">{t('course.try.which')}</option>
		</DocumentSelect>
		<select
			class="field variation"
			aria-label={t('bench.variation')}
			value={trying.variation}
			onchange={(event) => (trying.variation = event.currentTarget.value as Variation)}
		>
			{#each variations as variation (variation)}
				<option value={variation}>{t(`bench.variation.${variation}`)}</option>
			{/each}
		</select>
		{#if runs.player.isPlaying || runs.isRehearsing}
			<button class="button button-stop" onclick={() => runs.halt()}
				><Square size={17} fill="currentColor" />{t('bench.halt')}</button
			>
		{:else}
			<button
				class="button button-main"
				disabled={!trying.isReady}
				onclick={() => void runs.rehearse()}
				><Play size={18} fill="currentColor" />{t('bench.rehearse')}</button
			>
		{/if}
		{#if trying.planId}
			<a class="button button-line" href="/plans/{trying.planId}">{t('course.try.open')}</a>
		{/if}
		<button
			class="button button-plain button-icon"
			aria-label={t('course.try.close')}
			onclick={onclose}><X size={18} /></button
		>
	</div>
	<p class="outcome" role="status" data-testid="outcome">{runs.outcome?.text ?? ''}</p>
	{#if runs.player.attempt}<Timeline bench={trying} />{/if}
</section>

<style>
	.try {
		border-top: 1px solid var(--line);
		background: var(--paper);
	}
	.choices {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.5rem;
		padding: 0.45rem 0.9rem 0;
	}
	.choices :global(.field) {
		flex: 1 1 10rem;
		min-width: 0;
	}
	.choices .variation {
		flex: 0 1 9rem;
	}
	.outcome {
		min-height: 1.5em;
		padding: 0.1rem 0.9rem 0.2rem;
		font-weight: 600;
	}
</style>
