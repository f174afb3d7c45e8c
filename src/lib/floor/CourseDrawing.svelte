<script lang="ts">
	/** A course from above, in metres with y up: grid, rails, pads, finish, lamp posts, start, walls, gates, numbers. */
	import type { Course, Gate, PartName } from '$core/course/course';
	import { coverOf, kindOf, partNames, partsOf } from '$core/course/parts';
	import { placedNumbers, startMark } from '$core/course/signs';
	import type { RecordedPose } from '$core/simulation/attempt';
	import { floorColours } from '$core/colours';
	import { headingOfBearing, degrees } from '$core/units/angles';
	import FloorSheet from './FloorSheet.svelte';
	import Rails from './Rails.svelte';
	import { pathOf, shadowOf, tapePath, wallPaths } from './view';

	let {
		course,
		reached = new Set<string>(),
		crates,
		starts = course.starts,
		isSmall = false
	}: {
		course: Course;
		reached?: ReadonlySet<string>;
		/** Where crates are now; null for one that has fallen. */
		crates?: ReadonlyMap<string, RecordedPose | null> | undefined;
		/** Where robots stand at Run; the marks of the course, if nobody knows how many there are. */
		starts?: Course['starts'];
		isSmall?: boolean;
	} = $props();

	/** So many parts of a kind are drawn at once; of longer lists, as many more with each frame. */
	const atOnce = 10;
	let most = $state(atOnce);
	const longest = $derived.by(() => {
		const { patches, tapes, rails, pads, lampPosts, gates } = course;
		return Math.max(...[patches, tapes, rails, pads, lampPosts, gates].map((list) => list.length));
	});
	$effect(() => {
		if (most >= longest) return;
		const frame = requestAnimationFrame(() => (most += atOnce));
		return () => cancelAnimationFrame(frame);
	});

	/** Several courses may be drawn on one page. */
	const id = $props.id();
	const placed = ({ at, bearing }: Pick<Gate, 'at' | 'bearing'>) =>
		`translate(${at.join()}) rotate(${degrees(headingOfBearing(bearing))})`;
	/** Kinds that are drawn below; any other by what it covers. */
	const drawn: readonly PartName[] = [
		...(['surfaces', 'patches', 'tapes', 'rails', 'pads', 'finish', 'lampPosts'] as const),
		...(['gates', 'walls', 'crates', 'starts', 'table'] as const)
	];
	const others = $derived(
		partNames
			.filter((part) => !drawn.includes(part))
			.flatMap((part) =>
				partsOf(course, part).map((value) => ({ ...coverOf(part, value), ...kindOf(part).ink }))
			)
	);
	const walls = $derived(wallPaths(course.walls));
	const shadows = $derived(walls.filter(({ height }) => height));
	const placedCrates = $derived(
		course.crates.flatMap((crate) => {
			const [x, y] = crate.at;
			const start = { x, y, heading: headingOfBearing(crate.bearing) };
			const pose = crates?.has(crate.id) ? crates.get(crate.id) : start;
			return pose ? [{ ...crate, pose }] : [];
		})
	);
</script>

<FloorSheet {course} {id} {isSmall} />

