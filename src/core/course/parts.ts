/**
 * What lies on a course: parts of so many kinds, each in a list of its own. There is one finish ring
 * and one table at the most; they count as lists of one. Start marks have no ids of their own: they
 * are known by their number.
 */
import type { Course, Part, PartName } from './course';
import type { Extent, PartKind } from './parts/kind';
import { partKinds } from './parts/list';

/** From the bottom up, as they are drawn. */
export const partNames = Object.keys(partKinds) as PartName[];

export const isPartName = (name: string): name is PartName => Object.hasOwn(partKinds, name);

/** What is known of a kind of part, for parts whose kind is known only when it runs. */
export const kindOf = (part: PartName): PartKind<Part> =>
	partKinds[part] as unknown as PartKind<Part>;

/** A part of a course, as one points to it. */
export interface PartRef {
	readonly part: PartName;
	readonly id: string;
}
export const keyOf = ({ part, id }: PartRef): string => `${part}/${id}`;

/** Parts never change: how much of the floor one covers is worked out once. */
const covers = new WeakMap<object, Extent>();

export function coverOf(part: PartName, value: Part): Extent {
	const known = covers.get(value);
	if (known) return known;
	const extent = kindOf(part).extent(value);
	covers.set(value, extent);
	return extent;
}

/** All parts of one kind. */
export function partsOf(course: Course, part: PartName): readonly Part[] {
	const value = course[part];
	if (kindOf(part).isOne) return value === null ? [] : [value as Part];
	return value as readonly Part[];
}

/** The course with other parts of this kind. */
export const withParts = (course: Course, part: PartName, parts: readonly Part[]): Course =>
	kindOf(part).isOne ? { ...course, [part]: parts[0] ?? null } : { ...course, [part]: parts };

export const idOfPart = (value: Part, index: number): string =>
	'id' in value ? value.id : String(index + 1);

/** Where a part stands in its list; -1 if there is none. */
export const indexOf = (course: Course, { part, id }: PartRef): number =>
	partsOf(course, part).findIndex((value, index) => idOfPart(value, index) === id);

export function find(course: Course, ref: PartRef): Part | undefined {
	return partsOf(course, ref.part)[indexOf(course, ref)];
}

/** A part, and how one points to it. */
export interface Placed {
	readonly ref: PartRef;
	readonly value: Part;
}

/** All that there is, from the bottom up. */
export const placedParts = (course: Course): Placed[] =>
	partNames.flatMap((part) =>
		partsOf(course, part).map((value, index) => ({
			ref: { part, id: idOfPart(value, index) },
			value
		}))
	);

export const allParts = (course: Course): PartRef[] => placedParts(course).map(({ ref }) => ref);

/** Ids that no part of this kind has yet, for so many new ones. */
export function freeIds(course: Course, part: PartName, count: number): string[] {
	const taken = new Set(partsOf(course, part).map(idOfPart));
	const ids: string[] = [];
	for (let number = 1; ids.length < count; number++) {
		const id = `${kindOf(part).stem}-${number}`;
		if (!taken.has(id)) ids.push(id);
	}
	return ids;
}
