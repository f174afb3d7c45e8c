/** Where a hand that points somewhere near means to point: an end, a straight angle, the grid. */
import type { Course } from '../course';
import { bearingTo, lengthTo, placeBeside, turnBetween, type Point } from '../measure';
import { tidyPoint } from '../motions';
import { keyOf, kindOf, placedParts, type PartRef } from '../parts';

/** Degrees: bearings that a line is drawn to, and how near one has to be. */
const bearings = 15;
const nearBearing = 5;
/** Degrees that nobody sees. */
const exactly = 0.02;

export interface Snapping {
	/** Metres between the lines of the grid. */
	readonly grid: number;
	/** Metres within which an end is meant. */
	readonly reach: number;
	/** Points of other parts that one may join on to. */
	readonly ends: readonly Point[];
	/** Where the line comes from that is drawn. */
	readonly from?: Point | undefined;
	/** Its piece before: square to that is a straight angle, too. */
	readonly before?: Point | undefined;
}

export interface Snapped {
	readonly at: Point;
	readonly to: 'end' | 'angle' | 'grid';
}

/** The points of all parts but these. */
export function endsOf(course: Course, without: readonly PartRef[] = []): Point[] {
	const left = new Set(without.map(keyOf));
	return placedParts(course)
		.filter(({ ref }) => !left.has(keyOf(ref)))
		.flatMap(({ ref, value }) => kindOf(ref.part).points(value));
}

const onGrid = (value: number, grid: number): number => Math.round(value / grid) * grid;

/** @returns metres, to a tenth of a millimetre */
export function snap(point: Point, { grid, reach, ends, from, before }: Snapping): Snapped {
	let nearest: Point | undefined;
	let away = reach;
	for (const end of ends) {
		const distance = lengthTo(point, end);
		if (distance > away) continue;
		away = distance;
		nearest = end;
	}
	if (nearest) return { at: nearest, to: 'end' };
	const near = tidyPoint([onGrid(point[0], grid), onGrid(point[1], grid)]);
	if (!from) return { at: near, to: 'grid' };
	// A place of the grid that lies straight from there is both.
	if (lengthTo(from, near) > 0 && offStraight(from, near, before).off < exactly)
		return { at: near, to: 'angle' };
	const straight = straightFrom(point, from, before, grid);
	return straight ? { at: straight, to: 'angle' } : { at: near, to: 'grid' };
}

/** Degrees by which a place lies off the next straight bearing, and which that is. */
function offStraight(from: Point, to: Point, before: Point | undefined) {
	const bearing = bearingTo(from, to);
	const base = before ? bearingTo(before, from) : 0;
	const [best] = [0, base]
		.map((zero) => zero + Math.round((bearing - zero) / bearings) * bearings)
		.map((straight) => ({ straight, off: Math.abs(turnBetween(straight, bearing)) }))
		.toSorted((a, b) => a.off - b.off);
	return best!;
}

/** On a bearing that is a multiple of 15 degrees, as seen from north or from the piece before. */
function straightFrom(
	point: Point,
	from: Point,
	before: Point | undefined,
	grid: number
): Point | undefined {
	const far = lengthTo(from, point);
	if (far < grid / 2) return undefined;
	const { straight, off } = offStraight(from, point, before);
	if (off > nearBearing) return undefined;
	const length = Math.max(grid, onGrid(far, grid));
	return tidyPoint(placeBeside(from, straight, length, 0));
}
