<script lang="ts">
	/** Attempts that lie over the one on the floor, told apart by their line and by a letter. Metres. */
	import { numberOf, type Lettered, type lettersOf } from './letters';
	import Trace from './Trace.svelte';

	let {
		laid,
		letters,
		parting,
		scale
	}: {
		laid: readonly Lettered[];
		letters: ReturnType<typeof lettersOf>;
		/** Where the way of one parts from that on the floor. */
		parting: { readonly x: number; readonly y: number } | null | undefined;
		/** Pixels a metre. */
		scale: number;
	} = $props();
</script>

{#each laid as { id, letter, attempt } (id)}
	{#each attempt.runs as run (run.id)}
		<Trace {run} {scale} index={numberOf(letter) + 1} isThin />
	{/each}
{/each}
{#each letters as { key, letter, x, y, at } (key)}
	{@const [dx, dy] = [(at.x - x) * scale, (y - at.y) * scale]}
	<g transform="translate({x},{y}) scale({1 / scale},{-1 / scale})" data-testid="laid">
		<line x2={dx} y2={dy} />
		<circle cx={dx} cy={dy} r="10" />
		<text x={dx} y={dy + 4.5}>{letter}</text>
	</g>
{/each}

{#if parting}
	<circle class="parting" cx={parting.x} cy={parting.y} r={9 / scale} data-testid="parting" />
{/if}

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
	.parting {
		fill: none;
		stroke: var(--signal);
		stroke-width: 3px;
		vector-effect: non-scaling-stroke;
	}
</style>
