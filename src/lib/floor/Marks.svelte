<script lang="ts">
	/**
	 * What hands have marked on the real floor: the robot's outline where it stood, and a line to where
	 * it reckoned to be. While one is being measured, also the tapes. Metres.
	 */
	import { recordedAt, type Mark } from '$core/attempts/marks';
	import type { Point } from '$core/course/measure';
	import { pathThrough } from '$core/robots/drawing';
	import { robotKindOf } from '$core/robots/kinds';
	import type { Attempt } from '$core/simulation/attempt';
	import { degrees } from '$core/units/angles';

	let {
		marks,
		draft,
		points,
		tapes,
		attempt,
		scale
	}: {
		marks: readonly Mark[];
		/** One that is being measured. */
		draft: Mark | null;
		/** From which a tape can be laid, with their numbers. */
		points: readonly { readonly key: string; readonly number: number; readonly at: Point }[];
		/** That are laid, each as long as it is. */
		tapes: readonly { readonly at: Point; readonly length: number }[];
		attempt: Attempt;
		/** Pixels a metre. */
		scale: number;
	} = $props();

	/** Metres of the drawing of one whose place alone is known. */
	const dot = 0.02;

	const shown = $derived(
		[...marks, ...(draft ? [draft] : [])].flatMap((mark) => {
			const run = attempt.runs.find(({ id }) => id === mark.robot);
			const pose = run && recordedAt(attempt, run, mark.after);
			if (!run || !pose) return [];
			const outline = pathThrough(robotKindOf(run.robot.kind).outline);
			return [{ mark, pose, outline, at: mark.at ?? ([pose.x, pose.y] as const) }];
		})
	);
</script>

<g style:--pixel="{1 / scale}px">
	{#each tapes as { at, length }, index (index)}
		<circle class="tape" cx={at[0]} cy={at[1]} r={length} />
	{/each}
	{#each points as { key, number, at } (key)}
		<g transform="translate({at[0]},{at[1]}) scale({1 / scale},{-1 / scale})">
			<circle class="point" r="9" />
			<text y="4">{number}</text>
		</g>
	{/each}
	{#each shown as { mark, pose, outline, at }, index (index)}
		<path class="apart" d="M{pose.x} {pose.y}L{at.join(' ')}" />
		<g
			class="mark"
			class:draft={mark === draft}
			data-testid={mark === draft ? 'draft' : 'mark'}
			transform="translate({at.join()})"
		>
			{#if mark.heading !== null}
				<g transform="rotate({degrees(mark.heading)})">
					<path d={outline} />
					<path d="M0 0H0.07" />
				</g>
			{/if}
			<path d="M{-dot} 0H{dot}M0 {-dot}V{dot}" />
		</g>
	{/each}
</g>

<style>
	.mark path {
		fill: none;
		stroke: var(--ink);
		stroke-width: calc(2 * var(--pixel));
	}
	.draft path {
		stroke: var(--signal);
	}
	.apart {
		stroke: var(--ink);
		stroke-width: calc(1.2 * var(--pixel));
	}
	.tape {
		fill: none;
		stroke: var(--signal);
		stroke-width: calc(1.5 * var(--pixel));
		stroke-dasharray: calc(7 * var(--pixel)) calc(3 * var(--pixel));
	}
	.point {
		fill: var(--tag);
		stroke: var(--ink);
		stroke-width: 1.2;
	}
	text {
		fill: var(--ink);
		font-size: 11px;
		font-weight: 650;
		text-anchor: middle;
	}
</style>
