/** Laying on a course desk: a line goes on from its end, an outline corner after corner; and pacing. */
import { valueOf, type Figure, type FigureValue } from '$core/course/editing/figures';
import {
	areaOf,
	rectangleOf,
	growFrom,
	growOn,
	growPaced,
	growTo,
	lay,
	outlineOf,
	spotOf,
	type Growing,
	type Laid
} from '$core/course/editing/lay';
import type { Pace } from '$core/course/editing/pacing';
import type { Result } from '$core/sentence';
import { say, t } from '$lib/i18n';
import type { CourseBench } from './course-bench.svelte';
import { describe, place } from './describe';
import type { Point } from '$core/course/measure';
import type { Part, PartName } from '$core/course/course';
import { kindOf, partNames } from '$core/course/parts';

export class Laying {
	growing = $state.raw<Growing | null>(null);
	/** How it went on after each piece. */
	private grown: Growing[] = [];
	/** Of an area that is laid corner by corner. */
	corners = $state.raw<readonly Point[]>([]);
	/** What is measured: a chain of places. */
	measured = $state.raw<readonly Point[]>([]);
	/** How the next of each kind looks. */
	private styles = $state.raw(
		Object.fromEntries(partNames.map((part) => [part, kindOf(part).style])) as Record<
			PartName,
			object
		>
	);

	constructor(private readonly bench: CourseBench) {}

	/** Where it goes on from. */
	get last(): Point | undefined {
		return this.growing?.end.at ?? this.corners.at(-1) ?? this.measured.at(-1);
	}
	get isBusy(): boolean {
		return this.last !== undefined;
	}

	/** What is being laid is done. */
	stop(): void {
		this.go(null);
		this.corners = [];
		this.measured = [];
	}

	/** The course was changed in another way: the line goes on from where it ends now. */
	follow(): void {
		this.growing = this.growing && growOn(this.bench.course, this.grown);
	}
	private go(growing: Growing | null): void {
		this.growing = growing;
		this.grown = growing ? [...this.grown, growing] : [];
	}

	/** What is pressed and not laid yet. */
	get canTakeBack(): boolean {
		const isBegun = this.growing !== null && this.growing.ref === undefined;
		return isBegun || this.corners.length > 0 || this.measured.length > 0;
	}
	/** The last press, as if it had not been. */
	takeBack(): void {
		if (!this.growing?.ref) this.go(null);
		this.corners = this.corners.slice(0, -1);
		this.measured = this.measured.length > 2 ? this.measured.slice(0, -1) : [];
		this.bench.voice.announce(t('say.undone'));
	}

	// --- how the next one looks ---

	setStyle(part: PartName, { name }: Figure, to: FigureValue): void {
		this.styles = { ...this.styles, [part]: { ...this.styles[part], [name]: to } };
	}
	styleValue(part: PartName, figure: Figure): FigureValue {
		return valueOf(this.styles[part] as Part, part, figure);
	}

	// --- by hand ---

	/** A press at a place: the first of a line, or where it goes on to. @param from where it began */
	press(at: Point, from: Point = at): void {
		this.bench.cursor = at;
		const { tool } = this.bench;
		if (tool === 'select') return;
		if (tool === 'measure') {
			this.measure(from, at);
			return;
		}
		const laying = kindOf(tool).laying;
		if (laying === 'line') this.pressLine(tool as Growing['part'], from, at);
		else if (laying === 'area') this.pressArea(tool, from, at);
		else this.take(lay(this.bench.course, tool, spotOf(tool, from, at, this.styles[tool])));
	}

	private measure(from: Point, at: Point): void {
		const chain = this.measured.length > 0 ? this.measured : [from];
		const [x, y] = chain.at(-1)!;
		this.measured = x === at[0] && y === at[1] ? chain : [...chain, at];
		this.bench.voice.announce(place(at));
	}

	private pressLine(part: Growing['part'], from: Point, at: Point): void {
		const growing = this.goingFrom(part, from);
		if (!this.growing) {
			this.go(growing);
			this.bench.voice.announce(t('course.say.begun', { place: place(from) }));
		}
		const laid = growTo(this.bench.course, growing, at, this.styles[part]);
		if (laid) this.take(laid);
	}

	/** The line that there is, or one that begins at a place. */
	private goingFrom(part: Growing['part'], at: Point): Growing {
		return this.growing ?? growFrom(this.bench.course, part, at);
	}

	private pressArea(part: PartName, from: Point, at: Point): void {
		const isPulled = from[0] !== at[0] && from[1] !== at[1];
		if (isPulled && this.corners.length === 0) return this.layArea(part, rectangleOf(from, at));
		const [first] = this.corners;
		const isDone = first && this.corners.length > 2 && first[0] === at[0] && first[1] === at[1];
		if (isDone) return this.finishArea();
		this.corners = [...this.corners, at];
		this.bench.voice.announce(place(at));
	}

	/** The corners that there are make an area. */
	finishArea(): void {
		if (this.corners.length > 2) this.layArea(this.bench.tool as PartName, this.corners);
	}

	private layArea(part: PartName, corners: readonly Point[]): void {
		this.take(lay(this.bench.course, part, areaOf(part, corners, this.styles[part])));
		this.corners = [];
	}

	private take({ edit, refs, growing }: Laid): void {
		const isNothing = edit.type === 'together' && edit.edits.length === 0;
		if (!isNothing && !this.bench.desk.edit(edit)) return;
		this.go(growing ?? null);
		this.bench.select(refs, false);
		const last = refs.at(-1);
		if (last)
			this.bench.voice.announce(t('course.say.laid', { part: describe(this.bench.course, last) }));
	}

	// --- by pacing it out ---

	/** What would be laid if what is typed were taken. */
	preview(paces: readonly Pace[]): Result<Laid | undefined> {
		const part = this.pacedPart;
		if (part === null) return { ok: true, value: undefined };
		if (kindOf(part).laying === 'area') {
			const corners = outlineOf({ at: this.bench.cursor, bearing: 0 }, paces);
			const laid = lay(this.bench.course, part, areaOf(part, corners, this.styles[part]));
			return { ok: true, value: corners.length > 2 ? laid : undefined };
		}
		const growing = this.goingFrom(part as Growing['part'], this.bench.cursor);
		return growPaced(this.bench.course, growing, paces, this.styles[part]);
	}

	/** What is paced out with the tool that is chosen. */
	get pacedPart(): PartName | null {
		const { tool } = this.bench;
		return tool === 'select' || tool === 'measure' || kindOf(tool).laying === 'spot' ? null : tool;
	}

	pace(paces: readonly Pace[]): boolean {
		const laid = this.preview(paces);
		if (!laid.ok) {
			this.bench.voice.refuse(say(laid.failure));
			return false;
		}
		if (!laid.value) return false;
		const part = laid.value.growing?.part;
		if (part && !this.growing) this.go(this.goingFrom(part, this.bench.cursor));
		this.take(laid.value);
		return true;
	}
}
