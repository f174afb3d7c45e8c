import * as exact from '../exact';
import type { Point } from '../course/measure';

/** Where something stands on the floor, seen from above. */
export interface Pose {
	x: number;
	y: number;
	/** Radians, counter-clockwise from east; not wrapped. */
	heading: number;
}

/** Where points of a thing are, x to its front, when it stands so. */
export function outlineAt(
	points: readonly (readonly [number, number])[],
	{ x, y, heading }: Pose
): Point[] {
	const cos = exact.cos(heading);
	const sin = exact.sin(heading);
	return points.map(([ahead, left]) => [
		x + ahead * cos - left * sin,
		y + ahead * sin + left * cos
	]);
}

/** Metres from the middle of a thing to its farthest corner. */
export const radiusOf = (points: readonly (readonly [number, number])[]): number =>
	Math.max(...points.map(([x, y]) => exact.lengthOf(x, y)));
