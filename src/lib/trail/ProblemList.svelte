<script lang="ts">
	/** All problems of the plan in one place, each with its step, its words and what mends it. */
	import './words';
	import { findStep } from '$core/plan/places';
	import { numberSteps } from '$core/plan/plan';
	import type { Problem } from '$core/checks';
	import { say, t } from '$lib/i18n';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import { wordsOf } from '$lib/words/step-words';

	let { bench, onjump }: { bench: Workbench; onjump: (key: string) => void } = $props();

	const numbers = $derived(numberSteps(bench.plan));

	/** The key of the row that a problem belongs to. */
	function keyOf({ id }: Problem): string {
		const chain = bench.plan.chains.find((chain) => chain.id === id || chain.trigger?.id === id);
		return chain ? `${chain.id}-head` : id;
	}

	function whereOf({ id }: Problem): string {
		const number = numbers.get(id);
		const step = findStep(bench.plan, id);
		if (number && step) return `${t('trail.number', { number })}: ${wordsOf(step)}`;
		if (step) return wordsOf(step);
		return t(id ? 'problems.chain' : 'problems.plan');
	}
</script>

<div class="problems" data-testid="problems">
	<h2>{t('problems.title')}</h2>
	<ul>
		{#each bench.checking.problems as problem, index (`${problem.id} ${problem.sentence.key} ${index}`)}
			<li>
				<button
					class="where"
					data-first-focus={index === 0 ? true : undefined}
					disabled={!problem.id}
					onclick={() => onjump(keyOf(problem))}>{whereOf(problem)}</button
				>
				<p>{say(problem.sentence)}</p>
				{#if problem.repair}
					{@const repair = problem.repair}
					<button class="button button-line repair" onclick={() => bench.editing.repair(repair)}
						>{t(repair.key)}</button
					>
				{/if}
				{#if problem.sampleCourse}
					{@const name = problem.sampleCourse}
					<button class="button button-line repair" onclick={() => bench.takeSampleCourse(name)}
						>{t('problems.sampleCourse', { name })}</button
					>
				{/if}
			</li>
		{:else}
			<li>{t('problems.none')}</li>
		{/each}
	</ul>
	<p class="hint">{t('problems.hint')}</p>
</div>

<style>
	.problems {
		width: min(24rem, calc(100vw - 2rem));
		padding: 0.8rem;
	}
	h2 {
		margin-bottom: 0.4rem;
		font-weight: 650;
	}
	li {
		padding: 0.5rem 0;
		border-top: 1px solid var(--line);
	}
	.where {
		color: var(--verdigris);
		font-weight: 600;
		text-align: left;
		cursor: pointer;
	}
	.where:hover {
		text-decoration: underline;
	}
	.repair {
		min-height: 2.4rem;
		margin-top: 0.3rem;
	}
	.hint {
		margin-top: 0.5rem;
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
</style>
