/** The hand on a course desk: what a pointer, or keys, do to what lies there. */
import { changing, type CourseHistory } from '$core/course/editing/edits';
import { gripOf, pulledBy } from '$core/course/editing/grip';
import { bearingTo, lengthTo, placeBeside, type Point } from '$core/course/measure';
import { turnAbout } from '$core/course/motions';
import { find, kindOf, type PartRef } from '$core/course/parts';
import type { FloorWindow } from '$lib/floor/floor-window.svelte';
import { press } from '$lib/ui/keys';
import { snapNow } from '$lib/words/measures';
import type { CourseBench, Tool } from './course-bench.svelte';
import { floorKeys, toolKeys } from './keys';
import type { Part } from '$core/course/course';

/** Pixels of a handle, and from what is turned to the handle that turns it. */
export const handleSize = 8;
const turnerFar = 46;
/** And from its middle to the handle that sizes it, at the least: a finger can mean either. */
const sizerFar = 40;
/** Pixels within which a handle is meant, by a pointer and by a finger. */
const reach = { pointer: 10, finger: 22 };
/** Pixels of a pull that is none yet. */
const still = 4;
/** Degrees of one turn of the handle; and freely. */
const turns = { usual: 15, free: 1 };

/** Something of a part that is pulled. @see before the course as it was when the hand came */
interface Pulled {
	readonly ref: PartRef;
	readonly before: CourseHistory;
}

/** What a pointer that is down does. */
type Hold =
	| { readonly type: 'lay'; readonly from: Point }
	| { readonly type: 'frame'; readonly from: Point; readonly isMore: boolean }
	| {
			readonly type: 'move';
			readonly from: Point;
			readonly before: CourseHistory;
			readonly anchor: Point;
			/** It leaves what is selected, if it is only pressed. */
			readonly leaving: PartRef | null;
	  }
	| ({ readonly type: 'point'; readonly index: number } & Pulled)
	| ({ readonly type: 'turn' } & Pulled)
	/** @see by from the pointer to what it has gripped, metres */
	| ({ readonly type: 'size'; readonly by: Point } & Pulled);

export class DeskHand {
	hold = $state.raw<Hold | null>(null);
	/** Where the pointer means, while it is over the floor. */
	meant = $state.raw<Point | null>(null);
	/** Where it is. */
	raw = $state.raw<Point>([0, 0]);
	isTouch = $state(false);

	/** The one part that is selected, unless it is held fast. */
	private readonly pulled = $derived.by(() => {
		const { only: ref, course } = this.bench;
		const value = ref && find(course, ref);
		return ref && value && !this.bench.isLocked(ref) ? { ref, value } : undefined;
	});
	/** Its points. */
	readonly points = $derived.by((): readonly Point[] =>
		this.pulled ? kindOf(this.pulled.ref.part).points(this.pulled.value) : []
	);
	/** Where the handle is that turns it. */
	readonly turner = $derived.by((): Point | undefined => {
		const { value } = this.pulled ?? {};
		if (!value || !('bearing' in value)) return undefined;
		return placeBeside(value.at, value.bearing, turnerFar * this.pixel, 0);
	});
	/** Where the handle is that makes it larger and smaller. */
	readonly sizer = $derived.by((): Point | undefined => {
		const { ref, value } = this.pulled ?? {};
		const grip = ref && gripOf(ref.part, value!);
		if (!grip) return undefined;
		const [x, y] = this.points[0]!;
		const far = Math.max(1, (sizerFar * this.pixel) / lengthTo([x, y], grip));
		return [x + (grip[0] - x) * far, y + (grip[1] - y) * far];
	});

	constructor(
		private readonly bench: CourseBench,
		private readonly view: FloorWindow
	) {}

	/** Metres. */
	private get pixel(): number {
		return 1 / this.view.scale;
	}

	private isNear(one: Point, other: Point): boolean {
		return lengthTo(one, other) <= (this.isTouch ? reach.finger : reach.pointer) * this.pixel;
	}

	// --- a pointer ---

