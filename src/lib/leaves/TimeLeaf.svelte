<script lang="ts">
	/** The attempt that is shown over time: which figures, beside which other, and their values at the moment. */
	import './words';
	import Maximize2 from '@lucide/svelte/icons/maximize-2';
	import Minimize2 from '@lucide/svelte/icons/minimize-2';
	import ZoomIn from '@lucide/svelte/icons/zoom-in';
	import ZoomOut from '@lucide/svelte/icons/zoom-out';
	import { valueAt, type SeriesGroup } from '$core/attempts/series';
	import { keeper } from '$lib/attempts/keeper';
	import { say, t } from '$lib/i18n';
	import { saidNow } from '$lib/ui/time.svelte';
	import type { OverTime } from '$lib/workbench/over-time.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import type { ListedAttempt } from '$core/attempts/kept';
	import { happened, tickKinds, tickSize } from './happened';
	import { dashes, inks } from './inks';
	import Leaf from './Leaf.svelte';
	import { figureWords, nameOfSeries } from './scales';
	import TimeFiles from './TimeFiles.svelte';
	import TimeTable from './TimeTable.svelte';
	import TimeChart from './TimeChart.svelte';

	let { bench, over }: { bench: Workbench; over: OverTime } = $props();

	const { player } = $derived(bench);
	const groups: readonly SeriesGroup[] = ['column', 'pose', 'reading'];

	let isTable = $state(false);
	let chart: HTMLElement | undefined = $state();
	let rows = $state.raw<readonly ListedAttempt[]>([]);
	let news = $state('');

	$effect(() => {
		void bench.runs.made;
		void keeper()
			.list(bench.leaves.planId)
			.then((found) => (rows = found));
	});

	const others = $derived(rows.filter(({ id }) => id !== bench.leaves.shown));
	const figures = $derived(
		over.chosen.map((series, place) => ({
			series,
			place,
			name: nameOfSeries(series),
			figure: figureWords(series.unit, valueAt(series, player.time))
		}))
	);
	const ticks = $derived(player.attempt && player.run ? happened(player.attempt, player.run) : []);
	const tickKindsShown = $derived([...new Set(ticks.map(({ kind }) => kind))]);
	const moment = $derived(t('trail.took', { seconds: player.time }));
	const said = $derived(
		[moment, ...figures.map(({ name, figure }) => `${name} ${figure}`)].join(', ')
	);
	async function lookBeside(): Promise<void> {
		news = '';
		const { beside } = over;
		if (beside === '' || beside === 'previous') return over.compare(beside);
		const opened = await keeper().open(beside);
		if (beside !== over.beside) return;
		if (opened.ok) return over.compare(beside, opened.value.attempt);
		news = say(opened.failure);
		over.compare('');
	}

	const rowWords = (row: ListedAttempt): string =>
		`${row.name ?? t(`attempts.is.${row.summary.kind}`)}, ${saidNow(new Date(row.at).toISOString())}`;
</script>

<Leaf
	title={t('chart.title')}
	closeWord={t('chart.close')}
	onclose={() => void bench.leaves.toggle('time')}
	isLarge={over.isLarge}
