<script lang="ts">
	/** How the plan fares with many chances: how often it arrives, which step scatters most. */
	import './words';
	import Dices from '@lucide/svelte/icons/dices';
	import Square from '@lucide/svelte/icons/square';
	import { findStep } from '$core/plan/places';
	import { numberSteps } from '$core/plan/plan';
	import type { SpreadLeg } from '$core/analysis/spread';
	import { degrees } from '$core/units/angles';
	import { t } from '$lib/i18n';
	import { showNumber } from '$lib/words/format';
	import { wordsOf } from '$lib/words/step-words';
	import { scatterOf, trialsOfSpread, type Spreading } from '$lib/workbench/spreading.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import AdviceList from './AdviceList.svelte';
	import HelpersOff from './HelpersOff.svelte';
	import Leaf from './Leaf.svelte';
	import SpreadSeconds from './SpreadSeconds.svelte';

	let {
		bench,
		spreading,
		onstep
	}: { bench: Workbench; spreading: Spreading; onstep: (stepId: string) => void } = $props();

	const { spread, trials, isRunning, isStale } = $derived(spreading);
	const [end] = $derived(spread.ends);
	const worst = $derived(spreading.legs[0] ? scatterOf(spreading.legs[0]) : 0);
	const percents = $derived(spread.interval.map((part) => Math.round(part * 100)));
	const length = (metres: number) => showNumber('length', metres);
	const angle = (radians: number) => showNumber('angle', Math.round(degrees(radians) * 10) / 10);

	// It begins when it is unfolded; an edit stops it.
	$effect(() => void spreading.start());
	$effect(() => {
		if (isStale) spreading.stop();
	});
	$effect(() => () => spreading.stop());

	const numbers = $derived(numberSteps(bench.plan));
	function words({ stepId }: SpreadLeg): string {
		const step = findStep(bench.plan, stepId);
		return step ? `${numbers.get(stepId)} · ${wordsOf(step)}` : t('spread.gone');
	}

	function show(which: 'usual' | 'farthest') {
		const seed = spreading.seedOf(which);
		if (seed !== undefined) void bench.runs.rehearse(undefined, seed);
	}
</script>

<Leaf
	title={t('spread.title')}
	closeWord={t('spread.close')}
	rows="[data-row]"
	onclose={() => void bench.leaves.toggle('spread')}
>
	{#snippet head()}
		{#if isRunning}
			<progress max={trialsOfSpread} value={trials.length} aria-label={t('spread.progress')}
			></progress>
			<button class="button button-plain" onclick={() => spreading.stop()}
				><Square size={15} />{t('spread.stop')}</button
			>
		{:else if !spreading.isOff}
			<button class="button button-plain" onclick={() => void spreading.start()}
				><Dices size={17} />{t('spread.again', { count: trialsOfSpread })}</button
			>
		{/if}
	{/snippet}
	<div class="said" role="status">
		{#if spreading.isOff}
			<p>{t('spread.off')}</p>
		{:else if bench.variation === 'ideal'}
			<p>{t('spread.ideal')}</p>
		{:else if end}
			<p>
				{#if bench.course.finish}
					<strong
						>{t('spread.arrives', { successes: spread.successes, count: trials.length })}</strong
					>
					{t('spread.interval', { least: percents[0]!, most: percents[1]! })}
				{:else}
					<strong>{t('spread.noFinish', { count: trials.length })}</strong>
				{/if}
				{t('spread.ends', { length: length(end.deviation), farthest: length(end.farthest) })}
			</p>
			{#if isStale}<p class="stale">{t('spread.stale')}</p>{/if}
		{:else if !isRunning}
			<p>{t('spread.none')}</p>
		{/if}
	</div>
	{#if bench.course.finish && bench.variation !== 'ideal'}<AdviceList {bench} />{/if}
	{#if end && !spreading.isOff}
		<div class="sides">
			<div>
				<p class="hands">
					<button class="button button-line" onclick={() => show('usual')} disabled={isStale}
						>{t('spread.usual')}</button
					>
					<button class="button button-line" onclick={() => show('farthest')} disabled={isStale}
						>{t('spread.farthest')}</button
					>
				</p>
				<p class="about">{t('spread.dots')}</p>
				<SpreadSeconds {trials} />
			</div>
			<table>
				<caption>{t('spread.table')}</caption>
				<thead>
					<tr>
						<th scope="col">{t('legs.column.step')}</th>
						<th scope="col">{t('spread.column.place')}</th>
						<th scope="col">{t('spread.column.turn')}</th>
					</tr>
				</thead>
				<tbody>
					{#each spreading.legs as leg (`${leg.stepId} ${leg.round}`)}
						<tr>
							<th scope="row">
								<button data-row onclick={() => onstep(leg.stepId)}
									>{words(leg)}{#if leg.round > 1}<small>
											{t('legs.round', { round: leg.round })}</small
										>{/if}</button
								>
								<span class="bar" style:width="{(scatterOf(leg) / worst) * 100}%"></span>
							</th>
							<td>{length(leg.scatter)}</td>
							<td>{angle(leg.turned)}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	{/if}
	<HelpersOff {bench} />
</Leaf>

<style>
	.said,
	.about,
	.hands {
		padding: 0.2rem 1rem;
	}
	.about,
	caption {
		color: var(--ink-soft);
		font-size: 0.88rem;
	}
	.stale {
		color: var(--signal-ink, var(--signal));
	}
	.hands {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	progress {
		flex: 1;
		max-width: 12rem;
		accent-color: var(--verdigris);
	}
	.sides {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(17rem, 1fr));
		gap: 0.5rem 1.5rem;
	}
	table {
		align-self: start;
		width: calc(100% - 2rem);
		margin: 0 1rem;
		font-size: 0.9rem;
	}
	caption {
		padding: 0.2rem 0;
		text-align: left;
	}
	th {
		position: relative;
		font-weight: 500;
		text-align: left;
	}
	thead th {
		color: var(--ink-soft);
		font-size: 0.82rem;
	}
	td,
	thead th:not(:first-child) {
		padding-left: 0.7rem;
		text-align: right;
		white-space: nowrap;
		font-variant-numeric: tabular-nums;
	}
	[data-row] {
		padding: 0.3rem 0;
		text-align: left;
		cursor: pointer;
	}
	.bar {
		position: absolute;
		bottom: 0;
		left: 0;
		height: 3px;
		border-radius: 2px;
		background: var(--lamp);
	}
	small {
		color: var(--ink-soft);
	}
</style>
