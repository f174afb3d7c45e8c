/** Edits that lay new parts and go on with lines, as a hand does or as they are paced out. */
import { success, type Result } from '../../sentence';
import type { Course, Part, PartName } from '../course';
import { adding, changing, allOf, type CourseEdit } from './edits';
import { tidy, tidyBearing, tidyPoint } from '../motions';
import { pacedFrom, railFrom, railTo, type Pace, type PaceEnd } from './pacing';
import { allParts, find, freeIds, kindOf, partNames, partsOf, type PartRef } from '../parts';
import { RailPath } from '../rails';
import { bearingTo, lengthTo, type Point } from '../measure';
import { bearingOfHeading } from '../../units/angles';

/** A line that is being laid: it goes on from here. */
export interface Growing {
	readonly part: 'tapes' | 'walls' | 'rails';
	readonly end: PaceEnd;
	/** Where its last piece began, if it has one. */
	readonly before?: Point;
	/** What there is of it; of walls, the last. */
	readonly ref?: PartRef;
}

export interface Laid {
	readonly edit: CourseEdit;
	/** What is new, or has become longer. */
	readonly refs: readonly PartRef[];
	/** How the line goes on; undefined when it is closed. */
	readonly growing?: Growing;
}

const lastTwo = (points: readonly Point[]): [Point, Point] => [points.at(-2)!, points.at(-1)!];
/** Metres within which places are one. */
const same = 1e-4;
const isSame = (one: Point, other: Point): boolean => lengthTo(one, other) < same;

/** Adds one part; where there can be one only, it takes the place of the one that is there. */
export function lay(course: Course, part: PartName, fields: object): Laid {
	const parts = partsOf(course, part);
	if (kindOf(part).isOne) {
		const ref = { part, id: '1' };
		const edit = parts.length > 0 ? changing(ref, fields) : adding(part, 0, fields as Part);
		return { edit, refs: [ref] };
	}
	const { isNumbered } = kindOf(part);
	const id = isNumbered ? String(parts.length + 1) : freeIds(course, part, 1)[0]!;
	const value = (isNumbered ? fields : { id, ...fields }) as Part;
	return { edit: adding(part, parts.length, value), refs: [{ part, id }] };
}

/** Metres from the end of a rail at which one goes on from it: its end is seldom a round number. */
const railReach = 0.002;

/** The end of a line that begins at a place, or goes on from the end of one that is there. */
export function growFrom(course: Course, part: Growing['part'], at: Point, bearing = 0): Growing {
	const reach = part === 'rails' ? railReach : same;
	for (const value of partsOf(course, part).toReversed()) {
		const growing = growingOf(part, value as Part<Growing['part']>);
		if (growing && lengthTo(growing.end.at, at) < reach) return growing;
	}
	return { part, end: { at, bearing } };
}

/**
 * How a line goes on once the course was changed in another way: undone, done again, or by numbers.
 *
 * @param grown how it went on after each piece, from the first press on
 * @returns null when nothing is left that it could go on from
 */
export function growOn(course: Course, grown: readonly Growing[]): Growing | null {
	for (const growing of grown.toReversed()) {
		const { part, ref, end } = growing;
		if (!ref) return growing;
		const value = find(course, ref) as Part<Growing['part']> | undefined;
		if (!value) continue;
		const now = growingOf(part, value);
		return now && isSame(now.end.at, end.at) ? growing : now;
	}
	return null;
}

/** How a line goes on that is there; null when it is closed. */
function growingOf(part: Growing['part'], value: Part<Growing['part']>): Growing | null {
	if ('isClosed' in value && value.isClosed) return null;
	const ref = { part, id: value.id };
	if ('pieces' in value) {
		const last = new RailPath(value).end;
		const at = tidyPoint([last.x, last.y]);
		return { part, ref, end: { at, bearing: tidyBearing(bearingOfHeading(last.heading)) } };
	}
	const [before, at] = 'points' in value ? lastTwo(value.points) : [value.from, value.to];
	return { part, ref, before, end: { at, bearing: bearingTo(before, at) } };
}

/** Goes on straight to a place; a rail in one arc. @returns undefined where it is already */
export function growTo(
	course: Course,
	growing: Growing,
	at: Point,
	style: object
): Laid | undefined {
	const { part, end, ref } = growing;
	if (isSame(end.at, at)) return undefined;
	if (part === 'walls') return wallsAlong(course, [end.at, at], style);
	if (part === 'rails') {
		const bearing = ref ? end.bearing : tidyBearing(bearingTo(end.at, at));
		const piece = railTo({ at: end.at, bearing }, at);
		return piece && railOn(course, { ...growing, end: { at: end.at, bearing } }, [piece]);
	}
	const before = ref && (find(course, ref) as Part<'tapes'> | undefined);
	const isClosed =
		before !== undefined && before.points.length > 2 && isSame(before.points[0]!, at);
	return tapeOn(course, growing, isClosed ? [] : [at], isClosed, style);
}

