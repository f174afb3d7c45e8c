<script lang="ts">
	/** Where legs of an attempt ended, with their numbers, and what the robot bumped into. */
	import type { Attempt } from '$core/simulation/attempt';
	import { movingLegs } from '$lib/timeline/progress';
	import { robotKindOf } from '$core/robots/kinds';
	import { radiusOf } from '$core/world/pose';
	import { placeLabels } from './labels';
	import type { lettersOf } from './letters';

	let {
		attempt,
		time,
		scale,
		letters = [],
		onleg
	}: {
		attempt: Attempt;
		/** Only what has happened by then. */
		time: number;
		/** Pixels a metre, so that numbers keep their size. */
		scale: number;
		/** Of attempts that lie over this one, in metres: no number lies on them. */
		letters?: ReturnType<typeof lettersOf>;
		onleg: (stepId: string) => void;
	} = $props();

	/** Pixels. */
	const letterRadius = 12;
	const pixel = $derived(1 / scale);
	const legs = $derived(attempt.runs.flatMap(({ id }) => movingLegs(attempt, id)));
	/** When the latest of those that have ended did: labels are placed anew only when another one ends. */
	const latest = $derived(
		legs.reduce((latest, { end }) => (end <= time ? Math.max(latest, end) : latest), -1)
	);
	/** Where each robot stood then. */
	const standing = $derived(
		attempt.runs.flatMap(({ id, robot }) => {
			const last = legs.filter((leg) => leg.robot === id && leg.end <= latest).at(-1);
			if (!last) return [];
			const radius = (radiusOf(robotKindOf(robot.kind).outline) + 0.01) * scale;
			return [{ x: last.to.x * scale, y: -last.to.y * scale, radius }];
		})
	);
	const labels = $derived(
		placeLabels(
			legs
				.filter(({ end }) => end <= latest)
				.map(({ to, number, stepId }) => ({
					x: to.x * scale,
					y: -to.y * scale,
					number,
					stepId
				})),
			[
				...standing,
				...letters.map(({ at }) => ({ x: at.x * scale, y: -at.y * scale, radius: letterRadius }))
			]
		)
	);
	const bumps = $derived(
		attempt.runs.flatMap((run) => run.bumps.filter((bump) => bump.time <= time))
	);
</script>

{#each bumps as bump, index (index)}
	<g transform="translate({bump.x},{bump.y}) scale({pixel})" class="bump">
		<circle r="17" />
		<path d="M-5-5 5 5M5-5-5 5" />
	</g>
{/each}
<g transform="scale({pixel},{-pixel})">
	{#each labels as { x, y, text, width, stepId, at }, index (index)}
		<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
		<g class="leg-end" transform="translate({x},{y})" onclick={() => onleg(stepId)}>
			<circle class="dot" r="4" />
			{#if at}
				{#if Math.abs(at.x) - width / 2 > 6 || Math.abs(at.y) > 20}
					<line class="to" x2={at.x} y2={at.y} />
				{/if}
				<rect x={at.x - width / 2} y={at.y - 10} {width} height="20" rx="10" />
				<text x={at.x} y={at.y + 4.5}>{text}</text>
			{/if}
		</g>
	{/each}
</g>

<style>
	.dot {
		fill: var(--tag);
		stroke: var(--trace);
		stroke-width: 2.5;
	}
	.to {
		stroke: var(--trace);
		stroke-width: 1.2;
		stroke-dasharray: 2 2;
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
