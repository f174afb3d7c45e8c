<script lang="ts">
	/** Attempts that lie over the one on the floor, told apart by their line and by a letter. Metres. */
	import type { Attempt, RobotRun } from '$core/simulation/attempt';
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

	/** Metres from the end of a trace to its letter: past a robot that stands there. */
	const beside = 0.11;
	/** Radians from one letter to the next, where attempts end at one place. */
	const fan = 0.63;
	const first = 'A'.charCodeAt(0);

	/** Ways around, until it is where it was. */
	const around = 10;
	const endOf = ({ trace }: RobotRun) => ({ x: trace.x.at(-1)!, y: trace.y.at(-1)! });
	const standing = $derived(shown?.runs.map(endOf) ?? []);
	const ends = $derived(
		laid.flatMap(({ id, letter, attempt }) => {
			const from = letter.charCodeAt(0) - first;
			return attempt.runs.map((run) => {
				const { x, y } = endOf(run);
				const ways = Array.from({ length: around }, (_, turn) => 0.8 + (from + turn) * fan);
				const isFree = (angle: number) =>
					standing.every(
						(other) =>
							Math.hypot(
								x + beside * Math.cos(angle) - other.x,
								y + beside * Math.sin(angle) - other.y
							) > beside
					);
				const angle = ways.find(isFree) ?? ways[0]!;
				const [dx, dy] = [beside * scale * Math.cos(angle), -beside * scale * Math.sin(angle)];
				return { key: `${id} ${run.id}`, letter, x, y, dx, dy };
			});
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
