/** Points of a course that stand on the real floor as well: a tape can be laid from them. */
import type { Course } from '$core/course/course';
import { lengthTo, type Point } from '$core/course/measure';

export interface KnownPoint {
	readonly key: string;
	/** By which it is called, in words.en.json. */
	readonly kind: 'start' | 'finish' | 'post' | 'wallEnd' | 'corner';
	/** On the floor and in the list. */
	readonly number: number;
	readonly at: Point;
}

/** So many can be told apart on the floor. */
const mostPoints = 12;
/** Metres within which two are one. */
const together = 0.03;

/** The nearest ones, numbered by how near they are. @param from metres */
export function pointsOf(course: Course, from: { x: number; y: number }): readonly KnownPoint[] {
	const { width, height } = course.size;
	const corners: readonly Point[] = [
		[0, 0],
		[width, 0],
		[width, height],
		[0, height]
	];
	const all: readonly Omit<KnownPoint, 'number' | 'key'>[] = [
		...course.starts.map(({ at }) => ({ kind: 'start', at }) as const),
		...(course.finish ? [{ kind: 'finish', at: course.finish.at } as const] : []),
		...course.lampPosts.map(({ at }) => ({ kind: 'post', at }) as const),
		...course.walls.flatMap((wall) =>
			[wall.from, wall.to].map((at) => ({ kind: 'wallEnd', at }) as const)
		),
		...corners.map((at) => ({ kind: 'corner', at }) as const)
	];
	const near = all.toSorted(
		(a, b) => lengthTo(a.at, [from.x, from.y]) - lengthTo(b.at, [from.x, from.y])
	);
	const apart: (typeof all)[number][] = [];
	for (const point of near) {
		if (apart.length === mostPoints) break;
		if (apart.every(({ at }) => lengthTo(at, point.at) > together)) apart.push(point);
	}
	return apart.map((point, index) => ({
		...point,
		number: index + 1,
		key: point.at.join()
	}));
}
