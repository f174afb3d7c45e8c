/** How far parts reach, and which of them lies at a place. */
import * as exact from '../exact';
import type { Course } from './course';
import { distanceTo, isInside, type Point } from './measure';
import { coverOf, find, placedParts, type PartRef } from './parts';
import type { Extent } from './parts/kind';

export interface Bounds {
	readonly west: number;
	readonly south: number;
	readonly east: number;
	readonly north: number;
}

export const extentOf = (course: Course, ref: PartRef): Extent | undefined => {
	const part = find(course, ref);
	return part && coverOf(ref.part, part);
};

const boxes = new WeakMap<Extent, Bounds>();

export function boundsOf(extent: Extent): Bounds {
	const known = boxes.get(extent);
	if (known) return known;
	const { line, half } = extent;
	let [west, south, east, north] = [Infinity, Infinity, -Infinity, -Infinity];
	for (const [x, y] of line) {
		west = Math.min(west, x);
		east = Math.max(east, x);
		south = Math.min(south, y);
		north = Math.max(north, y);
	}
	const box = { west: west - half, south: south - half, east: east + half, north: north + half };
	boxes.set(extent, box);
	return box;
}

/** The box around several; undefined around none. */
export const boxAround = (boxes: readonly Bounds[]): Bounds | undefined =>
	boxes.length === 0
		? undefined
		: {
				west: Math.min(...boxes.map(({ west }) => west)),
				south: Math.min(...boxes.map(({ south }) => south)),
				east: Math.max(...boxes.map(({ east }) => east)),
				north: Math.max(...boxes.map(({ north }) => north))
			};

export const middleOf = ({ west, south, east, north }: Bounds): [number, number] => [
	(west + east) / 2,
	(south + north) / 2
];

/** Metres from a point to what a part covers; 0 on it. */
export function distanceFrom(point: Point, { line, half, isFilled }: Extent): number {
	if (isFilled && line.length > 2 && isInside(line, ...point)) return 0;
	let nearest = Infinity;
	for (let i = 0; i < line.length; i++)
		nearest = Math.min(nearest, distanceTo(point, line[i]!, line[i + 1] ?? line[i]!));
	return Math.max(0, nearest - half);
}

/** Everything that lies at a place, the smallest first: it is what one points at. @param reach metres */
export function partsAt(course: Course, point: Point, reach: number): PartRef[] {
	const found: { ref: PartRef; size: number }[] = [];
	for (const { ref, value } of placedParts(course).reverse()) {
		const extent = coverOf(ref.part, value);
		const { west, south, east, north } = boundsOf(extent);
		const [x, y] = point;
		if (x < west - reach || x > east + reach || y < south - reach || y > north + reach) continue;
		if (distanceFrom(point, extent) > reach) continue;
		found.push({ ref, size: exact.lengthOf(east - west, north - south) });
	}
	return found.toSorted((a, b) => a.size - b.size).map(({ ref }) => ref);
}

/** Everything that lies wholly in a box. */
export const partsIn = (course: Course, { west, south, east, north }: Bounds): PartRef[] =>
	placedParts(course)
		.filter(({ ref, value }) => {
			const box = boundsOf(coverOf(ref.part, value));
			return box.west >= west && box.south >= south && box.east <= east && box.north <= north;
		})
		.map(({ ref }) => ref);

/** Metres that lie free between two parts; 0 where they touch. */
export function clearanceBetween(one: Extent, other: Extent): number {
	if (areCrossed(one.line, other.line)) return 0;
	const fromCorners = (a: Extent, b: Extent): number =>
		Math.min(...a.line.map((point) => distanceFrom(point, b) - a.half));
	return Math.max(0, Math.min(fromCorners(one, other), fromCorners(other, one)));
}

const side = ([ax, ay]: Point, [bx, by]: Point, [x, y]: Point): number =>
	Math.sign((bx - ax) * (y - ay) - (by - ay) * (x - ax));

/** Some piece of the one line goes through some piece of the other. */
function areCrossed(one: readonly Point[], other: readonly Point[]): boolean {
	for (let i = 1; i < one.length; i++)
		for (let j = 1; j < other.length; j++) {
			const [a, b, c, d] = [one[i - 1]!, one[i]!, other[j - 1]!, other[j]!];
			if (side(a, b, c) !== side(a, b, d) && side(c, d, a) !== side(c, d, b)) return true;
		}
	return false;
}
