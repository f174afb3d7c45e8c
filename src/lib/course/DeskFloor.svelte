<script lang="ts">
	/** The floor of a course desk: what lies there is pointed at, pulled and laid. */
	import { untrack, type Snippet } from 'svelte';
	import type { CourseEdit } from '$core/course/editing/edits';
	import { extentOf } from '$core/course/extent';
	import { keyOf, kindOf } from '$core/course/parts';
	import type { Laid } from '$core/course/editing/lay';
	import { bearingTo, lengthAlong, lengthTo, turnAt, type Point } from '$core/course/measure';
	import { t } from '$lib/i18n';
	import CourseDrawing from '$lib/floor/CourseDrawing.svelte';
	import FloorPane from '$lib/floor/FloorPane.svelte';
	import { FloorWindow } from '$lib/floor/floor-window.svelte';
	import { fit } from '$lib/floor/view';
	import { showNumber } from '$lib/words/format';
	import { measuresNow } from '$lib/words/measures';
	import type { CourseBench } from './course-bench.svelte';
	import { DeskHand, handleSize } from './desk-hand.svelte';
	import Loupe from './Loupe.svelte';
	import type { Part } from '$core/course/course';

	let {
		bench,
		preview,
		children
	}: {
		bench: CourseBench;
		/** What is typed and not laid yet. */
		preview: Laid | undefined;
		/** What else is drawn there, by pixels a metre. */
		children?: Snippet<[number]>;
	} = $props();

	/** Pixels below the course for the scale and the buttons: nothing may lie under them. */
	const toolsHeight = 52;
	let width = $state(800);
	let height = $state(500);
	const course = $derived(bench.course);
	const { tool, laying } = $derived(bench);

	/** Wheel, middle button and two fingers move the window; one finger lays. */
	const view = new FloorWindow(
		() => fit(course, width, height - toolsHeight),
		(event) =>
			event.type === 'wheel' ||
			(event instanceof MouseEvent && event.button === 1) ||
			('touches' in event && event.touches.length > 1)
	);
	const { x, y, scale } = $derived(view);
	$effect(() => {
		bench.scale = scale;
	});

	const hand = new DeskHand(
		untrack(() => bench),
		view
	);
	const { hold, meant, points } = $derived(hand);
	const pixel = $derived(1 / scale);

	/** Where the line goes that is being laid, and what it says of itself. */
	const rubber = $derived.by(() => {
		const to = hold || !bench.isByKey ? meant : bench.cursor;
		if (tool === 'select' || !to) return null;
		const from = laying.last ?? (hold?.type === 'lay' ? hold.from : undefined);
		if (!from || lengthTo(from, to) < 1e-6) return null;
		const isRectangle =
			tool !== 'measure' && kindOf(tool).laying === 'area' && laying.corners.length === 0;
		return { from, to, isRectangle };
	});
	const say = (from: Point, to: Point) =>
		`${showNumber('length', lengthTo(from, to))}  ${Math.round(bearingTo(from, to))}°`;
	/** The angle at each inner place of what is measured, degrees. */
	const measured = $derived(
		laying.measured.slice(1).map((to, i) => {
			const from = laying.measured[i]!;
			const turned = i > 0 ? turnAt(laying.measured, i) : null;
			return {
				from,
				to,
				text: turned !== null ? `${say(from, to)}  ∠ ${Math.round(turned)}°` : say(from, to)
			};
		})
	);
	const editsOf = (edit: CourseEdit): readonly CourseEdit[] =>
		edit.type === 'together' ? edit.edits : [edit];
	/** The lines of what is typed and not laid yet. */
	const previewed = $derived(
		preview
			? editsOf(preview.edit).flatMap((edit) =>
					edit.type === 'add' || edit.type === 'change'
						? [kindOf(edit.part).extent(edit.value as Part).line]
						: []
				)
			: []
	);
	const path = (line: readonly Point[]) => line.map((point) => point.join()).join(' ');
	const outlines = $derived(
		bench.selection.map((ref) => ({ key: keyOf(ref), ...extentOf(course, ref)! }))
	);
</script>

{#snippet label(at: Point, text: string)}
	<g transform="translate({at.join()}) scale({pixel},{-pixel})">
		<text class="label" y="-12">{text}</text>
	</g>
{/snippet}

<FloorPane
	label={t('course.floor', { course: course.name })}
	{view}
	bind:width
	bind:height
	sceneId="desk-scene"
	cursor={tool === 'select' ? 'default' : 'crosshair'}
	role="application"
	aria-label="{t('course.floor', { course: course.name })}. {t('course.floorHelp', {
		usual: showNumber('length', measuresNow().snap),
		fine: showNumber('length', measuresNow().fine)
	})}"
	data-testid="desk-floor"
	onkeydown={hand.key}
	onpointerdown={hand.down}
	onpointermove={hand.go}
	onpointerup={hand.up}
	onpointercancel={hand.letGo}
	onpointerleave={hand.leave}