/** Goes on as it is paced out. */
export function growPaced(
	course: Course,
	growing: Growing,
	paces: readonly Pace[],
	style: object
): Result<Laid | undefined> {
	if (growing.part === 'rails') {
		const rail = railFrom(paces);
		if (!rail.ok) return rail;
		const { pieces, isClosed } = rail.value;
		return success(
			pieces.length > 0 || isClosed ? railOn(course, growing, pieces, isClosed) : undefined
		);
	}
	const { points, isClosed, end } = pacedFrom(growing.end, paces);
	if (points.length === 0 && !isClosed) {
		// A turn alone: the line points elsewhere from now on.
		return success({
			edit: allOf([]),
			refs: [],
			growing: { ...growing, end }
		});
	}
	const laid =
		growing.part === 'walls'
			? wallsAlong(
					course,
					[growing.end.at, ...points, ...(isClosed ? [growing.end.at] : [])],
					style
				)
			: tapeOn(course, growing, points, isClosed, style);
	const pointing = laid.growing && {
		...laid.growing,
		end: { ...laid.growing.end, bearing: end.bearing }
	};
	return success({ ...laid, ...(pointing && { growing: pointing }) });
}

/** The outline of an area that is paced out from a place. */
export const outlineOf = (from: PaceEnd, paces: readonly Pace[]): readonly Point[] => {
	const { points } = pacedFrom(from, paces);
	const outline = [from.at, ...points];
	return outline.length > 3 && isSame(outline[0]!, outline.at(-1)!)
		? outline.slice(0, -1)
		: outline;
};

function wallsAlong(course: Course, points: readonly Point[], style: object): Laid {
	const ids = freeIds(course, 'walls', points.length - 1);
	const count = course.walls.length;
	const walls = ids.map((id, i) => ({
		...{ id, from: [...points[i]!], to: [...points[i + 1]!] },
		...style
	}));
	const edits = walls.map((wall, i) => adding('walls', count + i, wall as Part));
	const refs = ids.map((id): PartRef => ({ part: 'walls', id }));
	const edit = edits.length === 1 ? edits[0]! : allOf(edits);
	return goingOn({ edit, refs }, 'walls', walls.at(-1)!);
}

/** What is laid, with how its line goes on from there. @param value of the last of it, its id aside */
function goingOn(laid: Laid, part: Growing['part'], value: object): Laid {
	const { id } = laid.refs.at(-1)!;
	const growing = growingOf(part, { ...value, id } as Part<Growing['part']>);
	return growing ? { ...laid, growing } : laid;
}

function tapeOn(
	course: Course,
	{ ref, end }: Growing,
	points: readonly Point[],
	isClosed: boolean,
	style: object
): Laid {
	const own = points.map(([x, y]): [number, number] => [x, y]);
	const before = ref && (find(course, ref) as Part<'tapes'> | undefined);
	const tape = before
		? { ...before, points: [...before.points, ...own], isClosed }
		: { points: [[...end.at], ...own], isClosed, ...style };
	return goingOn(layOn(course, before && ref, 'tapes', tape), 'tapes', tape);
}

/** Lays a part, or what has become of one that is there. */
const layOn = (
	course: Course,
	ref: PartRef | undefined,
	part: Growing['part'],
	value: object
): Laid => (ref ? { edit: changing(ref, value), refs: [ref] } : lay(course, part, value));

/** Metres by which the end of a rail may miss its start, and still be joined to it. */
const joins = 0.02;

function railOn(
	course: Course,
	{ ref, end }: Growing,
	more: Part<'rails'>['pieces'],
	wantsClosed = false
): Laid {
	const before = ref && (find(course, ref) as Part<'rails'> | undefined);
	const open = before
		? { ...before, pieces: [...before.pieces, ...more] }
		: {
				...{ at: [...end.at] as [number, number], bearing: end.bearing, isClosed: false },
				pieces: more,
				marks: []
			};
	const path = new RailPath(open);
	const last = path.end;
	const meets = lengthTo([last.x, last.y], open.at) <= joins && path.doesMeetItself;
	const rail = { ...open, isClosed: wantsClosed || meets };
	return goingOn(layOn(course, before && ref, 'rails', rail), 'rails', rail);
}

/** Fields of a part at a spot. @param towards where a hand has pulled it, which turns or widens it */
export function spotOf(
	part: PartName,
	at: Point,
	towards: Point | undefined,
	style: object
): object {
	const spot = { at: [...at] as [number, number], ...style };
	const isPulled = towards !== undefined && !isSame(at, towards);
	const { pull } = kindOf(part);
	if (pull === 'bearing')
		return { ...spot, bearing: isPulled ? tidyBearing(bearingTo(at, towards)) : 0 };
	if (!isPulled) return spot;
	const far = tidy(Math.max(0.05, Math.min(1, lengthTo(at, towards))));
	return pull ? { ...spot, [pull]: far } : spot;
}

/** The corners of a rectangle between two of them. */
export const rectangleOf = ([ax, ay]: Point, [bx, by]: Point): [number, number][] => [
	[ax, ay],
	[bx, ay],
	[bx, by],
	[ax, by]
];

/** Fields of an area with these corners. */
export const areaOf = (part: PartName, corners: readonly Point[], style: object): object => {
	const own = corners.map(([x, y]): [number, number] => [x, y]);
	return kindOf(part).ofCorners!(own, style);
};

/** Another course in the place of this one, which keeps its name. */
export function replacing(course: Course, next: Course): CourseEdit {
	return allOf([
		...allParts(course)
			.reverse()
			.map((ref): CourseEdit => ({ type: 'remove', ...ref })),
		{ type: 'set', field: 'size', value: next.size },
		...partNames.flatMap((part) =>
			partsOf(next, part).map((value, index) => adding(part, index, value))
		)
	]);
}
