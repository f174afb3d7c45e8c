import { expect, it } from 'vitest';
import { brightnessOf } from '../colours';
import type { Course } from '../course/course';
import { isInside, type Point } from '../course/measure';
import { lineOf } from '../course/tape';
import { randomCourse } from '../testing/random-course';
import { Paint } from './paint';

function gap(line: readonly Point[], [x, y]: Point): number {
	const gaps = line.slice(1).map(([x2, y2], i) => {
		const [x1, y1] = line[i]!;
		const long = Math.sqrt((x2 - x1) * (x2 - x1) + (y2 - y1) * (y2 - y1)) || 1;
		const [ux, uy] = [(x2 - x1) / long, (y2 - y1) / long];
		const on = Math.max(0, Math.min(long, (x - x1) * ux + (y - y1) * uy));
		const [gx, gy] = [x1 + ux * on - x, y1 + uy * on - y];
		return Math.sqrt(gx * gx + gy * gy);
	});
	return Math.min(...gaps);
}

/** What a spot of 6 mm sees, worked out from every piece of everything. */
function plainly({ patches, tapes }: Pick<Course, 'patches' | 'tapes'>, at: Point): number {
	const depths = [
		...patches.map(({ corners, colour }) => {
			const far = gap([...corners, corners[0]!], at);
			return [colour, isInside(corners, ...at) ? far : -far] as const;
		}),
		...tapes.map((tape) => [tape.colour, tape.width / 2 - gap(lineOf(tape), at)] as const)
	];
	return depths.reduce((seen, [colour, depth]) => {
		const share = Math.max(0, Math.min(1, 0.5 + depth / 0.012));
		return seen + (brightnessOf[colour] - seen) * share;
	}, brightnessOf.white);
}

it('is what every piece of everything comes to, far and near, on and off the floor', () => {
	let coloured = 0;
	for (let i = 0; i < 60; i++) {
		const course = randomCourse([i, 7 * i + 1, 3 * i + 2, 11 * i], 12);
		const paint = new Paint(course);
		const places: Point[] = [
			...course.tapes.flatMap(({ points }) => points),
			...course.patches.flatMap(({ corners }) => corners)
		];
		for (const [x, y] of places)
			for (const away of [0, 0.004, 0.02, 0.3, -7]) {
				const at: Point = [x + away, y - away / 3];
				const expected = plainly(course, at);
				if (expected !== brightnessOf.white) coloured += 1;
				expect(paint.seenAt(...at).brightness).toBeCloseTo(expected, 9);
			}
	}
	expect(coloured).toBeGreaterThan(100);
});
