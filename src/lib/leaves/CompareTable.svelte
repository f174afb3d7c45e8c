<script lang="ts">
	/** Two attempts beside each other: the one that lies over the floor's, and the floor's. */
	import Pin from '@lucide/svelte/icons/pin';
	import PinOff from '@lucide/svelte/icons/pin-off';
	import X from '@lucide/svelte/icons/x';
	import type { AttemptTotals, Both, ComparedStep } from '$core/analysis/compare';
	import type { Spread } from '$core/analysis/spread';
	import type { Step } from '$core/plan/plan';
	import type { AttemptList } from '$lib/attempts/attempt-list.svelte';
	import { t } from '$lib/i18n';
	import { showNumber } from '$lib/words/format';
	import { wordsOf } from '$lib/words/step-words';
	import type { Comparing } from '$lib/workbench/comparing.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';

	let { bench, comparing, list }: { bench: Workbench; comparing: Comparing; list: AttemptList } =
		$props();

	const { comparison, arrivals, other } = $derived(comparing);
	const shown = $derived(list.rows.find(({ id }) => id === list.shown));
	const isKept = $derived(shown?.beside?.includes(other.id) ?? false);
	const length = (metres: number) => showNumber('length', metres);
	const seconds = (time: number) => showNumber('duration', time);
	const said = <T,>(figures: Both<T>, words: (figure: T) => string) =>
		figures.map((figure) => (figure === undefined ? '–' : words(figure)));
	const words = (step: Step | undefined) => (step ? wordsOf(step) : '');
	const how = ({ is, steps, numbers }: ComparedStep): string =>
		t(`compare.${is}`, {
			number: numbers[1] ?? numbers[0] ?? 0,
			before: words(steps[0]),
			after: words(steps[1])
		});
	const often = ({ successes, trials }: Spread) =>
		t('compare.of', { successes, count: trials.length });

	const totals = $derived.by((): [string, string[]][] => {
		if (!comparison) return [];
		const of = <T,>(figure: (one: AttemptTotals) => T, say: (value: T) => string) =>
			comparison.totals.map((one) => say(figure(one)));
		return [
			[t('compare.steps'), of(({ steps }) => steps, String)],
			[t('compare.length'), of(({ length }) => length, length)],
			[t('compare.seconds'), of(({ seconds }) => seconds, seconds)],
			[t('compare.bumps'), of(({ bumps }) => bumps, String)],
			[t('compare.apart'), of(({ apart }) => apart, length)],
			[
				t('compare.arrived'),
				of(
					({ reachedFinish }) => reachedFinish,
					(has) => t(has ? 'compare.yes' : 'compare.no')
				)
			],
			...(arrivals ? [[t('compare.often'), arrivals.map(often)] as [string, string[]]] : [])
		];
	});
</script>

<section aria-label={t('compare.title', { letter: other.letter })}>
	<header>
		<h3>{t('compare.title', { letter: other.letter })}</h3>
		{#if bench.course.finish && bench.variation !== 'ideal'}
			<button
				class="button button-plain"
				disabled={comparing.isTrying}
				onclick={() => void comparing.tryBoth()}>{t('compare.tryBoth')}</button
			>
		{/if}
		{#if shown}
			{@const keep = t(isKept ? 'compare.forget' : 'compare.keep')}
			<button
				class="button button-plain button-icon"
				aria-label={keep}
				title={keep}
				aria-pressed={isKept}
				onclick={() => void list.keepBeside(other.id, !isKept)}
			>
				{#if isKept}<PinOff size={17} />{:else}<Pin size={17} />{/if}
			</button>
		{/if}
		<button
			class="button button-plain button-icon"
			aria-label={t('compare.close')}
			title={t('compare.close')}
			onclick={() => (bench.leaves.comparing = null)}><X size={17} /></button
		>
	</header>
	{#if comparison}
		<p role="status">
			{#if comparison.parting}
				<button class="moment" onclick={() => bench.player.seek(comparison.parting!.time)}
					>{t('compare.parts', { seconds: comparison.parting.time })}</button
				>
			{:else}{t('compare.sameWay')}{/if}
			{#if comparison.steps.length === 0}{t('compare.sameSteps')}{/if}
		</p>
		{#if comparison.steps.length > 0}
			<ul>
				{#each comparison.steps as step (step.id)}<li class={step.is}>{how(step)}</li>{/each}
			</ul>
		{/if}
		<table>
			<thead>
				<tr>
					<td></td>
					<th scope="col">{other.letter}</th>
					<th scope="col">{t('compare.floor')}</th>
				</tr>
			</thead>
			<tbody>
				{#each totals as [name, figures] (name)}
					<tr
						><th scope="row">{name}</th>
						{#each figures as figure, which (which)}<td>{figure}</td>{/each}</tr
					>
				{/each}
			</tbody>
		</table>
		<table>
			<thead>
				<tr>
					<th scope="col">{t('compare.leg')}</th>
					{#each ['length', 'seconds', 'missed'] as column (column)}
						<th scope="col">{t(`compare.${column}`)}: {other.letter}</th>
						<th scope="col">{t('compare.floor')}</th>
					{/each}
				</tr>
			</thead>
			<tbody>
				{#each comparison.legs as leg (`${leg.stepId} ${leg.round}`)}
					<tr>
						<th scope="row"
							>{leg.numbers[1] ?? leg.numbers[0]}{#if leg.round > 1}
								· {t('legs.round', { round: leg.round })}{/if}</th
						>
						{#each [...said(leg.length, length), ...said(leg.seconds, seconds), ...said(leg.missed, length)] as figure, which (which)}<td
								>{figure}</td
							>{/each}
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
</section>

<style>
	section {
		flex: none;
		padding: 0 1rem 0.5rem;
		border-bottom: 1px solid var(--line);
		overflow-x: auto;
	}
	header {
		display: flex;
		align-items: center;
		gap: 0.5rem;
	}
	h3 {
		flex: 1;
		font-size: 0.95rem;
	}
	.moment {
		text-decoration: underline;
		cursor: pointer;
	}
	li {
		padding-left: 0.6rem;
		border-left: 3px solid var(--lamp);
		font-size: 0.9rem;
	}
	li.came {
		border-left-color: var(--verdigris);
	}
	li.went {
		border-left-color: var(--signal);
	}
	table {
		margin-top: 0.5rem;
		font-size: 0.88rem;
		font-variant-numeric: tabular-nums;
	}
	th {
		font-weight: 500;
		text-align: left;
	}
	thead th {
		color: var(--ink-soft);
		font-size: 0.82rem;
	}
	td,
	thead th:not(:first-child) {
		padding: 0.1rem 0 0.1rem 1rem;
		text-align: right;
		white-space: nowrap;
	}
</style>
