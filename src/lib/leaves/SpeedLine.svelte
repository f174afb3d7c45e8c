<script lang="ts">
	/** How fast a robot is by power: what was measured, and the line through it. */
	import { Chart, LinearScale, LineElement, PointElement, ScatterController } from 'chart.js';
	import { MediaQuery } from 'svelte/reactivity';
	import type { SpeedLine } from '$core/fitting/line';
	import { t } from '$lib/i18n';
	import { toShown, unitOf } from '$lib/words/format';
	import { inkOn } from './inks';

	let { line, ofTurn }: { line: SpeedLine; ofTurn: boolean } = $props();

	Chart.register(LinearScale, LineElement, PointElement, ScatterController);

	let canvas: HTMLCanvasElement;
	const isDark = new MediaQuery('prefers-color-scheme: dark');
	const shown = (speed: number) => toShown(ofTurn ? 'angle' : 'length', speed);
	const unit = $derived(unitOf(ofTurn ? 'angle' : 'length'));
	const percents = $derived(line.powers.map((power) => Math.round(power * 100)));
	const said = $derived(
		[
			t('measure.goes', {
				unit,
				speed: shown(line.slope * 0.5 + line.offset),
				least: percents[0]!,
				most: percents[1]!
			}),
			line.deadZone > 0.005 ? t('measure.deadZone', { percent: line.deadZone * 100 }) : '',
			line.scatter === null ? '' : t('measure.scatter', { unit, speed: shown(line.scatter) }),
			line.batteries
				? t('measure.batteries', {
						least: Math.round(line.batteries[0] * 100),
						most: Math.round(line.batteries[1] * 100)
					})
				: ''
		].join(' ')
	);
	let chart: Chart<'scatter'> | null = null;

	const inkOf = (value: string) => inkOn(canvas, value);

	$effect(() => {
		void isDark.current;
		const ink = inkOf('var(--ink-soft)');
		Chart.defaults.font.family = getComputedStyle(canvas).fontFamily;
		const way = [Math.min(line.deadZone, line.powers[0]), line.powers[1]].map((power) => ({
			x: power * 100,
			y: Math.max(0, shown(line.slope * power + line.offset))
		}));
		const data = {
			datasets: [
				{
					data: line.points.map(({ power, speed }) => ({ x: power * 100, y: shown(speed) })),
					backgroundColor: inkOf('var(--lamp)'),
					pointRadius: 5
				},
				{ data: way, showLine: true, pointRadius: 0, borderColor: inkOf('var(--verdigris)') }
			]
		};
		const axis = (text: string, max?: number) => ({
			beginAtZero: true,
			...(max && { max }),
			ticks: { color: ink },
			title: { display: true, text, color: ink }
		});
		const scales = {
			x: axis(t('measure.axis.power'), 100),
			y: axis(t('measure.axis.speed', { unit }))
		};
		chart?.destroy();
		chart = new Chart(canvas, {
			type: 'scatter',
			data,
			options: { animation: false, maintainAspectRatio: false, events: [], scales }
		});
	});
	$effect(() => () => chart?.destroy());
</script>

<p data-testid="speed-line">{said}</p>
<div role="img" aria-label={said}><canvas bind:this={canvas}></canvas></div>

<style>
	p {
		font-size: 0.9rem;
	}
	div {
		position: relative;
		max-width: 30rem;
		height: 9rem;
	}
</style>
