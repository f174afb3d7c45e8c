/** How far one sees before the outline of something that stands on the floor. */
import * as exact from '../exact';
import type { Point } from '../course/measure';

/** Sides of standing things, four numbers each: from (x1, y1) to (x2, y2), metres. */
export function coneSides(outlines: readonly (readonly Point[])[]): Float64Array {
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
 * How far it is to what stands nearest in a cone: each side is cut to what of it lies in the cone, and
 * its nearest point counts. Nothing slips through, as it would between rays.
 * @param heading radians, counter-clockwise from east, of the middle of the cone
 * @param spread half of the cone, radians; less than a quarter turn
 * @returns metres, `range` at the most
 */
export function coneLength(
	x: number,
	y: number,
	heading: number,
	spread: number,
	range: number,
	sides: Float64Array
): number {
	const rightX = exact.cos(heading - spread);
	const rightY = exact.sin(heading - spread);
	const leftX = exact.cos(heading + spread);
	const leftY = exact.sin(heading + spread);
	let nearest = range * range;
	for (let i = 0; i < sides.length; i += 4) {
		const ax = sides[i]! - x;
		const ay = sides[i + 1]! - y;
		const dx = sides[i + 2]! - sides[i]!;
		const dy = sides[i + 3]! - sides[i + 1]!;
		// The part of the side, from 0 to 1, that is left of the right edge, then right of the left one.
		let [from, to] = [0, 1];
		const overRight = rightX * ay - rightY * ax;
		const goingLeft = rightX * dy - rightY * dx;
		if (goingLeft > 0) from = Math.max(from, -overRight / goingLeft);
		else if (goingLeft < 0) to = Math.min(to, -overRight / goingLeft);
		else if (overRight < 0) continue;
		const overLeft = ax * leftY - ay * leftX;
		const goingRight = dx * leftY - dy * leftX;
		if (goingRight > 0) from = Math.max(from, -overLeft / goingRight);
		else if (goingRight < 0) to = Math.min(to, -overLeft / goingRight);
		else if (overLeft < 0) continue;
		if (from > to) continue;
		const length = dx * dx + dy * dy;
		const foot = length > 0 ? -(ax * dx + ay * dy) / length : 0;
		const part = Math.max(from, Math.min(to, foot));
		const px = ax + part * dx;
		const py = ay + part * dy;
		nearest = Math.min(nearest, px * px + py * py);
	}
	return Math.sqrt(nearest);
}
