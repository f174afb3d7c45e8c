<script lang="ts">
	/** Finds steps and triggers by their words, and goes from one to the next. */
	import './words';
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import X from '@lucide/svelte/icons/x';
	import { onMount } from 'svelte';
	import { eachStep, type Plan } from '$core/plan/plan';
	import { t } from '$lib/i18n';
	import { wordsOf } from '$lib/words/step-words';

	let { plan, onfind, onclose }: { plan: Plan; onfind: (id: string) => void; onclose: () => void } =
		$props();

	let text = $state('');
	let current = $state(-1);
	let input: HTMLInputElement;
	onMount(() => input.focus());

	/** Keys of rows, in reading order. */
	const found = $derived.by(() => {
		const wanted = text.trim().toLowerCase();
		if (!wanted) return [];
		const keys: string[] = [];
		for (const { id, trigger, steps } of plan.chains) {
			const fits = (step: Parameters<typeof wordsOf>[0]) =>
				`${wordsOf(step)} ${step.comment ?? ''}`.toLowerCase().includes(wanted);
			if (trigger && fits(trigger)) keys.push(`${id}-head`);
			eachStep(steps, (step) => {
				if (fits(step)) keys.push(step.id);
			});
		}
		return keys;
	});

	function go(by: number) {
		if (found.length === 0) return;
		current = (current + by + found.length) % found.length;
		onfind(found[current]!);
	}
</script>

<div class="search" role="search">
	<input
		bind:this={input}
		class="field"
		type="search"
		bind:value={text}
		oninput={() => (current = -1)}
		placeholder={t('search.label')}
		aria-label={t('search.label')}
		onkeydown={(event) => {
			if (event.key === 'Enter') go(event.shiftKey ? -1 : 1);
			else if (event.key === 'Escape') onclose();
			else return;
			event.preventDefault();
		}}
	/>
	<span role="status" class="count">
		{text.trim() ? t('search.found', { at: current + 1, count: found.length }) : ''}
	</span>
	<button
		class="button button-plain button-icon"
		aria-label={t('search.before')}
		disabled={found.length === 0}
		onclick={() => go(-1)}><ArrowUp size={18} /></button
	>
	<button
		class="button button-plain button-icon"
		aria-label={t('search.next')}
		disabled={found.length === 0}
		onclick={() => go(1)}><ArrowDown size={18} /></button
	>
	<button class="button button-plain button-icon" aria-label={t('search.close')} onclick={onclose}
		><X size={18} /></button
	>
</div>

<style>
	.search {
		display: flex;
		align-items: center;
		gap: 0.25rem;
		padding: 0.3rem 0.5rem;
		border-bottom: 1px solid var(--line);
	}
	.field {
		flex: 1;
		min-width: 0;
	}
	.count {
		min-width: 4rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
		font-variant-numeric: tabular-nums;
	}
</style>
