/** How far two convex outlines are apart. */
import * as exact from '../exact';
import type { Point } from '../course/course';

/**
 * @param one, other corners counter-clockwise, metres
 * @returns metres between them, never too much; less than zero by as much as they overlap
 */
export const separationOf = (one: readonly Point[], other: readonly Point[]): number =>
	Math.max(alongSides(one, other), alongSides(other, one));

/** The widest gap that can be seen along a side of the first one. */
function alongSides(one: readonly Point[], other: readonly Point[]): number {
	let widest = -Infinity;
	for (let i = 0; i < one.length; i++) {
		const [x, y] = one[i]!;
		const [x2, y2] = one[(i + 1) % one.length]!;
		const length = exact.lengthOf(x2 - x, y2 - y);
		if (length === 0) continue;
		const outX = (y2 - y) / length;
		const outY = (x - x2) / length;
		let gap = Infinity;
		for (let k = 0; k < other.length; k++) {
			const corner = other[k]!;
			gap = Math.min(gap, (corner[0] - x) * outX + (corner[1] - y) * outY);
		}
		widest = Math.max(widest, gap);
	}
	return widest;
}
