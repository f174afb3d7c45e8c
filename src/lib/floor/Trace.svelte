<script lang="ts">
	/** The path of a robot in an attempt, up to a sample. */
	import type { RobotRun } from '$core/simulation/attempt';
	import { wayCorners } from './way';

	let {
		run,
		index = 0,
		until = Infinity,
		isBefore = false,
		isReckoned = false,
		isIntended = false,
		isThin = false,
		scale
	}: {
		run: RobotRun;
		/** Which of the robots it is: each has a line of its own. */
		index?: number;
		/** Index of the last sample to draw. */
		until?: number;
		isBefore?: boolean;
		/** The robot itself said so; nobody saw it. */
		isReckoned?: boolean;
		/** Nobody went there: an ideal robot would have. */
		isIntended?: boolean;
		/** It lies over another one. */
		isThin?: boolean;
		/** Pixels a metre, so that the line keeps its width. */
		scale: number;
	} = $props();

	const points = $derived(
		wayCorners(run.trace).map(({ index, x, y }) => ({
			index,
			text: `${x.toFixed(4)},${y.toFixed(4)}`
		}))
	);
	const line = $derived.by(() => {
		const shown = points.filter((point) => point.index <= until).map((point) => point.text);
		const { x, y } = run.trace;
		const last = Math.min(until, x.length - 1);
		return [...shown, `${x[last]!.toFixed(4)},${y[last]!.toFixed(4)}`].join(' ');
	});

	/** Lines that can be told apart without colour. */
	const lineKinds = 4;

	const pixel = $derived(1 / scale);
</script>

<polyline
	class="trace"
	class:before={isBefore}
	class:reckoned={isReckoned}
	class:intended={isIntended}
	style:--dot="{pixel}px"
	data-line={isBefore || isIntended ? undefined : index % lineKinds}
	points={line}
	stroke-width={(isIntended ? 1.2 : isBefore || isThin ? 2 : 3) * pixel}
/>

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
	.trace.reckoned,
	.trace.reckoned[data-line] {
		stroke-dasharray: calc(0.1 * var(--dot)) calc(7 * var(--dot));
	}
	.intended {
		stroke: var(--ink-soft);
		stroke-dasharray: calc(6 * var(--dot)) calc(4 * var(--dot));
		stroke-linecap: butt;
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
</style>