	readonly down = (event: PointerEvent & { currentTarget: SVGSVGElement }): void => {
		if (event.button !== 0 || !event.isPrimary) {
			this.letGo();
			return;
		}
		event.currentTarget.setPointerCapture(event.pointerId);
		this.isTouch = event.pointerType === 'touch';
		this.bench.isByKey = false;
		this.raw = this.view.toMetres(event);
		const hold = this.holdAt(this.raw, event);
		this.hold = hold;
		this.meant = hold.type === 'lay' ? hold.from : null;
	};

	private holdAt(point: Point, event: PointerEvent): Hold {
		const { bench, points, pulled, turner, sizer } = this;
		if (bench.tool !== 'select') return { type: 'lay', from: bench.meant(point, mode(event)).at };
		const before = bench.desk.history;
		if (pulled) {
			const { ref } = pulled;
			if (turner && this.isNear(turner, point)) return { type: 'turn', ref, before };
			if (sizer && this.isNear(sizer, point)) {
				const [x, y] = gripOf(ref.part, pulled.value)!;
				return { type: 'size', ref, before, by: [x - point[0], y - point[1]] };
			}
			const index = points.length > 1 ? points.findIndex((each) => this.isNear(each, point)) : -1;
			if (index >= 0) return { type: 'point', ref, index, before };
		}
		const part = bench.partAt(point);
		const isMore = event.ctrlKey || event.metaKey || event.shiftKey || bench.isSeveral;
		if (!part) return { type: 'frame', from: point, isMore };
		const leaving = isMore && bench.isSelected(part) ? part : null;
		if (!leaving) {
			if (isMore) bench.toggle(part);
			else if (!bench.isSelected(part)) bench.select([part]);
		}
		const [anchor] = kindOf(part.part).points(find(bench.course, part)!);
		return { type: 'move', from: point, before, anchor: anchor!, leaving };
	}

	readonly go = (event: PointerEvent): void => {
		this.raw = this.view.toMetres(event);
		if (this.hold) this.pull(this.hold, event);
		else
			this.meant = this.bench.tool === 'select' ? null : this.bench.meant(this.raw, mode(event)).at;
	};

	private pull(hold: Hold, event: PointerEvent): void {
		const { raw } = this;
		switch (hold.type) {
			case 'lay':
				this.meant = this.meantFrom(hold.from, event);
				return;
			case 'move':
				return this.pullAlong(hold, event);
			case 'point': {
				const { ref, index } = hold;
				const { at } = this.bench.meant(raw, { ...mode(event), without: [ref] });
				const { points, withPoints } = kindOf(ref.part);
				return this.tryOut(hold, (value) => withPoints(value, points(value).with(index, at)));
			}
			case 'size': {
				const step = this.bench.stepOf(event.altKey);
				const to: Point = [raw[0] + hold.by[0], raw[1] + hold.by[1]];
				return this.tryOut(hold, (value) => pulledBy(hold.ref.part, value, to, step));
			}
			case 'turn':
				return this.tryOut(hold, (value) => {
					const { at, bearing } = value as Part<'starts'>;
					const step = event.altKey ? turns.free : turns.usual;
					const to = (Math.round(bearingTo(at, raw) / step) * step) % 360;
					return kindOf(hold.ref.part).moved(value, turnAbout(at, to - bearing));
				});
		}
	}

	private pullAlong({ from, before, anchor }: Hold & { type: 'move' }, event: PointerEvent): void {
		const { bench, raw } = this;
		const isNew = bench.desk.history === before;
		if (isNew && lengthTo(raw, from) < still * this.pixel) return;
		const target: Point = [anchor[0] + raw[0] - from[0], anchor[1] + raw[1] - from[1]];
		const { at } = bench.meant(target, { ...mode(event), without: bench.selection });
		bench.tryOut(before, bench.pulled(before, at[0] - anchor[0], at[1] - anchor[1]));
	}

	/** @param make of the part as it was, what it is while it is pulled */
	private tryOut({ ref, before }: Pulled, make: (value: Part) => Part): void {
		this.bench.tryOut(before, changing(ref, make(find(before.document, ref)!)));
	}

