/** Where robots stand at Run: on the start marks, and beside them when there are more robots. */
import * as exact from '../exact';
import type { Course } from '../course/course';
import { headingOfBearing } from '../units/angles';
import { railNear, railReach } from '../course/rails';
import type { Outline } from './body';
import { cornersOfCrate } from './crates';
import { Ground } from './ground';
import { outlineAt } from './pose';
import { setFree } from './set-free';
import { setUpCrates } from './set-up';
import { Clearance, cornersOf } from './walls';
import type { Point } from '../course/measure';

export type StartPlace = Course['starts'][number];

/** Metres between the middles of two robots that stand side by side. */
const apart = 0.3;
/** Metres around a robot's middle that have to be free. */
const room = 0.13;
/** Metres that a hand sets a robot aside when something stands where it was to be. */
export const farthestAside = 0.03;
/** On a rail there is no aside. */
export const asideOf = ({ isOnRail }: { readonly isOnRail?: true }): number =>
	isOnRail ? 0 : farthestAside;
/** Places that are tried to each side, and ahead, and behind. */
const reach = 4;

/** Where the first robot stands on a course without a start mark. */
const middleOf = ({ size }: Course): StartPlace => ({
	at: [size.width / 2, size.height / 2],
	bearing: 0
});

/** A place for each of so many robots. */
export function startPlaces(course: Course, count: number): StartPlace[] {
	const marks = course.starts.length > 0 ? course.starts : [middleOf(course)];
	const places = marks.slice(0, count);
	if (places.length === count) return places;
	const clearance = new Clearance(course.walls);
	const ground = new Ground(course);
	const { at: from, bearing } = marks[0]!;
	const heading = headingOfBearing(bearing);
	const [cos, sin] = [exact.cos(heading), exact.sin(heading)];
	const isFree = ([x, y]: StartPlace['at']): boolean =>
		Math.min(x, y, course.size.width - x, course.size.height - y) >= room &&
		clearance.at(x, y) >= room &&
		!ground.isBeyondEdge(x, y) &&
		[...course.crates, ...places].every(
			({ at }) => exact.lengthOf(at[0] - x, at[1] - y) >= apart * 0.9
		);
	const beside = grid.map(([ahead, left]): StartPlace['at'] => [
		from[0] + ahead * cos - left * sin,
		from[1] + ahead * sin + left * cos
	]);
	while (places.length < count) {
		const at = beside.find(isFree) ?? beside[places.length]!;
		places.push({ at, bearing });
	}
	return places;
}

/** What stands on a course at Run, beside the robots. */
export const outlinesOn = (course: Course): (readonly Point[])[] => [
	...course.walls.map(cornersOf),
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

const steps = Array.from({ length: 2 * reach + 1 }, (_, i) => (i - reach) * apart);
/** Metres ahead and to the left, the nearest first; beside comes before behind. */
const grid = steps
	.flatMap((left) => steps.map((ahead) => [ahead, left] as const))
	.filter(([ahead, left]) => ahead !== 0 || left !== 0)
	.toSorted((a, b) => wayTo(a) - wayTo(b));

function wayTo([ahead, left]: readonly [number, number]): number {
	return left * left + 1.1 * ahead * ahead;
}
