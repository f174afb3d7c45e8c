/** How the crates of a course stand before anything moves: none in another, none in a wall. */
import type { Course, Crate } from '../course/course';
import { boxOf } from './box';
import { Boxes } from './boxes';
import { StandingCrate } from './crates';
import type { Pose } from './pose';
import { separationOf } from './separation';
import { setFree } from './set-free';
import { wallCorners } from './walls';
import type { Point } from '../course/measure';

/** Things that a crate may be drawn in and still be set aside. */
const maximumOverlaps = 6;
/** Metres that two things reach into each other before they count as standing in each other. */
const overlap = 1e-3;
/** Metres that a crate is set aside at the most. */
const farthest = 0.3;

/** Where a crate stands at Run, and whether it stands in so much that nothing can move it. */
export interface SetUp {
	readonly crate: Crate;
	readonly pose: Readonly<Pose>;
	readonly isStuck: boolean;
}

export function setUpCrates({ walls, crates }: Pick<Course, 'walls' | 'crates'>): SetUp[] {
	const standing = crates.map((crate) => new StandingCrate(crate));
	const outlines = [...walls.map(wallCorners), ...standing.map(({ outline }) => outline)];
	const index = new Boxes(outlines.map(boxOf));
	const isFixed = outlines.map((_, thing) => thing < walls.length);
	const places = crates.map((crate, number) => {
		const own = walls.length + number;
		const { pose, corners, radius } = standing[number]!;
		const near = index.around(pose.x, pose.y, radius + farthest).filter((thing) => thing !== own);
		const overlaps = near.filter((thing) => isIn(outlines[own]!, outlines[thing]!)).length;
		// Those that were set up before stay where they are.
		const before = near.filter((thing) => isFixed[thing]).map((thing) => outlines[thing]!);
		const isStuck =
			overlaps > maximumOverlaps || (overlaps > 0 && !setFree(corners, pose, before, farthest));
		outlines[own] = standing[number]!.outline;
		isFixed[own] = true;
		return { crate, pose, isStuck };
	});
	return holdingEachOther(places, outlines.slice(walls.length));
}

/** What a stuck crate stands in is stuck with it. */
function holdingEachOther(
	places: readonly SetUp[],
	outlines: readonly (readonly Point[])[]
): SetUp[] {
	const stuck = new Set(outlines.filter((_, number) => places[number]!.isStuck));
	// A set goes on to what is added to it on the way.
	for (const one of stuck)
		for (const other of outlines) if (!stuck.has(other) && isIn(one, other)) stuck.add(other);
	return places.map((place, number) => ({ ...place, isStuck: stuck.has(outlines[number]!) }));
}

const isIn = (one: readonly Point[], other: readonly Point[]): boolean =>
	separationOf(one, other) < -overlap;
