<script lang="ts">
	/** Attempts that lie over the one on the floor, told apart by their line and by a letter. Metres. */
	import type { Attempt } from '$core/simulation/attempt';
	import Trace from './Trace.svelte';

	let {
		laid,
		scale
	}: {
		laid: readonly { readonly id: string; readonly letter: string; readonly attempt: Attempt }[];
		/** Pixels a metre. */
		scale: number;
	} = $props();

	/** Metres from the end of a trace to its letter: past a robot that stands there. */
	const beside = 0.11;
	/** Radians from one letter to the next, where attempts end at one place. */
	const fan = 0.63;
	const first = 'A'.charCodeAt(0);

	const ends = $derived(
		laid.flatMap(({ id, letter, attempt }) => {
			const angle = 0.8 + (letter.charCodeAt(0) - first) * fan;
			return attempt.runs.map(({ id: robot, trace }) => ({
				key: `${id} ${robot}`,
				letter,
				x: trace.x.at(-1)!,
				y: trace.y.at(-1)!,
				dx: beside * scale * Math.cos(angle),
				dy: -beside * scale * Math.sin(angle)
			}));
		})
	);
</script>

{#each laid as { id, letter, attempt } (id)}
	{#each attempt.runs as run (run.id)}
		<Trace {run} {scale} index={letter.charCodeAt(0) - first + 1} isThin />
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
