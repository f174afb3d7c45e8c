<script lang="ts">
	/** The chosen figures where steps began, and at the end. */
	import './words';
	import { valueAt } from '$core/attempts/series';
	import { legsOf } from '$core/simulation/attempt';
	import { t } from '$lib/i18n';
	import type { Player } from '$lib/timeline/player.svelte';
	import type { OverTime } from '$lib/workbench/over-time.svelte';
	import { figureWords, nameOfSeries } from './scales';

	let { over, player }: { over: OverTime; player: Player } = $props();

	/** Rows of steps at the most. */
	const mostRows = 200;
	const moments = $derived.by(() => {
		const { attempt, run } = player;
		if (!attempt || !run) return [];
		const begun = legsOf(attempt, run).map(({ start, number }) => ({ time: start, number }));
		return [...begun.slice(0, mostRows), { time: attempt.outcome.seconds, number: null }];
	});
</script>

<div class="scroll">
	<table>
		<thead>
			<tr>
				<th scope="col">{t('chart.when')}</th>
				{#each over.chosen as series (series.key)}<th scope="col">{nameOfSeries(series)}</th>{/each}
			</tr>
		</thead>
		<tbody>
			{#each moments as { time, number }, index (index)}
				<tr>
					<th scope="row">
						<button
							onclick={() => {
								player.pause();
								player.seek(time);
							}}
							>{t('trail.took', { seconds: time })}, {number === null
								? t('chart.atEnd')
								: t('chart.begins', { number })}</button
						>
					</th>
					{#each over.chosen as series (series.key)}
						<td>{figureWords(series.unit, valueAt(series, time))}</td>
					{/each}
				</tr>
			{/each}
		</tbody>
	</table>
</div>

<style>
	.scroll {
		overflow-x: auto;
		padding: 0 0.75rem 0.6rem;
	}
	table {
		border-collapse: collapse;
		font-size: 0.88rem;
	}
	th,
	td {
		padding: 0.1rem 0.7rem 0.1rem 0;
		border-top: 1px solid var(--line);
		font-weight: 400;
		text-align: left;
		font-variant-numeric: tabular-nums;
	}
	thead th {
		border: 0;
		color: var(--ink-soft);
	}
	th button {
		min-height: 2rem;
		text-decoration: underline dotted;
		text-underline-offset: 3px;
		cursor: pointer;
	}
</style>
