<script lang="ts">
	/** The floor of a course desk: what lies there is pointed at, pulled and laid. */
	import type { Snippet } from 'svelte';
	import type { Point } from '$core/course/course';
	import { changing, type CourseEdit, type CourseHistory } from '$core/course/edits';
	import { extentOf } from '$core/course/extent';
	import { layings, reachField } from '$core/course/figures';
	import { find, keyOf, kindOf, type Part, type PartRef } from '$core/course/parts';
	import type { Laid } from '$core/course/lay';
	import { tidy, turn } from '$core/course/motions';
	import { bearingTo, lengthAlong, lengthTo, turnAt } from '$core/course/measure';
	import { t } from '$lib/i18n';
	import CourseDrawing from '$lib/floor/CourseDrawing.svelte';
	import { FloorWindow } from '$lib/floor/floor-window.svelte';
	import ScaleBar from '$lib/floor/ScaleBar.svelte';
	import { fit } from '$lib/floor/view';
	import ZoomButtons from '$lib/floor/ZoomButtons.svelte';
	import { showNumber } from '$lib/values/format';
	import { steps, type CourseBench } from './course-bench.svelte';
	import Loupe from './Loupe.svelte';

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
	const { tool } = $derived(bench);

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

	/** What a pointer that is down does. */
	type Hold =
		| { readonly type: 'lay'; readonly from: Point }
		| {
				readonly type: 'move';
				readonly from: Point;
				readonly before: CourseHistory;
				readonly anchor: Point;
		  }
		| {
				readonly type: 'point';
				readonly ref: PartRef;
				readonly index: number;
				readonly before: CourseHistory;
		  }
		| { readonly type: 'turn'; readonly ref: PartRef; readonly before: CourseHistory }
		| { readonly type: 'size'; readonly ref: PartRef; readonly before: CourseHistory }
		| { readonly type: 'frame'; readonly from: Point };
	let hold = $state.raw<Hold | null>(null);
	/** Where the pointer means, while it is over the floor. */
	let meant = $state.raw<Point | null>(null);
	let isTouch = $state(false);
	let raw = $state.raw<Point>([0, 0]);

	const handle = 8;
	const pixel = $derived(1 / scale);
	const points = $derived.by(() => {
		const ref = bench.only;
		const value = ref && find(course, ref);
		return ref && value && !bench.isLocked(ref) ? kindOf(ref.part).points(value) : [];
	});
	/** Where the handle is that turns the one part that is selected. */
	const turner = $derived.by((): Point | undefined => {
		const ref = bench.only;
		const value = ref && find(course, ref);
		if (!value || !('bearing' in value) || bench.isLocked(ref)) return undefined;
		const angle = ((90 - value.bearing) * Math.PI) / 180;
		const far = 46 * pixel;
		return [value.at[0] + far * Math.cos(angle), value.at[1] + far * Math.sin(angle)];
	});

	/** Where the handle is that makes what is round larger and smaller. */
	const sizer = $derived.by((): Point | undefined => {
		const ref = bench.only;
		const value = ref && find(course, ref);
		const field = ref && reachField[ref.part];
		if (!value || !field || bench.isLocked(ref)) return undefined;
		const round = value as Part<'pads'> & Part<'lampPosts'>;
		return [round.at[0] + round[field], round.at[1]];
	});

	const near = ([ax, ay]: Point, [bx, by]: Point) =>
		Math.hypot(ax - bx, ay - by) <= (isTouch ? 22 : 10) * pixel;

	function holdAt(point: Point, event: PointerEvent): Hold {
		if (tool !== 'select') return { type: 'lay', from: bench.meant(point, mode(event)).at };
		const before = bench.desk.history;
		const ref = bench.only;
		if (ref && turner && near(turner, point)) return { type: 'turn', ref, before };
		if (ref && sizer && near(sizer, point)) return { type: 'size', ref, before };
		const index = points.length > 1 ? points.findIndex((each) => near(each, point)) : -1;
		if (ref && index >= 0) return { type: 'point', ref, index, before };
		const part = bench.partAt(point);
		if (!part) return { type: 'frame', from: point };
		if (event.ctrlKey || event.metaKey || event.shiftKey) bench.toggle(part);
		else if (!bench.isSelected(part)) bench.select([part]);
		const value = find(course, part)!;
		return { type: 'move', from: point, before, anchor: kindOf(part.part).points(value)[0]! };
	}

	/** Alt sets free from all snapping. */
	const mode = (event: PointerEvent) => ({ isFree: event.altKey });

	function onpointerdown(event: PointerEvent & { currentTarget: SVGSVGElement }) {
		if (event.button !== 0 || !event.isPrimary) {
			letGo();
			return;
		}
		event.currentTarget.setPointerCapture(event.pointerId);
		isTouch = event.pointerType === 'touch';
		bench.isByKey = false;
		raw = view.toMetres(event);
		hold = holdAt(raw, event);
		meant = hold.type === 'lay' ? hold.from : null;
	}

	function onpointermove(event: PointerEvent) {
		raw = view.toMetres(event);
		if (!hold) {
			meant = tool === 'select' ? null : bench.meant(raw, mode(event)).at;
			return;
		}
		pull(raw, event);
	}

	function pull(point: Point, event: PointerEvent) {
		if (!hold) return;
		if (hold.type === 'lay') meant = meantFrom(hold.from, point, event);
		else if (hold.type === 'move') {
			const { from, before, anchor } = hold;
			const target: Point = [anchor[0] + point[0] - from[0], anchor[1] + point[1] - from[1]];
			if (lengthTo(point, from) < 4 * pixel && bench.desk.history === before) return;
			const { at } = bench.meant(target, { ...mode(event), without: bench.selection });
			bench.tryOut(before, bench.pulled(before, at[0] - anchor[0], at[1] - anchor[1]));
		} else if (hold.type === 'point') {
			const { ref, index, before } = hold;
			const value = find(before.document, ref)!;
			const kind = kindOf(ref.part);
			const at = bench.meant(point, { ...mode(event), without: [ref] }).at;
			change(ref, before, kind.withPoints(value, kind.points(value).with(index, at)));
		} else if (hold.type === 'size') {
			const { ref, before } = hold;
			const value = find(before.document, ref)! as Part<'pads'>;
			const step = event.altKey ? 0.001 : bench.grid;
			const far = Math.max(step, Math.round(lengthTo(value.at, point) / step) * step);
			change(ref, before, { ...value, [reachField[ref.part]!]: tidy(far) });
		} else if (hold.type === 'turn') {
			const { ref, before } = hold;
			const value = find(before.document, ref)! as Part<'starts'>;
			const step = event.altKey ? 1 : 15;
			const bearing = (Math.round(bearingTo(value.at, point) / step) * step) % 360;
			change(ref, before, kindOf(ref.part).moved(value, turn(value.at, bearing - value.bearing)));
		}
	}

	const change = (ref: PartRef, before: CourseHistory, value: Part) =>
		bench.tryOut(before, changing(ref, value));

	/** A line that is pulled out of a place is straight from there, though nothing is laid yet. */
	function meantFrom(start: Point, point: Point, event: PointerEvent): Point {
		const isLine = tool === 'measure' || (tool !== 'select' && layings[tool] === 'line');
		return bench.meant(point, { ...mode(event), ...(isLine && { start }) }).at;
	}

	function onpointerup(event: PointerEvent) {
		if (!hold) return;
		raw = view.toMetres(event);
		pull(raw, event);
		const held = hold;
		hold = null;
		if (held.type === 'lay') bench.press(meant ?? held.from, held.from);
		else if (held.type === 'frame') frame(held.from, raw);
		else if (bench.desk.history !== held.before) {
			bench.desk.keep(held.before);
			bench.select(bench.selection);
		}
		if (isTouch) meant = null;
	}

	function frame([ax, ay]: Point, [bx, by]: Point) {
		const box = {
			west: Math.min(ax, bx),
			east: Math.max(ax, bx),
			south: Math.min(ay, by),
			north: Math.max(ay, by)
		};
		if (box.east - box.west < 4 * pixel && box.north - box.south < 4 * pixel) bench.select([]);
		else bench.selectIn(box);
	}

	/** A second finger, or something else, takes the pointer away: nothing has happened. */
	function letGo() {
		if (hold && 'before' in hold) bench.desk.tryOut(hold.before);
		hold = null;
		meant = null;
	}

	function arrow(dx: number, dy: number, isFine: boolean) {
		const step = isFine ? steps.fine : steps.usual;
		if (tool === 'select' && bench.selection.length > 0) {
			bench.nudge(dx * step, dy * step);
			return;
		}
		bench.isByKey = true;
		bench.moveCursor(dx * step, dy * step);
	}

	const arrows: Readonly<Record<string, readonly [number, number]>> = {
		ArrowLeft: [-1, 0],
		ArrowRight: [1, 0],
		ArrowUp: [0, 1],
		ArrowDown: [0, -1]
	};

	function pressKey() {
		bench.isByKey = true;
		if (tool !== 'select') return bench.press(bench.cursor);
		const part = bench.partAt(bench.cursor);
		bench.select(part ? [part] : []);
	}

	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		const { key } = event;
		const to = arrows[key];
		if (to) arrow(...to, event.shiftKey);
		else if (key === 'Enter' || key === ' ') pressKey();
		else if (key === 'PageDown') bench.selectNext(1, event.shiftKey);
		else if (key === 'PageUp') bench.selectNext(-1, event.shiftKey);
		else if (!view.zoomKey(key)) return;
		event.preventDefault();
	}

	/** Where the line goes that is being laid, and what it says of itself. */
	const rubber = $derived.by(() => {
		const to = hold || !bench.isByKey ? meant : bench.cursor;
		if (tool === 'select' || !to) return null;
		const from =
			bench.growing?.end.at ??
			bench.corners.at(-1) ??
			bench.measured.at(-1) ??
			(hold?.type === 'lay' ? hold.from : undefined);
		if (!from || lengthTo(from, to) < 1e-6) return null;
		const isRectangle =
			tool !== 'measure' && layings[tool] === 'area' && bench.corners.length === 0;
		return { from, to, isRectangle };
	});
	const say = (from: Point, to: Point) =>
		`${showNumber('length', lengthTo(from, to))}  ${Math.round(bearingTo(from, to))}°`;
	/** The angle at each inner place of what is measured, degrees. */
	const measured = $derived(
		bench.measured.slice(1).map((to, i) => {
			const from = bench.measured[i]!;
			const turned = i > 0 ? turnAt(bench.measured, i) : null;
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

<section class="floor" aria-label={t('course.floor', { course: course.name })}>
	<div class="sheet" bind:clientWidth={width} bind:clientHeight={height}>
		<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
		<svg
			{@attach view.on}
			{width}
			{height}
			tabindex="0"
			role="application"
			aria-label="{t('course.floor', { course: course.name })}. {t('course.floorHelp')}"
			data-testid="desk-floor"
			class:laying={tool !== 'select'}
			{onkeydown}
			{onpointerdown}
			{onpointermove}
			{onpointerup}
			onpointercancel={letGo}
			onpointerleave={() => (meant = hold ? meant : null)}
		>
			<g id="desk-scene" transform="translate({x},{y}) scale({scale},{-scale})">
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
				{#if bench.corners.length > 0}
					<polyline class="preview" points={path(bench.corners)} stroke-width={2 * pixel} />
					{#each bench.corners as [cx, cy], index (index)}
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
						points={path([hold.from, [raw[0], hold.from[1]], raw, [hold.from[0], raw[1]]])}
						stroke-width={pixel}
					/>
				{/if}
				{#if tool === 'select'}
					{#if points.length > 1}
						{#each points as [cx, cy], index (index)}
							<circle class="handle" {cx} {cy} r={handle * pixel} stroke-width={2 * pixel} />
						{/each}
					{/if}
					{#each [turner, sizer] as place, index (index)}
						{#if place}
							<circle
								class="handle turner"
								cx={place[0]}
								cy={place[1]}
								r={handle * pixel}
								stroke-width={2 * pixel}
							/>
						{/if}
					{/each}
				{/if}
				{#if bench.growing && tool !== 'select'}
					{@const { at } = bench.growing.end}
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
			</g>
		</svg>
	</div>
	{#if isTouch && hold}<Loupe {raw} {x} {y} {scale} />{/if}
	<ScaleBar {view}>
		{#if bench.measured.length > 1}
			<strong
				>{t('course.total', { length: showNumber('length', lengthAlong(bench.measured)) })}</strong
			>
		{/if}
	</ScaleBar>
	<ZoomButtons {view} />
</section>

<style>
	.floor {
		position: relative;
		height: 100%;
		min-height: 0;
		background: var(--paper-deep);
	}
	.sheet {
		position: absolute;
		inset: 0;
		overflow: hidden;
	}
	svg {
		display: block;
		touch-action: none;
		user-select: none;
		cursor: default;
	}
	svg.laying {
		cursor: crosshair;
	}
	svg:focus-visible {
		outline-offset: -3px;
	}
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
	.turner {
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
