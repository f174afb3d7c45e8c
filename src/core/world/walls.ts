/** Walls as the world sees them: how near the nearest one is, and their corners. */
import * as exact from '../exact';
import { type Wall } from '../course/course';
import { topOfWall } from '../course/parts/walls';
import type { Point } from '../course/measure';

/** Walls never change: what many ask for is worked out once. */
const known = new WeakMap<Wall, readonly Point[]>();

/** Corners of a wall, counter-clockwise, metres. Its ends reach half its thickness further. */
export function wallCorners(wall: Wall): readonly Point[] {
	const corners = known.get(wall) ?? makeCorners(wall);
	known.set(wall, corners);
	return corners;
}

function makeCorners(wall: Wall): readonly Point[] {
	const [x1, y1] = wall.from;
	const [x2, y2] = wall.to;
	const length = exact.lengthOf(x2 - x1, y2 - y1);
	const half = wall.thickness / 2;
	const ux = length > 0 ? ((x2 - x1) / length) * half : half;
	const uy = length > 0 ? ((y2 - y1) / length) * half : 0;
	return [
		[x1 - ux + uy, y1 - uy - ux],
		[x2 + ux + uy, y2 + uy - ux],
		[x2 + ux - uy, y2 + uy + ux],
		[x1 - ux - uy, y1 - uy + ux]
	];
}

/**
 * Answers how much room there is around a point. Six numbers a wall in one flat array: a middle
 * line from (x, y) along (dx, dy), one over its squared length, and the half thickness.
 */
export class Clearance {
	private readonly numbers: Float64Array;
	private readonly tops: Float64Array;

	constructor(walls: readonly Wall[]) {
		this.numbers = new Float64Array(walls.length * 6);
		this.tops = Float64Array.from(walls, topOfWall);
		walls.forEach((wall, index) => {
			const [a, b, c, d] = wallCorners(wall);
			const x = (a![0] + d![0]) / 2;
			const y = (a![1] + d![1]) / 2;
			const dx = (b![0] + c![0]) / 2 - x;
			const dy = (b![1] + c![1]) / 2 - y;
			this.numbers.set([x, y, dx, dy, 1 / (dx * dx + dy * dy), wall.thickness / 2], index * 6);
		});
	}

	/**
	 * Metres from the point to the nearest wall, never too much; Infinity without walls.
	 * @param level metres: walls that are not higher do not count
	 */
	at(x: number, y: number, level = 0): number {
		let nearest = Infinity;
		for (let wall = 0; wall < this.tops.length; wall++)
			if (this.tops[wall]! > level) nearest = Math.min(nearest, this.gapTo(wall, x, y));
		return nearest;
	}

	/** @param wall its number */
	protected topOf(wall: number): number {
		return this.tops[wall]!;
	}

	/** Metres from a point to the side of a wall, less than 0 in it. @param wall its number */
	protected gapTo(wall: number, x: number, y: number): number {
		const { numbers } = this;
		const i = wall * 6;
		const px = x - numbers[i]!;
		const py = y - numbers[i + 1]!;
		const dx = numbers[i + 2]!;
		const dy = numbers[i + 3]!;
		const along = Math.max(0, Math.min(1, (px * dx + py * dy) * numbers[i + 4]!));
		const gapX = px - along * dx;
		const gapY = py - along * dy;
		return Math.sqrt(gapX * gapX + gapY * gapY) - numbers[i + 5]!;
	}
}
