<script lang="ts">
	/**
	 * Figures over time, with the steps behind them and what happened below. A press or a pull picks the
	 * moment, the wheel and two fingers go nearer.
	 */
	import {
		Chart,
		LinearScale,
		LineController,
		LineElement,
		PointElement,
		type ChartDataset,
		type Plugin,
		type ScaleOptionsByType
	} from 'chart.js';
	import { MediaQuery } from 'svelte/reactivity';
	import type { SeriesUnit } from '$core/attempts/series';
	import { t } from '$lib/i18n';
	import { bandsOf } from '$lib/timeline/track';
	import type { Player } from '$lib/timeline/player.svelte';
	import type { OverTime } from '$lib/workbench/over-time.svelte';
	import { tickSize, type Tick } from './happened';
	import { dashes, inks } from './inks';
	import { axisTitle, nameOfSeries, scaleOf } from './scales';

	let {
		over,
		player,
		ticks,
		said
	}: {
		over: OverTime;
		player: Player;
		/** What happened. */
		ticks: readonly Tick[];
		/** The figures of the moment, in words. */
		said: string;
	} = $props();

	Chart.register(LinearScale, LineController, LineElement, PointElement);

	let canvas: HTMLCanvasElement;
	let width = $state(600);
	/** Pixels of the canvas between which time runs. */
	let area = $state.raw({ left: 0, right: 0, top: 0, bottom: 0 });
	let chart: Chart<'line'> | null = null;
	const isDark = new MediaQuery('prefers-color-scheme: dark');

	const units = $derived([...new Set(over.chosen.map(({ unit }) => unit))]);
	const cursor = $derived(
		area.left + ((player.time - over.from) / (over.to - over.from)) * (area.right - area.left)
	);
	const bands = $derived(
		player.attempt && player.run ? bandsOf(player.attempt, player.run, over.to - over.from) : []
	);

	let known: Record<string, string> = {};
	/** Any colour of the look, as a canvas takes it. */
	function inkOf(value: string): string {
		const ink = known[value];
		if (ink) return ink;
		canvas.style.color = value;
		return (known[value] = getComputedStyle(canvas).color);
	}
	$effect.pre(() => {
		void isDark.current;
		known = {};
	});

	/** Room for a number, pixels. */
	const least = 14;

	/** The steps, and what happened. */
	const behind: Plugin<'line'> = {
		id: 'behind',
		beforeDatasetsDraw({ ctx, chartArea: { left, right, top, bottom }, scales: { x } }) {
			if (!x) return;
			const at = (time: number) => Math.max(left, Math.min(right, x.getPixelForValue(time)));
			ctx.save();
			ctx.font = `600 12px ${Chart.defaults.font.family}`;
			ctx.textAlign = 'center';
			const [shade, soft] = [inkOf('var(--lamp-soft)'), inkOf('var(--ink-soft)')];
			bands.forEach(({ start, end, number }, index) => {
				const [begin, stop] = [at(start), at(end)];
				if (stop <= begin) return;
				ctx.fillStyle = shade;
				if (index % 2 === 0) ctx.fillRect(begin, top, stop - begin, bottom - top);
				ctx.fillStyle = soft;
				if (stop - begin > least) ctx.fillText(String(number), (begin + stop) / 2, top + 12);
			});
			for (const { time, ink, shape } of ticks) {
				if (time < over.from || time > over.to) continue;
				ctx.fillStyle = inkOf(`var(--${ink})`);
				ctx.translate(at(time) - tickSize / 2, bottom - tickSize);
				ctx.fill(new Path2D(shape));
				ctx.translate(tickSize / 2 - at(time), tickSize - bottom);
			}
			ctx.restore();
		},
		afterLayout: ({ chartArea: { left, right, top, bottom } }) => {
			area = { left, right, top, bottom };
		}
	};

	function axisOf(unit: SeriesUnit, place: number): Partial<ScaleOptionsByType<'linear'>> {
		const [ink, line] = [inkOf('var(--ink-soft)'), inkOf('var(--line)')];
		return {
			type: 'linear',
			position: place % 2 === 0 ? 'left' : 'right',
			title: { display: true, text: axisTitle(unit), color: ink },
			ticks: { color: ink, maxTicksLimit: 6, includeBounds: unit !== 'truth' },
			...(unit === 'truth' && { min: -0.1, max: 1.1 }),
			grid: { color: line, drawOnChartArea: place === 0 }
		} as unknown as Partial<ScaleOptionsByType<'linear'>>;
	}

	function datasets(): ChartDataset<'line'>[] {
		return over
			.lines(Math.max(100, Math.round(width)))
			.map(({ series, place, isOther, points }) => {
				const { factor } = scaleOf(series.unit);
				return {
					label: nameOfSeries(series),
					data: points.map(({ x, y }) => ({ x, y: y * factor })),
					yAxisID: series.unit,
					borderColor: inkOf(inks[place % inks.length]!),
					borderWidth: isOther ? 1 : 2,
					stepped: series.isStepped ? 'before' : false,
					borderDash: isOther ? [2, 3] : [...dashes[place % dashes.length]!],
					pointRadius: 0
				};
			});
	}

	$effect(() => {
		Chart.defaults.font.family = getComputedStyle(canvas).fontFamily;
		const made = new Chart(canvas, {
			type: 'line',
			data: { datasets: [] },
			plugins: [behind],
			options: {
				animation: false,
				parsing: false,
				normalized: true,
				spanGaps: false,
				maintainAspectRatio: false,
				events: []
			}
		});
		chart = made;
		return () => {
			chart = null;
			made.destroy();
		};
	});

	$effect(() => {
		void isDark.current;
		if (!chart) return;
		const [ink, line] = [inkOf('var(--ink-soft)'), inkOf('var(--line)')];
		chart.options.scales = {
			x: {
				type: 'linear',
				min: over.from,
				max: over.to,
				title: { display: true, text: t('chart.axis.time'), color: ink },
				ticks: { color: ink, maxRotation: 0, includeBounds: false },
				grid: { color: line }
			},
			...Object.fromEntries(units.map((unit, place) => [unit, axisOf(unit, place)]))
		};
		chart.data.datasets = datasets();
		void bands;
		void ticks;
		chart.update('none');
	});

	$effect(() => {
		if (player.isPlaying) over.follow(player.time);
	});

	const timeAt = (clientX: number): number => {
		const x = clientX - canvas.getBoundingClientRect().left;
		const part = (x - area.left) / (area.right - area.left);
		return over.from + Math.max(0, Math.min(1, part)) * (over.to - over.from);
	};

	function pick(event: PointerEvent) {
		player.pause();
		player.seek(timeAt(event.clientX));
	}

	/** Fingers, or the mouse, that are down: where each is. */
	const fingers: Record<number, number> = {};

	function onpointerdown(event: PointerEvent) {
		if (event.button !== 0) return;
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
		fingers[event.pointerId] = event.clientX;
		if (Object.keys(fingers).length === 1) pick(event);
	}

	function onpointermove(event: PointerEvent) {
		if (fingers[event.pointerId] === undefined) return;
		const before = Object.values(fingers);
		fingers[event.pointerId] = event.clientX;
		if (before.length === 1) return pick(event);
		const [a = 0, b = 0] = Object.values(fingers);
		const [wasA = 0, wasB = 0] = before;
		const apart = Math.max(20, Math.abs(wasA - wasB));
		over.zoom(timeAt((a + b) / 2), Math.max(20, Math.abs(a - b)) / apart);
		over.pan((wasA + wasB - a - b) / 2 / (area.right - area.left));
	}

	const onpointerup = ({ pointerId }: PointerEvent) => void delete fingers[pointerId];

	function onwheel(event: WheelEvent) {
		event.preventDefault();
		if (event.shiftKey || Math.abs(event.deltaX) > Math.abs(event.deltaY))
			return over.pan((event.deltaX || event.deltaY) / (area.right - area.left));
		over.zoom(timeAt(event.clientX), Math.exp(-event.deltaY / 300));
	}

	/** Parts of what is seen, for a key. */
	const stride = 0.01;
	const leap = 0.25;

	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		const way = { ArrowLeft: -1, ArrowRight: 1, PageDown: -10, PageUp: 10 }[event.key];
		if (way && event.shiftKey) over.pan(way * leap);
		else if (way) {
			player.pause();
			player.seek(player.time + way * stride * (over.to - over.from));
			over.follow(player.time);
		} else if (event.key === '+') over.zoom(player.time, 1.5);
		else if (event.key === '-') over.zoom(player.time, 1 / 1.5);
		else if (event.key === '0') over.showAll();
		else if (event.key === 'Home') player.seek(0);
		else if (event.key === 'End') player.seek(player.duration);
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<div
	class="chart"
	role="slider"
	tabindex="0"
	aria-label={t('chart.label')}
	aria-valuemin={0}
	aria-valuemax={player.duration}
	aria-valuenow={player.time}
	aria-valuetext={said}
	bind:clientWidth={width}
	{onpointerdown}
	{onpointermove}
	{onpointerup}
	onpointercancel={onpointerup}
	{@attach (node) => {
		node.addEventListener('wheel', onwheel, { passive: false });
		return () => node.removeEventListener('wheel', onwheel);
	}}
	{onkeydown}
>
	<canvas bind:this={canvas} aria-hidden="true"></canvas>
	{#if cursor >= area.left - 0.5 && cursor <= area.right + 0.5}
		<div
			class="now"
			style:left="{cursor}px"
			style:top="{area.top}px"
			style:height="{area.bottom - area.top}px"
		></div>
	{/if}
</div>

<style>
	.chart {
		position: relative;
		min-width: 0;
		height: 100%;
		cursor: col-resize;
		touch-action: pan-y;
		user-select: none;
	}
	.now {
		position: absolute;
		width: 2px;
		margin-left: -1px;
		background: var(--lamp-text);
		pointer-events: none;
	}
</style>
