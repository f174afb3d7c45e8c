<script lang="ts">
	/** How the end of this leg is pulled, and what that comes to. */
	import { numberSteps } from '$core/plan/plan';
	import { t } from '$lib/i18n';
	import type { Nudging } from '$lib/workbench/nudging.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import { endWords, turnedWords } from './nudge-words';

	let { bench, nudging }: { bench: Workbench; nudging: Nudging } = $props();

	const far = $derived(nudging.isOutOfReach);
	const said = $derived(turnedWords(bench.plan, nudging));
</script>

{#if nudging.leg}
	<p role="status">
		{#if nudging.knobs.length === 0}
			{t('nudge.noNumber')}
		{:else if !nudging.goal}
			{t(nudging.isDirection ? 'nudge.helpDirection' : 'nudge.help')}
		{:else}
			{#if said}{t('nudge.would', { said })}{/if}
			{#if far === true}{t('nudge.notThere')}{:else if far}{t('nudge.atEnd', {
					number: numberSteps(bench.plan).get(far.step) ?? 0,
					value: endWords(far, nudging.turned)
				})}{/if}
			{#if nudging.shared}{t('nudge.shared', {
					number: numberSteps(bench.plan).get(nudging.shared.step) ?? 0
				})}{/if}
			{#if nudging.rounds > 1}{t('nudge.rounds', { count: nudging.rounds })}{/if}
			<button class="button button-line" onclick={() => void nudging.take()}
				>{t('nudge.take')}</button
			>
			<button class="button button-plain" onclick={() => nudging.drop()}>{t('nudge.drop')}</button>
		{/if}
	</p>
{/if}

<style>
	p {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.3rem 0.7rem;
		padding: 0.2rem 1rem 0.5rem;
		font-size: 0.9rem;
	}
</style>
