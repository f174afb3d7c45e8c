/** Which parts of a course are selected. */
import type { Course } from '$core/course/course';
import { boxAround, partsAt, partsIn, type Bounds } from '$core/course/extent';
import { boxOfPart } from '$core/course/editing/arrange';
import type { Point } from '$core/course/measure';
import { allParts, find, keyOf, type PartRef } from '$core/course/parts';
import type { Voice } from '$lib/desk/voice.svelte';
import { t } from '$lib/i18n';
import { describe } from './describe';

/** Pixels within which an end, or a part, is meant. */
export const reach = 12;
export abstract class Selecting {
	abstract readonly course: Course;
	abstract readonly voice: Voice;
	private chosen = $state.raw<readonly PartRef[]>([]);
	/** Pixels a metre, as the floor is seen now. */
	scale = 100;

	/** What is selected and still there. */
	readonly selection = $derived.by(() =>
		this.chosen.filter((ref) => find(this.course, ref) !== undefined)
	);
	/** The one part that is selected. */
	readonly only = $derived.by(() => (this.selection.length === 1 ? this.selection[0] : undefined));
	private readonly locked = $derived.by(() =>
		Object.fromEntries(this.course.locked.map((key) => [key, true]))
	);
	readonly box = $derived.by(() =>
		boxAround(this.selection.map((ref) => boxOfPart(this.course, ref)))
	);

	select(refs: readonly PartRef[], isSaid = true): void {
		this.chosen = refs;
		if (isSaid) this.saySelection();
	}

	private saySelection(): void {
		const { only, selection, course } = this;
		if (only) this.voice.announce(t('course.say.selected', { part: describe(course, only) }));
		else this.voice.announce(t('course.say.selectedMany', { count: selection.length }));
	}

	isSelected(ref: PartRef): boolean {
		return this.selection.some((one) => keyOf(one) === keyOf(ref));
	}
	isLocked(ref: PartRef): boolean {
		return this.locked[keyOf(ref)] === true;
	}

	/** In or out, beside what else is selected. */
	toggle(ref: PartRef): void {
		const others = this.selection.filter((one) => keyOf(one) !== keyOf(ref));
		this.select(others.length < this.selection.length ? others : [...others, ref]);
	}

	private selectFree(refs: readonly PartRef[]): void {
		this.select(refs.filter((ref) => !this.isLocked(ref)));
	}
	selectAll(): void {
		this.selectFree(allParts(this.course));
	}

	/** @param isMore beside what is selected already */
	selectIn(box: Bounds, isMore = false): void {
		const before = isMore ? this.selection : [];
		const found = partsIn(this.course, box).filter(
			(ref) => !before.some((one) => keyOf(one) === keyOf(ref))
		);
		this.selectFree([...before, ...found]);
	}

	/** The next one, round and round. @param isMore beside what is selected already */
	selectNext(by: 1 | -1, isMore = false): void {
		const all = allParts(this.course);
		if (all.length === 0) return;
		const last = this.selection.at(-1);
		const at = last ? all.findIndex((ref) => keyOf(ref) === keyOf(last)) : by > 0 ? -1 : 0;
		const next = all[(at + by + all.length) % all.length]!;
		if (isMore) this.toggle(next);
		else this.select([next]);
	}

	/** What somebody points at. @param isHeldToo what is held fast lies too deep to be pulled, not to be pressed */
	partAt(point: Point, isHeldToo = false): PartRef | undefined {
		const all = partsAt(this.course, point, reach / this.scale);
		return all.find((ref) => !this.isLocked(ref)) ?? (isHeldToo ? all[0] : undefined);
	}

	/** What is selected and not held fast. */
	protected get free(): readonly PartRef[] {
		return this.selection.filter((ref) => !this.isLocked(ref));
	}

	/** Moves what is selected. @param news what is said of it then */
}