>
	<CourseDrawing {course} />
	{@render children?.(scale)}
	{#each outlines as { key, line, half, isFilled } (key)}
		{#if line.length === 1}
			<circle
				class="chosen"
				cx={line[0]![0]}
				cy={line[0]![1]}
				r={half + 4 * pixel}
				stroke-width={2 * pixel}
			/>
		{:else}
			<polyline
				class="chosen glow"
				points={path(line)}
				stroke-width={2 * half + (isFilled ? 3 : 10) * pixel}
			/>
		{/if}
	{/each}
	{#each previewed as line, index (index)}
		<polyline
			class="preview"
			points={path(line)}
			stroke-width={3 * pixel}
			stroke-dasharray="{8 * pixel} {5 * pixel}"
		/>
	{/each}
	{#if laying.corners.length > 0}
		<polyline class="preview" points={path(laying.corners)} stroke-width={2 * pixel} />
		{#each laying.corners as [cx, cy], index (index)}
			<circle class="handle" {cx} {cy} r={5 * pixel} stroke-width={2 * pixel} />
		{/each}
	{/if}
	{#each measured as { from, to, text }, index (index)}
		<polyline class="measure" points={path([from, to])} stroke-width={2 * pixel} />
		{@render label([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2], text)}
	{/each}
	{#if rubber}
		{@const { from, to, isRectangle } = rubber}
		{#if isRectangle}
			<polygon
				class="preview"
				points={path([from, [to[0], from[1]], to, [from[0], to[1]]])}
				stroke-width={2 * pixel}
			/>
			{@render label(
				to,
				`${showNumber('length', Math.abs(to[0] - from[0]))} × ${showNumber('length', Math.abs(to[1] - from[1]))}`
			)}
		{:else}
			<polyline class="preview" points={path([from, to])} stroke-width={2 * pixel} />
			{@render label(to, say(from, to))}
		{/if}
	{/if}
	{#if hold?.type === 'frame'}
		<polygon
			class="frame"
			points={path([hold.from, [hand.raw[0], hold.from[1]], hand.raw, [hold.from[0], hand.raw[1]]])}
			stroke-width={pixel}
		/>
	{/if}
	{#if tool === 'select'}
		{#if points.length > 1}
			{#each points as [cx, cy], index (index)}
				<circle class="handle" {cx} {cy} r={handleSize * pixel} stroke-width={2 * pixel} />
			{/each}
		{/if}
		{#if hand.turner}
			{@const [cx, cy] = hand.turner}
			<polyline class="stalk" points={path([points[0]!, hand.turner])} stroke-width={pixel} />
			<circle class="handle pull" {cx} {cy} r={handleSize * pixel} stroke-width={2 * pixel} />
		{/if}
		{#if hand.sizer}
			{@const [cx, cy] = hand.sizer}
			{@const side = 1.7 * handleSize * pixel}
			<polyline class="stalk" points={path([points[0]!, hand.sizer])} stroke-width={pixel} />
			<rect
				class="handle pull"
				x={cx - side / 2}
				y={cy - side / 2}
				width={side}
				height={side}
				stroke-width={2 * pixel}
			/>
		{/if}
	{/if}
	{#if laying.growing && tool !== 'select'}
		{@const { at } = laying.growing.end}
		<circle class="handle end" cx={at[0]} cy={at[1]} r={6 * pixel} stroke-width={2 * pixel} />
	{/if}
	{#if bench.isByKey || meant}
		{@const [cx, cy] = bench.isByKey ? bench.cursor : meant!}
		<path
			class="cursor"
			d="M{-14 * pixel} 0H{14 * pixel}M0 {-14 * pixel}V{14 * pixel}"
			transform="translate({cx},{cy})"
			stroke-width={2 * pixel}
		/>
	{/if}

	{#snippet over()}
		{#if hand.isTouch && hold}<Loupe raw={hand.raw} {x} {y} {scale} />{/if}
	{/snippet}
	{#snippet said()}
		{#if laying.measured.length > 1}
			<strong
				>{t('course.total', { length: showNumber('length', lengthAlong(laying.measured)) })}</strong
			>
		{/if}
	{/snippet}
</FloorPane>

<style>
	.chosen {
		fill: none;
		stroke: var(--verdigris);
		stroke-linejoin: round;
		stroke-linecap: round;
	}
	.chosen.glow {
		opacity: 0.45;
	}
	.preview,
	.measure {
		fill: none;
		stroke: var(--verdigris);
	}
	polygon.preview {
		fill: color-mix(in oklch, var(--verdigris) 14%, transparent);
	}
	.measure {
		stroke: var(--signal);
	}
	.frame {
		fill: color-mix(in oklch, var(--verdigris) 10%, transparent);
		stroke: var(--verdigris);
	}
	.handle {
		fill: var(--tag);
		stroke: var(--verdigris);
		cursor: grab;
	}
	.stalk {
		stroke: var(--verdigris);
		pointer-events: none;
	}
	.pull {
		fill: var(--verdigris);
	}
	.cursor {
		fill: none;
		stroke: var(--ink);
	}
	.label {
		fill: var(--ink);
		stroke: var(--paper);
		stroke-width: 4px;
		paint-order: stroke;
		font-size: 13px;
		font-weight: 600;
		text-anchor: middle;
		font-variant-numeric: tabular-nums;
		pointer-events: none;
	}
</style>
