/**
 * Walls that lie over each other. Planck's work grows with every wall that touches the robot, so
 * those that are hidden in others are left out, and of a crowd only the nearest are looked at.
 */
import * as exact from '../exact';
import { type Wall } from '../course/course';
import { boxOf, type Box } from './box';
import { Boxes } from './boxes';
import { separationOf } from './separation';
import { wallCorners } from './walls';
import { topOfWall } from '../course/parts/walls';
import type { Point } from '../course/measure';

/** Metres that a wall may stick out of another one and still count as hidden in it. */
const tolerance = 1e-4;
/** Walls near the robot that are looked at: a maze has some ten around a robot. */
export const maximumNear = 48;

/** The walls that are not hidden in one other. */
export function withoutHidden(walls: readonly Wall[]): Wall[] {
	const corners = walls.map(wallCorners);
	const boxes = corners.map(boxOf);
	const index = new Boxes(boxes);
	const kept: Wall[] = [];
	const isKept = new Uint8Array(walls.length);
	const largestFirst = walls
		.map((wall, index) => ({ wall, index, size: sizeOf(wall) }))
		.toSorted((a, b) => b.size - a.size || a.index - b.index);
	for (const { wall, index: own } of largestFirst) {
		const isHidden = index
			.meeting(boxes[own]!)
			.some(
				(other) =>
					isKept[other] === 1 &&
					topOfWall(walls[other]!) >= topOfWall(wall) &&
					contains(boxes[other]!, boxes[own]!) &&
					isInside(corners[own]!, corners[other]!)
			);
		if (isHidden) continue;
		isKept[own] = 1;
		kept.push(wall);
	}
	if (kept.length === walls.length) return [...walls];
	return walls.filter((_, index) => isKept[index] === 1);
}

const sizeOf = ({ from, to, thickness }: Wall): number =>
	(exact.lengthOf(to[0] - from[0], to[1] - from[1]) + thickness) * thickness;

const contains = (outer: Box, inner: Box): boolean =>
	inner[0] >= outer[0] - tolerance &&
	inner[1] >= outer[1] - tolerance &&
	inner[2] <= outer[2] + tolerance &&
	inner[3] <= outer[3] + tolerance;

const isInside = (corners: readonly Point[], outer: readonly Point[]): boolean =>
	corners.every((corner) => separationOf(outer, [corner]) <= tolerance);
