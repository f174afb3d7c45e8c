/** What a course desk holds: the course as it is changed, what is selected, and what is being laid. */
import './words';
import type { Course, Part, PartName } from '$core/course/course';
import {
	aligning,
	copying,
	moving,
	removing,
	spreading,
	type Levelling,
	type Loose
} from '$core/course/editing/arrange';
import {
	changing,
	courseHistory,
	type CourseEdit,
	type CourseHistory
} from '$core/course/editing/edits';
import { middleOf } from '$core/course/extent';
import { styleOf, type Figure, type FigureValue } from '$core/course/editing/figures';
import { shift, tidy, type Movement } from '$core/course/motions';
import { find, indexOf, keyOf, partsOf, type PartRef } from '$core/course/parts';
import { endsOf, snap, type Snapped } from '$core/course/editing/snap';
import { toClipboard } from '$lib/copied';
import { t } from '$lib/i18n';
import type { Person } from '$lib/saving/answers';
import { Saver } from '$lib/saving/saver.svelte';
import { Desk } from '$lib/desk/desk.svelte';
import { Voice } from '$lib/desk/voice.svelte';
import { snapNow } from '$lib/words/measures';
import { describe, place } from './describe';
import { Laying } from './laying.svelte';
import { copiedText, keepParts, readParts } from './parts-clipboard';
import { reach, Selecting } from './selecting.svelte';
import type { Point } from '$core/course/measure';

export type Tool = 'select' | 'measure' | PartName;

export interface OpenedCourse {
	readonly id: string;
	readonly content: Course;
	readonly revision: number;
}

/** Metres to which a hand is exact that snaps to nothing. */
const finest = 0.001;
/** Metres by which a copy lies beside what it is of. */
const beside = 0.1;

export class CourseBench extends Selecting {
	readonly voice = new Voice();
	readonly saver: Saver;
	readonly desk: Desk<Course, CourseEdit>;
	readonly laying = new Laying(this);
	readonly course = $derived.by(() => this.desk.document);
	tool = $state<Tool>('select');
	/** Where keys lay, and where a hand was last. */
	cursor = $state.raw<Point>([0, 0]);
	/** Keys move the cursor: it is shown. */
	isByKey = $state(false);
	/** Each part that is pressed comes beside what is selected, or leaves it. */
	isSeveral = $state(false);
	/** Something was copied on this device that can be pasted here. */
	canPaste = $state(copiedText() !== null);
	/** Snaps finely. */
	isFine = $state(false);

	constructor(
		opened: OpenedCourse,
		readonly person: Person | null
	) {
		super();
		this.desk = new Desk(opened.content, courseHistory, this.voice, {
			changed: () => this.laying.follow(),
			save: () => this.saver.change({ kind: 'course', content: this.course })
		});
		this.saver = new Saver(opened.id, opened.revision);
		const { width, height } = opened.content.size;
		this.cursor = snap([width / 2, height / 2], {
			grid: snapNow(false),
			reach: 0,
			ends: []
		}).at;
	}

	async restore(): Promise<void> {
		const unsent = await this.saver.restore();
		if (unsent?.work.kind === 'course') this.desk.open(unsent.work.content);
	}

	dispose(): void {
		this.saver.dispose();
	}

	/** Metres of which a place, or a size, is a multiple. @param isFree snaps to nothing */
	stepOf(isFree = false): number {
		return isFree ? finest : snapNow(this.isFine);
	}

	// --- changing ---

	get canUndo(): boolean {
		return this.laying.canTakeBack || this.desk.canUndo;
	}
	undo(): void {
		if (this.laying.canTakeBack) this.laying.takeBack();
		else this.desk.undo();
	}
	get canRedo(): boolean {
		return this.desk.canRedo;
	}
	redo(): void {
		this.desk.redo();
	}

	/** Does an edit, and says how it is then. */
	private do(edit: CourseEdit, news: () => string): boolean {
		const isDone = this.desk.edit(edit);
		if (isDone) this.voice.announce(news());
		return isDone;
	}

	change(ref: PartRef, value: Part): boolean {
		return this.do(changing(ref, value), () =>
			t('course.say.changed', { part: describe(this.course, ref) })
		);
	}

	/** One figure of a part; the next of its kind looks so, too. */
	setFigure(ref: PartRef, figure: Figure, to: FigureValue, value: Part): void {
		if (!this.change(ref, value)) return;
		if (styleOf(ref.part).includes(figure)) this.laying.setStyle(ref.part, figure, to);
	}
	private move(motion: Movement, news: () => string): void {
		const { free } = this;
		if (free.length > 0) this.do(moving(this.course, free, motion), news);
		else this.voice.announce(t('course.say.allLocked'));
	}

	/** Turns, mirrors or resizes about the middle of what is selected. */
	moveAbout(make: (middle: Point) => Movement, news: string): void {
		if (this.box) this.move(make(middleOf(this.box)), () => news);
	}

	nudge(dx: number, dy: number): void {
		this.move(shift(dx, dy), () => place([this.box!.west, this.box!.south]));
	}

