<script lang="ts">
	/** The path of an attempt, up to a sample; numbered leg ends and bumps for the newest one. */
	import type { Attempt, RobotRun } from '$core/simulation/attempt';
	import { movingLegs } from '$lib/timeline/progress';

	let {
		attempt,
		run,
		index = 0,
		until = Infinity,
		time = Infinity,
		isBefore = false,
		scale,
		onleg
	}: {
		attempt: Attempt;
		run: RobotRun;
		/** Which of the robots it is: each has a line of its own. */
		index?: number;
		/** Index of the last sample to draw. */
		until?: number;
		time?: number;
		isBefore?: boolean;
		/** Pixels a metre, so that numbers keep their size. */
		scale: number;
		onleg?: (stepId: string) => void;
	} = $props();

	/** Millimetres of way for one point of the drawn line. */
	const spacing = 0.004;

	/** Points far enough apart to be seen, with the sample each came from. */
	const points = $derived.by(() => {
		const { x, y } = run.trace;
		const kept: { index: number; text: string }[] = [];
		let lastX = Infinity;
		let lastY = Infinity;
		for (let index = 0; index < x.length; index++) {
			const far = Math.hypot(x[index]! - lastX, y[index]! - lastY) >= spacing;
			if (!far && index < x.length - 1) continue;
			lastX = x[index]!;
			lastY = y[index]!;
			kept.push({ index, text: `${lastX.toFixed(4)},${lastY.toFixed(4)}` });
		}
		return kept;
	});
	const line = $derived.by(() => {
		const shown = points.filter((point) => point.index <= until).map((point) => point.text);
		const { x, y } = run.trace;
		const last = Math.min(until, x.length - 1);
		return [...shown, `${x[last]!.toFixed(4)},${y[last]!.toFixed(4)}`].join(' ');
	});

	interface Label {
		x: number;
		y: number;
		numbers: number[];
		stepId: string;
		/** Its numbers would lie on those of another one. */
		isCrowded: boolean;
	}

	/** Lines that can be told apart without colour. */
	const lineKinds = 4;

	/** Pixels between labels whose numbers are both shown. */
	const roomy = 46;

	/** Ends of legs; those at the same spot share a label. */
	const labels = $derived.by(() => {
		if (isBefore) return [];
		const groups: Label[] = [];
		for (const leg of movingLegs(attempt, run.id)) {
			if (leg.end > time) continue;
			const near = groups.find(({ x, y }) => Math.hypot(leg.to.x - x, leg.to.y - y) < 14 / scale);
			if (!near) {
				const { x, y } = leg.to;
				const isCrowded = groups.some(
					(other) => !other.isCrowded && Math.hypot(other.x - x, other.y - y) < roomy / scale
				);
				groups.push({ x, y, numbers: [leg.number], stepId: leg.stepId, isCrowded });
			} else if (!near.numbers.includes(leg.number)) near.numbers.push(leg.number);
		}
		return groups;
	});
	const bumps = $derived(isBefore ? [] : run.bumps.filter((bump) => bump.time <= time));
	const pixel = $derived(1 / scale);
</script>

<polyline
	class="trace"
	class:before={isBefore}
	data-line={isBefore ? undefined : index % lineKinds}
	points={line}
	stroke-width={(isBefore ? 2 : 3) * pixel}
/>

{#each bumps as bump (bump.time)}
	<g transform="translate({bump.x},{bump.y}) scale({pixel})" class="bump">
		<circle r="17" />
		<path d="M-5-5 5 5M5-5-5 5" />
	</g>
{/each}

{#each labels as { x, y, numbers, stepId, isCrowded } (stepId + x + y)}
	{@const text = numbers.join(' · ')}
	<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
	<g
		class="leg-end"
		transform="translate({x},{y}) scale({pixel},{-pixel})"
		onclick={() => onleg?.(stepId)}
	>
		<circle class="dot" r="4" />
		{#if !isCrowded}
			<g transform="translate(14,-14)">
				<rect
					x={-6 - text.length * 3.6}
					y="-10"
					width={12 + text.length * 7.2}
					height="20"
					rx="10"
				/>
				<text y="4.500">{text}</text>
			</g>
		{/if}
	</g>
{/each}

<style>
	.trace {
		fill: none;
		stroke: var(--trace);
		stroke-linejoin: round;
		stroke-linecap: round;
	}
	.before {
		stroke: var(--trace-before);
		stroke-dasharray: 0.012 0.01;
	}
	.trace[data-line='1'] {
		stroke: var(--trace-second);
		stroke-dasharray: 0.03 0.014;
	}
	.trace[data-line='2'] {
		stroke: var(--trace-third);
		stroke-dasharray: 0.004 0.014;
	}
	.trace[data-line='3'] {
		stroke: var(--trace-fourth);
		stroke-dasharray: 0.03 0.014 0.004 0.014;
	}
	.dot {
		fill: var(--tag);
		stroke: var(--trace);
		stroke-width: 2.5;
	}
	.leg-end {
		cursor: pointer;
	}
	.leg-end rect {
		fill: var(--tag);
		stroke: var(--trace);
		stroke-width: 1.2;
	}
	.leg-end text {
		fill: var(--ink);
		font-size: 12px;
		font-weight: 650;
		text-anchor: middle;
		font-variant-numeric: tabular-nums;
	}
	.bump circle {
		fill: color-mix(in oklch, var(--signal) 18%, transparent);
		stroke: var(--signal);
		stroke-width: 1.5;
		stroke-dasharray: 3 3;
	}
	.bump path {
		stroke: var(--signal);
		stroke-width: 2.5;
		stroke-linecap: round;
	}
</style>
