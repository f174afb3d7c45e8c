/** How far two convex outlines are apart. */
import * as exact from '../exact';
import type { Point } from '../course/measure';

/** The widest gap that can be seen between two things, and the direction across it, from one to the other. */
export interface Gap {
	/** Metres, never more than they are apart; less than zero by as much as they overlap. */
	readonly width: number;
	readonly x: number;
	readonly y: number;
}

/** @param one, other corners counter-clockwise, metres */
export function gapBetween(one: readonly Point[], other: readonly Point[]): Gap {
	const [own, back] = [alongSides(one, other), alongSides(other, one)];
	return own.width >= back.width ? own : { width: back.width, x: -back.x, y: -back.y };
}

/**
 * @param one, other corners counter-clockwise, metres
 * @returns metres between them, never too much; less than zero by as much as they overlap
 */
export const separationOf = (one: readonly Point[], other: readonly Point[]): number =>
	gapBetween(one, other).width;

/** The widest gap that can be seen along a side of the first one. */
function alongSides(one: readonly Point[], other: readonly Point[]): Gap {
	let [width, x, y] = [-Infinity, 0, 0];
	for (let i = 0; i < one.length; i++) {
		const [x1, y1] = one[i]!;
		const [x2, y2] = one[(i + 1) % one.length]!;
		const length = exact.lengthOf(x2 - x1, y2 - y1);
		if (length === 0) continue;
		const outX = (y2 - y1) / length;
		const outY = (x1 - x2) / length;
		let gap = Infinity;
		for (let k = 0; k < other.length; k++) {
			const corner = other[k]!;
			gap = Math.min(gap, (corner[0] - x1) * outX + (corner[1] - y1) * outY);
		}
		if (gap > width) [width, x, y] = [gap, outX, outY];
	}
	return { width, x, y };
}