	align(level: Levelling): void {
		if (this.free.length === 0) return;
		const edit = aligning(this.course, this.selection, level, (ref) => this.isLocked(ref));
		this.do(edit, () => t('course.say.aligned'));
	}

	spread(axis: 'x' | 'y'): void {
		if (this.free.length === 0 || this.selection.length < 3) return;
		const edit = spreading(this.course, this.selection, axis, (ref) => this.isLocked(ref));
		this.do(edit, () => t('course.say.spread'));
	}

	remove(): void {
		const { free } = this;
		if (free.length === 0) return;
		this.do(removing(free), () => t('course.say.removed', { count: free.length }));
		this.select([], false);
		this.laying.stop();
	}

	setLocked(isLocked: boolean): void {
		const keys = this.selection.map(keyOf);
		const others = this.course.locked.filter((key) => !keys.includes(key));
		const locked = isLocked ? [...others, ...keys] : others;
		this.do({ type: 'set', field: 'locked', value: locked }, () =>
			t(isLocked ? 'course.say.locked' : 'course.say.unlocked', { count: keys.length })
		);
	}

	/** Earlier or later in its list: what is later lies on top, and comes later in the order. */
	reorder(by: 1 | -1): void {
		const { only } = this;
		if (!only) return;
		const count = partsOf(this.course, only.part).length;
		const to = indexOf(this.course, only) + by;
		if (to < 0 || to >= count) return;
		const edit: CourseEdit = { type: 'order', ...only, index: to };
		this.do(edit, () => t('course.say.ordered', { number: to + 1, count }));
		if (only.part === 'starts') this.select([{ part: 'starts', id: String(to + 1) }], false);
	}

	set<F extends (CourseEdit & { type: 'set' })['field']>(field: F, value: Course[F]): boolean {
		return this.desk.edit({ type: 'set', field, value } as CourseEdit);
	}

	// --- copying ---

	/** What is selected, apart from this course. */
	private get loose(): readonly Loose[] {
		return this.selection.map((ref) => ({ part: ref.part, value: find(this.course, ref)! }));
	}

	/** What is selected, as a text that another course can take in; kept on the device as well. */
	copy(): string {
		const text = keepParts(this.loose);
		this.canPaste = true;
		this.voice.announce(t('course.say.copied', { count: this.selection.length }));
		return text;
	}
	copyByButton(): void {
		toClipboard(this.copy());
	}

	/** Takes in what was copied, here or on another course. */
	paste(text = copiedText() ?? ''): void {
		const parts = readParts(text);
		if (parts) this.add(parts);
		else this.voice.refuse(t('course.notPasted'));
	}

	duplicate(): void {
		this.add(this.loose);
	}

	/** @param by metres by which each lies beside where it was */
	add(parts: readonly Loose[], by = beside): boolean {
		const { edit, refs } = copying(this.course, parts, by);
		const isDone = this.do(edit, () => t('course.say.copied', { count: refs.length }));
		if (isDone) this.select(refs, false);
		return isDone;
	}

	// --- tools ---

	choose(tool: Tool): void {
		this.laying.stop();
		this.tool = tool;
		if (tool !== 'select') this.select([], false);
	}

	/** Escape: first what is being laid, then what is selected, then the tool. */
	leave(): void {
		if (this.laying.isBusy) this.laying.stop();
		else if (this.selection.length > 0) this.select([]);
		else this.tool = 'select';
	}

	/**
	 * Where a hand that points here means to point.
	 *
	 * @param more `isFree`: snaps to nothing; `start`: a line begins there that is not laid yet
	 */
	meant(
		point: Point,
		more: { isFree?: boolean; without?: readonly PartRef[]; start?: Point } = {}
	): Snapped {
		const { last, corners, growing } = this.laying;
		return snap(point, {
			grid: this.stepOf(more.isFree),
			reach: more.isFree ? 0 : reach / this.scale,
			ends: [...endsOf(this.course, more.without), ...corners],
			from: last ?? more.start,
			before: growing?.before
		});
	}

	/** Keys move the cursor. Metres. */
	moveCursor(dx: number, dy: number): void {
		const { width, height } = this.course.size;
		const within = (value: number, most: number) => tidy(Math.max(0, Math.min(most, value)));
		this.cursor = [within(this.cursor[0] + dx, width), within(this.cursor[1] + dy, height)];
		this.voice.announce(place(this.cursor));
	}

	// --- pulling with a pointer ---

	/** Shows a change that is not decided on yet. @param before as it was when the hand came */
	tryOut(before: CourseHistory, edit: CourseEdit | undefined): void {
		this.desk.tryOut(before);
		const performed = edit && courseHistory.perform(before, edit);
		if (performed?.ok) this.desk.tryOut(performed.value);
	}

	/** What a hand moves that pulls what is selected by so much. */
	pulled({ document }: CourseHistory, dx: number, dy: number): CourseEdit | undefined {
		const { free } = this;
		if ((dx === 0 && dy === 0) || free.length === 0) return undefined;
		return moving(document, free, shift(tidy(dx), tidy(dy)));
	}
}
