/** Edits that arrange what lies on a course: moved, brought into line, spread, copied, taken away. */
import type { Course, Part, PartName } from '../course';
import { adding, changing, allOf, type CourseEdit } from './edits';
import { boxAround, boundsOf, extentOf, middleOf, type Bounds } from '../extent';
import { shift, type Movement } from '../motions';
import { find, freeIds, kindOf, partsOf, type PartRef } from '../parts';
import type { Point } from '../measure';

export const boxOfPart = (course: Course, ref: PartRef): Bounds => boundsOf(extentOf(course, ref)!);

const movedOne = (course: Course, ref: PartRef, motion: Movement): CourseEdit =>
	changing(ref, kindOf(ref.part).moved(find(course, ref)!, motion));

/** All alike. */
export const moving = (course: Course, refs: readonly PartRef[], motion: Movement): CourseEdit =>
	allOf(refs.map((ref) => movedOne(course, ref, motion)));

/** Where parts can be level: at the edges of the box around them, or in its middle. */
export type Levelling = keyof Bounds | 'middle' | 'centre';

/** A part, and how far it goes to the east and to the north. */
type Going = readonly [ref: PartRef, east: number, north: number];

/** Each on its own way; those that are held fast count for the others, and stay. */
const movingEach = (course: Course, ways: readonly Going[], isHeld: Held): CourseEdit =>
	allOf(
		ways
			.filter(([ref]) => !isHeld(ref))
			.map(([ref, east, north]) => movedOne(course, ref, shift(east, north)))
	);
type Held = (ref: PartRef) => boolean;

export function aligning(
	course: Course,
	refs: readonly PartRef[],
	level: Levelling,
	isHeld: Held
): CourseEdit {
	const boxes = refs.map((ref) => boxOfPart(course, ref));
	const box = boxAround(boxes)!;
	const ways = refs.map((ref, i): Going => [ref, ...wayTo(level, boxes[i]!, box)]);
	return movingEach(course, ways, isHeld);
}

/** Metres to the east and to the north, from where a box is to where it is level with another. */
function wayTo(level: Levelling, own: Bounds, box: Bounds): [number, number] {
	const [x, y] = middleOf(own);
	const [mx, my] = middleOf(box);
	if (level === 'middle') return [0, my - y];
	if (level === 'centre') return [mx - x, 0];
	const by = box[level] - own[level];
	return level === 'west' || level === 'east' ? [by, 0] : [0, by];
}

/** The same gap between each and the next, from west to east or from south to north; the outermost stay. */
export function spreading(
	course: Course,
	refs: readonly PartRef[],
	axis: 'x' | 'y',
	isHeld: Held
): CourseEdit {
	const [from, to] = axis === 'x' ? (['west', 'east'] as const) : (['south', 'north'] as const);
	const list = refs
		.map((ref) => ({ ref, box: boxOfPart(course, ref) }))
		.toSorted((a, b) => a.box[from] - b.box[from]);
	const covered = list.reduce((sum, { box }) => sum + box[to] - box[from], 0);
	const whole = Math.max(...list.map(({ box }) => box[to])) - list[0]!.box[from];
	const gap = (whole - covered) / (list.length - 1);
	let at = list[0]!.box[from];
	const ways = list.map(({ ref, box }): Going => {
		const by = at - box[from];
		at += box[to] - box[from] + gap;
		return axis === 'x' ? [ref, by, 0] : [ref, 0, by];
	});
	return movingEach(course, ways, isHeld);
}

/** Start marks go from the back: they are known by their numbers. */
export function removing(refs: readonly PartRef[]): CourseEdit {
	const starts = refs.filter(({ part }) => part === 'starts');
	const others = refs.filter(({ part }) => part !== 'starts');
	const sorted = starts.toSorted((a, b) => Number(b.id) - Number(a.id));
	return allOf([...others, ...sorted].map((ref): CourseEdit => ({ type: 'remove', ...ref })));
}

/** A part apart from any course. */
export interface Loose {
	readonly part: PartName;
	readonly value: Part;
}

/**
 * The same parts once more, with ids of their own.
 *
 * @param parts checked by nobody yet: what is none makes an edit that is refused
 * @param by metres to the east and to the south
 */
export function copying(
	course: Course,
	parts: readonly Loose[],
	by: number
): { edit: CourseEdit; refs: PartRef[] } {
	const counts: Partial<Record<PartName, number>> = {};
	const copies = parts.map(({ part, value }) => {
		const nth = counts[part] ?? 0;
		counts[part] = nth + 1;
		const index = partsOf(course, part).length + nth;
		const moved = movedIfPart(part, value, [by, -by]);
		if (!('id' in moved))
			return { edit: adding(part, index, moved), ref: { part, id: String(index + 1) } };
		const id = freeIds(course, part, nth + 1)[nth]!;
		return { edit: adding(part, index, { ...moved, id }), ref: { part, id } };
	});
	return { edit: allOf(copies.map(({ edit }) => edit)), refs: copies.map(({ ref }) => ref) };
}

function movedIfPart(part: PartName, value: Part, way: Point): Part {
	try {
		return kindOf(part).moved(value, shift(...way));
	} catch {
		return value;
	}
}