	/** A line that is pulled out of a place is straight from there, though nothing is laid yet. */
	private meantFrom(start: Point, event: PointerEvent): Point {
		const { tool } = this.bench;
		const isLine = tool === 'measure' || (tool !== 'select' && kindOf(tool).laying === 'line');
		return this.bench.meant(this.raw, { ...mode(event), ...(isLine && { start }) }).at;
	}

	readonly up = (event: PointerEvent): void => {
		const { bench, hold } = this;
		if (!hold) return;
		this.raw = this.view.toMetres(event);
		this.pull(hold, event);
		this.hold = null;
		if (hold.type === 'lay') bench.laying.press(this.meant ?? hold.from, hold.from);
		else if (hold.type === 'frame') this.frame(hold.from, this.raw, hold.isMore);
		else if (bench.desk.history !== hold.before) {
			bench.desk.keep(hold.before);
			bench.select(bench.selection);
		} else if (hold.type === 'move' && hold.leaving) bench.toggle(hold.leaving);
		if (this.isTouch) this.meant = null;
	};

	private frame([ax, ay]: Point, [bx, by]: Point, isMore: boolean): void {
		const box = {
			west: Math.min(ax, bx),
			east: Math.max(ax, bx),
			south: Math.min(ay, by),
			north: Math.max(ay, by)
		};
		const least = still * this.pixel;
		const isPress = box.east - box.west < least && box.north - box.south < least;
		if (isPress) this.pick([bx, by], isMore);
		else this.bench.selectIn(box, isMore);
	}

	/** What is pressed, be it held fast, is selected. */
	private pick(at: Point, isMore: boolean): void {
		const { bench } = this;
		const part = bench.partAt(at, true);
		if (part && isMore) bench.toggle(part);
		else if (part || !isMore) bench.select(part ? [part] : []);
	}

	/** The pointer is over something else. */
	readonly leave = (): void => {
		if (!this.hold) this.meant = null;
	};

	/** A second finger, or something else, takes the pointer away: nothing has happened. */
	readonly letGo = (): void => {
		if (this.hold && 'before' in this.hold) this.bench.desk.tryOut(this.hold.before);
		this.hold = null;
		this.meant = null;
	};

	// --- keys ---

	private readonly tools = Object.fromEntries(
		Object.keys(toolKeys).map((tool) => [tool, () => this.bench.choose(tool as Tool)])
	);

	readonly key = (event: KeyboardEvent): void => {
		const { bench } = this;
		const arrow = (dx: number, dy: number, isFine: boolean) => () => this.arrow(dx, dy, isFine);
		const arrows = (isFine: boolean) => [
			arrow(0, 1, isFine),
			arrow(0, -1, isFine),
			arrow(-1, 0, isFine),
			arrow(1, 0, isFine)
		];
		const next = (isMore: boolean) => [
			() => bench.selectNext(1, isMore),
			() => bench.selectNext(-1, isMore)
		];
		const isDone =
			press(event, floorKeys, {
				move: arrows(false),
				moveFinely: arrows(true),
				press: () => this.press(false),
				pressMore: () => this.press(true),
				next: next(false),
				nextMore: next(true)
			}) ||
			press(event, toolKeys, this.tools) ||
			this.view.zoomKey(event);
		if (isDone) event.preventDefault();
	};

	private arrow(dx: number, dy: number, isFine: boolean): void {
		const { bench } = this;
		const step = snapNow(isFine);
		if (bench.tool === 'select' && bench.selection.length > 0) {
			bench.nudge(dx * step, dy * step);
			return;
		}
		bench.isByKey = true;
		bench.moveCursor(dx * step, dy * step);
	}

	private press(isMore: boolean): void {
		const { bench } = this;
		bench.isByKey = true;
		if (bench.tool !== 'select') return bench.laying.press(bench.cursor);
		this.pick(bench.cursor, isMore || bench.isSeveral);
	}
}

/** Alt sets free from all snapping. */
const mode = (event: PointerEvent) => ({ isFree: event.altKey });