{#each course.patches.slice(0, most) as patch (patch.id)}
	<polygon class="patch" points={pathOf(patch.corners)} fill={floorColours[patch.colour]} />
{/each}
{#each course.tapes.slice(0, most) as tape (tape.id)}
	<path
		class="tape"
		d={tapePath(tape)}
		stroke={floorColours[tape.colour]}
		stroke-width={tape.width}
	/>
{/each}

{#if course.table}
	<polygon class="edge" points={pathOf(course.table)} />
{/if}

<Rails rails={course.rails.slice(0, most)} />

{#each course.pads.slice(0, most) as pad (pad.id)}
	<g transform="translate({pad.at.join()}) scale({pad.radius})" class="pad">
		<circle r="1" />
		<path d="M-.45 0 0-.45.45 0 0 .45z" />
	</g>
{/each}

{#if course.finish}
	<g transform="translate({course.finish.at.join()})">
		<circle class="finish-area" r={course.finish.radius} />
		<circle class="finish" r={course.finish.radius} />
		<circle class="finish-inner" r={Math.max(0.01, course.finish.radius - 0.022)} />
	</g>
{/if}

{#each course.lampPosts.slice(0, most) as post (post.id)}
	{@const isLit = reached.has(post.id)}
	<g transform="translate({post.at.join()})" class="post" class:lit={isLit}>
		<circle class="reach" r={post.reach} />
		{#if isLit}<circle class="halo" r="0.055" />{/if}
		<path class="stand" d="M0 .03 .026 0 0-.03-.026 0z" />
		{#if isLit}<circle class="flame" r="0.012" />{/if}
	</g>
{/each}

{#each others as { line, half, isFilled, colour, fill }, index (index)}
	{@const ink = { fill: isFilled ? (fill ?? 'none') : 'none', stroke: colour }}
	{#if line.length === 1}
		<circle transform="translate({line[0]!.join()})" r={half} {...ink} stroke-width="0.006" />
	{:else}
		<polyline points={pathOf(line)} {...ink} stroke-width={2 * half || 0.006} />
	{/if}
{/each}

{#each starts as start, index (index)}
	<g transform={placed(start)} class="start">
		<polygon points={pathOf(startMark)} />
		<path class="arrow" d="M.045-.03.075 0 .045.03" />
	</g>
{/each}

{#snippet gateLine({ width }: Gate)}
	<path d="M0 {-width / 2}V{width / 2}" />
{/snippet}

<g class="shadows" clip-path="url(#{id}-floor)">
	{#each shadows as { d, thickness, height }, index (index)}
		<path {d} stroke-width={thickness} transform="translate({shadowOf(height!).join()})" />
	{/each}
	{#each course.gates.slice(0, most) as gate (gate.id)}
		<g transform="translate({shadowOf(gate.height).join()}) {placed(gate)}">
			{@render gateLine(gate)}
		</g>
	{/each}
</g>

<g class="walls">
	{#each walls as { d, thickness }, index (index)}<path {d} stroke-width={thickness} />{/each}
</g>

{#each placedCrates as { id, pose, width, depth } (id)}
	<g transform="translate({pose.x},{pose.y}) rotate({degrees(pose.heading)})" class="crate">
		<rect x={-depth / 2} y={-width / 2} width={depth} height={width} rx="0.006" />
		<path
			d="M{-depth / 2} {-width / 2}L{depth / 2} {width / 2}M{-depth / 2} {width / 2}L{depth /
				2} {-width / 2}"
		/>
	</g>
{/each}

{#each course.gates.slice(0, most) as gate (gate.id)}
	{@const half = gate.width / 2}
	<g class="gate" class:lit={reached.has(gate.id)} transform={placed(gate)}>
		{@render gateLine(gate)}
		{#if gate.shape === 'ring'}
			<circle cy={-half} r="0.028" />
			<circle cy={half} r="0.028" />
		{:else}
			<path d="M-.03 {-half}h.06M-.03 {half}h.06" />
		{/if}
		<path class="way" d="M-.05-.03l-.03.03.03.03M.05-.03l.03.03-.03.03" />
	</g>
{/each}

{#if !isSmall}
	{#each placedNumbers(course, starts) as { count, at: [x, y] }, index (index)}
		<text class="number" transform="translate({x},{y}) scale(.0035,-.0035)">{count}</text>
	{/each}
{/if}

<style>
	.edge {
		fill: none;
		stroke: var(--signal);
		stroke-width: 0.008;
		stroke-dasharray: 0.03 0.02;
	}
	.patch {
		opacity: 0.75;
	}
	.tape {
		fill: none;
		stroke-linejoin: round;
	}
	.crate rect {
		fill: light-dark(oklch(0.83 0.06 75), oklch(0.5 0.055 70));
		stroke: light-dark(oklch(0.45 0.06 60), oklch(0.75 0.05 75));
		stroke-width: 0.006;
	}
	.crate path {
		stroke: light-dark(oklch(0.6 0.06 65), oklch(0.65 0.05 70));
		stroke-width: 0.004;
	}
	.number {
		fill: var(--ink-soft);
		font-size: 18px;
		font-weight: 600;
		text-anchor: middle;
		dominant-baseline: central;
		stroke: var(--chart);
		stroke-width: 5px;
		paint-order: stroke;
	}
	.finish-area {
		fill: color-mix(in oklch, var(--verdigris) 14%, transparent);
	}
	.finish,
	.finish-inner {
		fill: none;
		stroke: var(--verdigris);
		stroke-width: 0.009;
	}
	.finish-inner {
		stroke-width: 0.004;
		stroke-dasharray: 0.02 0.014;
	}
	.reach {
		fill: none;
		stroke: var(--mist);
		stroke-width: 0.003;
		stroke-dasharray: 0.012 0.012;
	}
	.stand {
		fill: var(--chart);
		stroke: var(--mist);
		stroke-width: 0.007;
		stroke-linejoin: round;
	}
	.lit .reach {
		stroke: var(--lamp);
		fill: color-mix(in oklch, var(--lamp) 16%, transparent);
	}
	.lit .stand {
		fill: var(--lamp);
		stroke: var(--lamp-text);
	}
	.halo {
		fill: color-mix(in oklch, var(--lamp) 45%, transparent);
	}
	.flame {
		fill: oklch(0.98 0.05 95);
	}
	.start {
		fill: color-mix(in oklch, var(--ink) 6%, transparent);
		stroke: var(--mist);
		stroke-width: 0.005;
		stroke-linejoin: round;
		stroke-dasharray: 0.018 0.012;
	}
	.start .arrow {
		fill: none;
		stroke-dasharray: none;
		stroke-width: 0.007;
	}
	.pad circle {
		fill: color-mix(in oklch, var(--ink) 7%, transparent);
		stroke: var(--ink-soft);
		stroke-width: 0.05;
	}
	.pad path {
		fill: none;
		stroke: var(--ink-soft);
		stroke-width: 0.08;
	}
	.gate {
		fill: var(--chart);
		stroke: var(--mist);
		stroke-width: 0.016;
		stroke-linecap: round;
	}
	.gate.lit {
		fill: var(--lamp);
		stroke: var(--lamp-text);
	}
	.gate .way {
		fill: none;
		stroke-width: 0.007;
	}
	.shadows {
		stroke: light-dark(oklch(0.3 0.03 258 / 0.22), oklch(0.05 0.02 258 / 0.6));
	}
	.shadows g path {
		stroke-width: 0.014;
	}
	.walls {
		stroke: var(--wall);
		stroke-linecap: square;
	}
</style>
