/** Boxes around things, with sides to the east and to the north. */
import type { Point } from '../course/measure';

/** West, south, east, north; metres. */
export type Box = readonly [number, number, number, number];

export function boxOf(corners: readonly Point[]): Box {
	let [west, south, east, north] = [Infinity, Infinity, -Infinity, -Infinity];
	for (const [x, y] of corners) {
		if (x < west) west = x;
		if (x > east) east = x;
		if (y < south) south = y;
		if (y > north) north = y;
	}
	return [west, south, east, north];
}

export const meet = (one: Box, other: Box): boolean =>
	one[0] <= other[2] && other[0] <= one[2] && one[1] <= other[3] && other[1] <= one[3];
