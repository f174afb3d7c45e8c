<script lang="ts">
	/** How long the rehearsals of a spread took: those that arrived, and the others on top of them. */
	import { BarController, BarElement, CategoryScale, Chart, LinearScale } from 'chart.js';
	import { MediaQuery } from 'svelte/reactivity';
	import type { TrialSummary } from '$core/simulation/attempt';
	import { secondsOf } from '$core/analysis/seconds';
	import { t } from '$lib/i18n';
	import { inkOn } from './inks';

	let { trials }: { trials: readonly TrialSummary[] } = $props();

	Chart.register(BarController, BarElement, CategoryScale, LinearScale);

	let canvas: HTMLCanvasElement;
	const isDark = new MediaQuery('prefers-color-scheme: dark');
	const bins = $derived(secondsOf(trials));
	const said = $derived(
		bins.length > 0 ? t('spread.secondsSaid', { least: bins[0]!.from, most: bins.at(-1)!.to }) : ''
	);
	let chart: Chart<'bar'> | null = null;

	const inkOf = (value: string) => inkOn(canvas, value);

	$effect(() => {
		void isDark.current;
		const ink = inkOf('var(--ink-soft)');
		Chart.defaults.font.family = getComputedStyle(canvas).fontFamily;
		const data = {
			labels: bins.map(({ from }) => String(Number(from.toFixed(2)))),
			datasets: [
				{ data: bins.map(({ arrived }) => arrived), backgroundColor: inkOf('var(--verdigris)') },
				{ data: bins.map(({ others }) => others), backgroundColor: inkOf('var(--mist)') }
			]
		};
		const x = {
			stacked: true,
			ticks: { color: ink, maxRotation: 0 },
			title: { display: true, text: t('spread.seconds'), color: ink },
			grid: { display: false }
		};
		const y = { stacked: true, beginAtZero: true, ticks: { color: ink, precision: 0 } };
		if (chart) {
			chart.data = data;
			chart.options.scales = { x, y };
			chart.update();
			return;
		}
		chart = new Chart(canvas, {
			type: 'bar',
			data,
			options: { animation: false, maintainAspectRatio: false, events: [], scales: { x, y } }
		});
	});
	$effect(() => () => {
		chart?.destroy();
		chart = null;
	});
</script>

<div role="img" aria-label={said}><canvas bind:this={canvas}></canvas></div>

<style>
	div {
		position: relative;
		height: 9rem;
		padding: 0 1rem;
	}
</style>
