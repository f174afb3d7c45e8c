/** Whether a robot finds room where it is set down, among what stands there at Run. */
import type { Course } from '../course/course';
import type { Point } from '../course/measure';
import { railNear, railReach } from '../course/rails';
import { headingOfBearing } from '../units/angles';
import type { Outline } from './body';
import { cornersOfCrate } from './crates';
import { outlineAt } from './pose';
import { setFree } from './set-free';
import { setUpCrates } from './set-up';
import type { StartPlace } from './start-places';
import { wallCorners } from './walls';

/** Metres that a hand sets a robot aside when something stands where it was to be. */
export const farthestAside = 0.03;
/** On a rail there is no aside. */
export const asideOf = ({ isOnRail }: { readonly isOnRail?: true }): number =>
	isOnRail ? 0 : farthestAside;

/** What stands on a course at Run, beside the robots. */
export const outlinesOn = (course: Course): (readonly Point[])[] => [
	...course.walls.map(wallCorners),
	...setUpCrates(course).map(({ crate, pose }) => outlineAt(cornersOfCrate(crate), pose))
];

/**
 * Whether a hand finds room for a robot there, if need be a little aside.
 * @param standing what `outlinesOn` gives of the course
 */
export function hasRoomAt(
	course: Pick<Course, 'rails'>,
	standing: readonly (readonly Point[])[],
	{ at, bearing }: StartPlace,
	kind: { readonly outline: Outline; readonly isOnRail?: true }
): boolean {
	const pose = { x: at[0], y: at[1], heading: headingOfBearing(bearing) };
	const rail = kind.isOnRail && railNear(course.rails, pose, railReach);
	if (rail) Object.assign(pose, rail.path.at(rail.way));
	return setFree(kind.outline, pose, standing, asideOf(kind));
}
