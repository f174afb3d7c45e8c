/** Signs on the floor: start marks, and the numbers beside what counts in its order. */
import type { Course } from './course';
import { placeBeside, type Point } from './measure';

/** Corners of a start mark: how far ahead of its middle, and to the left. Metres. */
export const startMark: readonly Point[] = [
	[-0.1, 0.085],
	[0.02, 0.085],
	[0.105, 0],
	[0.02, -0.085],
	[-0.1, -0.085]
];

/** Beside lamp posts and gates in their order, and start marks of several robots. */
export interface PlacedNumber {
	readonly count: number;
	/** The middle of the number. */
	readonly at: Point;
}

/** Metres from what a number belongs to, so that it stands clear of it. */
const besidePost = 0.065;
const besideGate = 0.08;
const besideStart = 0.13;

/** @param starts where robots stand; one of them alone needs no number */
export function placedNumbers(course: Course, starts = course.starts): PlacedNumber[] {
	const posts = course.lampPosts.map(({ at: [x, y] }): Point => [x, y + besidePost]);
	const gates = course.gates.map(({ at, bearing, width }) =>
		placeBeside(at, bearing, 0, width / 2 + besideGate)
	);
	const marks = starts.map(({ at, bearing }) => placeBeside(at, bearing, 0, besideStart));
	const lists = [...(course.isInOrder ? [posts, gates] : []), ...(marks.length > 1 ? [marks] : [])];
	return lists.flatMap((list) => list.map((at, index) => ({ count: index + 1, at })));
}