>
	{#snippet head()}
		{#if player.attempt && !bench.runs.isLive}
			<button
				class="button button-plain button-icon"
				aria-label={t('chart.nearer')}
				title={t('chart.nearer')}
				onclick={() => over.zoom(player.time, 1.6)}><ZoomIn size={18} /></button
			>
			<button
				class="button button-plain button-icon"
				aria-label={t('chart.farther')}
				title={t('chart.farther')}
				disabled={over.isWhole}
				onclick={() => over.zoom(player.time, 1 / 1.6)}><ZoomOut size={18} /></button
			>
			<button
				class="button button-plain button-icon"
				aria-label={t(over.isLarge ? 'chart.smaller' : 'chart.larger')}
				title={t(over.isLarge ? 'chart.smaller' : 'chart.larger')}
				aria-pressed={over.isLarge}
				onclick={() => (over.isLarge = !over.isLarge)}
				>{#if over.isLarge}<Minimize2 size={17} />{:else}<Maximize2 size={17} />{/if}</button
			>
		{/if}
	{/snippet}
	{#if !player.attempt}
		<p class="empty">{t('chart.none')}</p>
	{:else if bench.runs.isLive}
		<p class="empty">{t('chart.live')}</p>
	{:else}
		<div class="body" class:large={over.isLarge}>
			<div class="picture" bind:this={chart}>
				<TimeChart {over} {player} {ticks} {said} />
			</div>
			<dl aria-label={t('chart.figures')}>
				<dt class="moment">{moment}</dt>
				<dd></dd>
				{#each figures as { series, place, name, figure } (series.key)}
					<dt>
						<svg width="26" height="10" aria-hidden="true"
							><line
								x2="26"
								y1="5"
								y2="5"
								stroke={inks[place % inks.length]}
								stroke-dasharray={dashes[place % dashes.length]!.join(' ')}
							/></svg
						>{name}
					</dt>
					<dd data-series={series.key}>{figure}</dd>
				{/each}
				{#each tickKindsShown as kind (kind)}
					<dt>
						<svg width="26" height={tickSize} viewBox="-8 0 26 {tickSize}" aria-hidden="true"
							><path d={tickKinds[kind].shape} fill="var(--{tickKinds[kind].ink})" /></svg
						>{t(`chart.tick.${kind}`)}
					</dt>
					<dd></dd>
				{/each}
			</dl>
		</div>
		<div class="hands">
			<details>
				<summary>{t('chart.which')}</summary>
				{#each groups as group (group)}
					<fieldset>
						<legend>{t(`chart.group.${group}`)}</legend>
						{#each over.offered.filter((each) => each.group === group) as series (series.key)}
							{@const isChosen = over.chosen.includes(series)}
							<label>
								<input
									type="checkbox"
									checked={isChosen}
									disabled={!isChosen && over.isFull}
									onchange={() => over.toggle(series.key)}
								/>{nameOfSeries(series)}
							</label>
						{/each}
					</fieldset>
				{/each}
			</details>
			<label class="beside">
				{t('chart.beside')}
				<select class="field" bind:value={over.beside} onchange={() => void lookBeside()}>
					<option value="">{t('chart.beside.none')}</option>
					{#if bench.runs.previous}
						<option value="previous">{t('chart.beside.previous')}</option>
					{/if}
					{#each others as row (row.id)}<option value={row.id}>{rowWords(row)}</option>{/each}
				</select>
			</label>
			{#if over.other}
				<label class="beside">
					{t('chart.aligned')}
					<select class="field" bind:value={over.alignment}>
						<option value="run">{t('chart.aligned.run')}</option>
						{#each over.alignments as { stepId, number } (stepId)}
							<option value={stepId}>{t('chart.aligned.step', { number })}</option>
						{/each}
					</select>
				</label>
			{/if}
			<TimeFiles {bench} {chart} />
			<button
				class="button button-plain"
				aria-pressed={isTable}
				onclick={() => (isTable = !isTable)}>{t('chart.asTable')}</button
			>
			<span role="status">{news}</span>
		</div>
		{#if isTable}
			<TimeTable {over} {player} />
		{/if}
	{/if}
</Leaf>

<style>
	.empty {
		padding: 0 1rem 0.8rem;
		color: var(--ink-soft);
	}
	.body {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(9rem, 15rem);
		gap: 0.5rem;
		height: 11.5rem;
		padding: 0 0.75rem;
	}
	.large {
		height: 44dvh;
	}
	.picture {
		min-width: 0;
		background: var(--paper);
	}
	dl {
		display: grid;
		grid-template-columns: 1fr auto;
		align-content: start;
		gap: 0.1rem 0.6rem;
		overflow-y: auto;
		font-size: 0.85rem;
	}
	dt {
		color: var(--ink-soft);
	}
	.moment {
		color: var(--ink);
		font-weight: 650;
		font-variant-numeric: tabular-nums;
	}
	dt svg {
		display: inline-block;
		vertical-align: middle;
		margin-right: 0.4rem;
	}
	line {
		stroke-width: 2;
	}
	dd {
		font-weight: 600;
		text-align: right;
		font-variant-numeric: tabular-nums;
	}
	.hands {
		display: flex;
		flex-wrap: wrap;
		align-items: flex-start;
		gap: 0.3rem 1rem;
		padding: 0.3rem 1rem 0.5rem;
		font-size: 0.88rem;
	}
	summary {
		display: flex;
		align-items: center;
		min-height: 2.75rem;
		cursor: pointer;
		text-decoration: underline dotted;
		text-underline-offset: 3px;
	}
	details[open] {
		flex-basis: 100%;
	}
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1rem;
		margin-bottom: 0.3rem;
	}
	legend {
		color: var(--ink-soft);
		font-weight: 600;
	}
	fieldset label {
		display: inline-flex;
		align-items: center;
		gap: 0.35rem;
		min-height: 2rem;
	}
	.beside {
		display: inline-flex;
		align-items: center;
		gap: 0.4rem;
	}
	.beside select {
		width: auto;
		max-width: 14rem;
	}
	@media (max-width: 560px) {
		.body {
			grid-template-columns: minmax(0, 1fr);
			height: auto;
		}
		.picture {
			height: 11rem;
		}
		.large .picture {
			height: 48dvh;
		}
	}
</style>
