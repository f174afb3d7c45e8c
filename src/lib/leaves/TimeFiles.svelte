<script lang="ts">
	/** An attempt as tables for spreadsheets, and its chart as a picture. */
	import './words';
	import { csvOf, csvStyles, type CsvStyle } from '$core/attempts/csv';
	import { rehearseIdeally } from '$lib/desk/rehearser';
	import { download } from '$lib/files/downloads';
	import { t } from '$lib/i18n';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import { saveFloor } from './floor-picture';
	import { csvTables, tableOf, type CsvTable } from './csv-tables';

	let {
		bench,
		chart
	}: {
		bench: Workbench;
		/** What the chart is drawn in. */
		chart: HTMLElement | undefined;
	} = $props();

	let table = $state<CsvTable>('series');
	let style = $state<CsvStyle>('comma');

	async function saveTable(): Promise<void> {
		const { attempt, run } = bench.player;
		const { made } = bench.runs;
		if (!attempt || !run) return;
		const isMeant = table === 'legs' && made !== null;
		const intended = isMeant ? await rehearseIdeally({ ...made, course: bench.course }) : null;
		const text = csvOf(tableOf[table](attempt, run, intended), style);
		// A spreadsheet takes the letters for what they are.
		const blob = new Blob(['\ufeff', text], { type: 'text/csv;charset=utf-8' });
		download(`${bench.plan.name}, ${t(`chart.table.${table}`)}`, 'csv', blob);
	}

	/** On paper as it is on the screen. */
	function savePicture(): void {
		const drawn = chart?.querySelector('canvas');
		if (!drawn) return;
		const { width, height } = drawn;
		const canvas = Object.assign(document.createElement('canvas'), { width, height });
		const context = canvas.getContext('2d')!;
		context.fillStyle = getComputedStyle(chart!).backgroundColor;
		context.fillRect(0, 0, width, height);
		context.drawImage(drawn, 0, 0);
		canvas.toBlob(
			(blob) => blob && download(`${bench.plan.name}, ${t('chart.title')}`, 'png', blob)
		);
	}
</script>

<details>
	<summary>{t('chart.save')}</summary>
	<div class="save">
		<label>
			{t('chart.saveWhat')}
			<select class="field" bind:value={table}>
				{#each csvTables as each (each)}<option value={each}>{t(`chart.table.${each}`)}</option
					>{/each}
			</select>
		</label>
		<label>
			{t('chart.saveHow')}
			<select class="field" bind:value={style}>
				{#each Object.keys(csvStyles) as each (each)}<option value={each}
						>{t(`chart.style.${each}`)}</option
					>{/each}
			</select>
		</label>
		<button class="button button-line" onclick={() => void saveTable()}
			>{t('chart.saveTable')}</button
		>
		<button class="button button-line" onclick={savePicture}>{t('chart.savePicture')}</button>
		<button class="button button-line" onclick={() => void saveFloor(bench)}
			>{t('chart.saveFloor')}</button
		>
	</div>
</details>

<style>
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
	.save {
		display: flex;
		flex-wrap: wrap;
		align-items: end;
		gap: 0.5rem;
	}
</style>
