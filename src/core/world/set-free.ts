/** Things are set down beside what stands where they were to be, not in it, as hands do. */
import { gapBetween } from './separation';
import { outlineAt, type Pose } from './pose';
import type { Point } from '../course/measure';

/** Metres left between a thing and what it was set beside. */
const between = 2e-4;
/** Sides out of which it is moved, one after the other, before there is no room. */
const rounds = 12;

/**
 * Moves a pose the shortest way out of the things that it stands in.
 * @param points of the thing, around its middle
 * @param most metres that it may be moved
 * @returns whether it stands free now; if it cannot, it is left where it was
 */
export function setFree(
	points: readonly Point[],
	pose: Pose,
	things: readonly (readonly Point[])[],
	most: number
): boolean {
	const [x, y] = [pose.x, pose.y];
	for (let round = 0; round < rounds; round++) {
		const outline = outlineAt(points, pose);
		const gaps = things.map((thing) => gapBetween(outline, thing));
		const deepest = gaps.reduce((one, other) => (other.width < one.width ? other : one), free);
		if (deepest === free) return true;
		const by = deepest.width - between;
		pose.x += by * deepest.x;
		pose.y += by * deepest.y;
		const [dx, dy] = [pose.x - x, pose.y - y];
		if (dx * dx + dy * dy > most * most) break;
	}
	Object.assign(pose, { x, y });
	return false;
}

const free = { width: 0, x: 0, y: 0 };
