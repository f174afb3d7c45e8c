<script lang="ts">
	/** Attempts that lie over the one on the floor, told apart by their line and by a letter. Metres. */
	import type { Attempt, RobotRun } from '$core/simulation/attempt';
	import { placeLetters } from './letters';
	import Trace from './Trace.svelte';

	let {
		laid,
		shown,
		scale
	}: {
		laid: readonly { readonly id: string; readonly letter: string; readonly attempt: Attempt }[];
		/** The one that they lie over: where its robots end, no letter does. */
		shown: Attempt | null;
		/** Pixels a metre. */
		scale: number;
	} = $props();

	const first = 'A'.charCodeAt(0);
	const numberOf = (letter: string): number => letter.charCodeAt(0) - first;
	const endOf = ({ trace }: RobotRun) => ({ x: trace.x.at(-1)!, y: trace.y.at(-1)! });
	const standing = $derived(shown?.runs.map(endOf) ?? []);
	const ends = $derived.by(() => {
		const all = laid.flatMap(({ id, letter, attempt }) =>
			attempt.runs.map((run) => ({ key: `${id} ${run.id}`, letter, ...endOf(run) }))
		);
		const numbered = all.map(({ letter, x, y }) => ({ letter: numberOf(letter), x, y }));
		const ways = placeLetters(numbered, standing, scale);
		return all.map((end, i) => ({ ...end, dx: ways[i]!.x * scale, dy: -ways[i]!.y * scale }));
	});
</script>

{#each laid as { id, letter, attempt } (id)}
	{#each attempt.runs as run (run.id)}
		<Trace {run} {scale} index={numberOf(letter) + 1} isThin />
	{/each}
{/each}
{#each ends as { key, letter, x, y, dx, dy } (key)}
	<g transform="translate({x},{y}) scale({1 / scale},{-1 / scale})" data-testid="laid">
		<line x2={dx} y2={dy} />
		<circle cx={dx} cy={dy} r="10" />
		<text x={dx} y={dy + 4.5}>{letter}</text>
	</g>
{/each}

<style>
	line {
		stroke: var(--trace);
		stroke-width: 1.2;
		stroke-dasharray: 2 2;
	}
	circle {
		fill: var(--tag);
		stroke: var(--trace);
		stroke-width: 1.5;
	}
	text {
		fill: var(--ink);
		font-size: 12px;
		font-weight: 700;
		text-anchor: middle;
	}
</style>
