/** Where robots stand at Run: on the start marks, and beside them when there are more robots. */
import * as exact from '../exact';
import type { Course } from '../course/course';
import { isInside } from '../course/measure';
import { headingOfBearing } from '../units/angles';
import { Clearance } from './walls';

export type StartPlace = Course['starts'][number];

/** Metres between the middles of two robots that stand side by side. */
const apart = 0.3;
/** Metres around a robot's middle that have to be free. */
const room = 0.13;
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
	const { table } = course;
	const { at: from, bearing } = marks[0]!;
	const heading = headingOfBearing(bearing);
	const [cos, sin] = [exact.cos(heading), exact.sin(heading)];
	const isFree = ([x, y]: StartPlace['at']): boolean =>
		Math.min(x, y, course.size.width - x, course.size.height - y) >= room &&
		clearance.at(x, y) >= room &&
		(table === null || isInside(table, x, y)) &&
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

const steps = Array.from({ length: 2 * reach + 1 }, (_, i) => (i - reach) * apart);
/** Metres ahead and to the left, the nearest first; beside comes before behind. */
const grid = steps
	.flatMap((left) => steps.map((ahead) => [ahead, left] as const))
	.filter(([ahead, left]) => ahead !== 0 || left !== 0)
	.toSorted((a, b) => wayTo(a) - wayTo(b));

function wayTo([ahead, left]: readonly [number, number]): number {
	return left * left + 1.1 * ahead * ahead;
}
