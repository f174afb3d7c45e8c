/** Lengths, bearings and turns between places on a course. Metres, degrees. */
import * as exact from '../exact';
import { bearingOfHeading, headingOfBearing } from '../units/angles';

/** A place on a course: metres to the east and to the north of its south-west corner. */
export type Point = readonly [number, number];

export const lengthTo = ([ax, ay]: Point, [bx, by]: Point): number =>
	exact.lengthOf(bx - ax, by - ay);

/** Clockwise from north. */
export const bearingTo = ([ax, ay]: Point, [bx, by]: Point): number =>
	bearingOfHeading(exact.atan2(by - ay, bx - ax));

/** From one bearing to another, from -180 to 180; positive to the right. */
export const turnBetween = (before: number, after: number): number =>
	((after - before + 540) % 360) - 180;

/** By which a line turns at one of its inner corners. */
export const turnAt = (points: readonly Point[], index: number): number =>
	turnBetween(
		bearingTo(points[index - 1]!, points[index]!),
		bearingTo(points[index]!, points[index + 1]!)
	);

/** A place, told from another: so far along a bearing, and to the left of it. */
export function placeBeside([x, y]: Point, bearing: number, along: number, left: number): Point {
	const heading = headingOfBearing(bearing);
	const [cos, sin] = [exact.cos(heading), exact.sin(heading)];
	return [x + along * cos - left * sin, y + along * sin + left * cos];
}

/** The other way round: how far a place lies along a bearing, and to the left of it. */
export function toldFrom([x, y]: Point, bearing: number, [px, py]: Point) {
	const heading = headingOfBearing(bearing);
	const [cos, sin] = [exact.cos(heading), exact.sin(heading)];
	return { along: (px - x) * cos + (py - y) * sin, left: (py - y) * cos - (px - x) * sin };
}

/** Along a line. */
export const lengthAlong = (points: readonly Point[]): number =>
	points.slice(1).reduce((sum, point, i) => sum + lengthTo(points[i]!, point), 0);

/** From a point to the piece of line between two others. */
export function distanceTo([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number {
	const [dx, dy] = [bx - ax, by - ay];
	const length = dx * dx + dy * dy;
	const along = length > 0 ? ((x - ax) * dx + (y - ay) * dy) / length : 0;
	const on = Math.max(0, Math.min(1, along));
	return exact.lengthOf(x - ax - on * dx, y - ay - on * dy);
}

/** A ray to the east crosses the outline of what it starts in an odd number of times. */
export function isInside(corners: readonly Point[], x: number, y: number): boolean {
	let inside = false;
	for (let i = 0, before = corners.length - 1; i < corners.length; before = i++) {
		const x1 = corners[before]![0];
		const y1 = corners[before]![1];
		const x2 = corners[i]![0];
		const y2 = corners[i]![1];
		if (y1 > y !== y2 > y && x < ((x2 - x1) * (y - y1)) / (y2 - y1) + x1) inside = !inside;
	}
	return inside;
}
