/** How far a ray goes before it meets the outline of something that stands on the floor. */
import * as exact from '../exact';
import type { Point } from '../course/course';

/** Sides of standing things, four numbers each: from (x1, y1) to (x2, y2), metres. */
export function sidesOf(outlines: readonly (readonly Point[])[]): Float64Array {
	let count = 0;
	for (const corners of outlines) count += corners.length;
	const sides = new Float64Array(count * 4);
	let at = 0;
	for (const corners of outlines)
		for (let i = 0; i < corners.length; i++) {
			const [x1, y1] = corners[i]!;
			const [x2, y2] = corners[(i + 1) % corners.length]!;
			sides[at++] = x1;
			sides[at++] = y1;
			sides[at++] = x2;
			sides[at++] = y2;
		}
	return sides;
}

/**
 * @param angle radians, counter-clockwise from east
 * @returns metres to the nearest side, `range` at the most
 */
export function rayLength(
	x: number,
	y: number,
	angle: number,
	range: number,
	sides: Float64Array
): number {
	const dx = exact.cos(angle);
	const dy = exact.sin(angle);
	let nearest = range;
	for (let i = 0; i < sides.length; i += 4) {
		const ax = sides[i]! - x;
		const ay = sides[i + 1]! - y;
		const sx = sides[i + 2]! - sides[i]!;
		const sy = sides[i + 3]! - sides[i + 1]!;
		const across = dx * sy - dy * sx;
		if (across === 0) continue;
		const along = (ax * sy - ay * sx) / across;
		const part = (ax * dy - ay * dx) / across;
		if (along >= 0 && along < nearest && part >= 0 && part <= 1) nearest = along;
	}
	return nearest;
}
