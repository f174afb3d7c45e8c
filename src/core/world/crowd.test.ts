import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Course, Crate, Wall } from '../course/course';
import { skiff } from '../robots/skiff';
import { rehearseAlone } from '../testing/alone';
import { courseOf, planOf, repeat, step, wall } from '../testing/sample';
import { cornersOfCrate } from './crates';
import { maximumNear, withoutHidden } from './crowd';
import { outlineAt } from './pose';
import { setUpCrates } from './set-up';
import { separationOf } from './separation';
import { wallCorners } from './walls';
import type { Point } from '../course/measure';

const square = (x: number, y: number, half = 0.5): Point[] => [
	[x - half, y - half],
	[x + half, y - half],
	[x + half, y + half],
	[x - half, y + half]
];

describe('separation', () => {
	it('is the gap between two squares, and less than zero where they overlap', () => {
		expect(separationOf(square(0, 0), square(1.25, 0))).toBeCloseTo(0.25);
		expect(separationOf(square(0, 0), square(0.9, 0.2))).toBeCloseTo(-0.1);
		expect(separationOf(square(0, 0), square(0, 0, 0.1))).toBeCloseTo(-0.6);
	});
});

describe('hidden walls', () => {
	it('are left out: equal ones, and ones inside another', () => {
		const outer = wall([0, 0], [1, 0], 0.04);
		const kept = [outer, wall([0, 1], [1, 1]), wall([0.5, -0.5], [0.5, 0.5])];
		const hidden = [
			wall([0, 0], [1, 0], 0.04),
			wall([0.2, 0], [0.6, 0.005]),
			wall([0.1, 1], [0.9, 1])
		];
		expect(withoutHidden([...kept, ...hidden])).toEqual(kept);
	});
});

const drive = (kind: string, values: object) =>
	step(kind, { speed: 0.5, ending: 'brake', then: 'carryOn', ...values });
const roam = planOf([
	repeat(1000, [
		drive('goFor', { duration: 1 }),
		drive('turnFor', { direction: 'right', duration: 0.4 }),
		drive('goFor', { duration: 1, speed: -0.5 })
	])
]);
const attemptOn = (course: Course, seed: number, limit = 12) =>
	rehearseAlone({ plan: roam, course, variation: 'classroom', seed, limit });

/** Metres that the robot reaches into a wall at most, over a whole attempt. */
function deepest(course: Course, seed: number): number {
	const { trace } = attemptOn(course, seed);
	const corners = course.walls.map(wallCorners);
	let most = 0;
	for (let i = 0; i < trace.time.length; i += 3) {
		const cos = Math.cos(trace.heading[i]!);
		const sin = Math.sin(trace.heading[i]!);
		const [x, y] = [trace.x[i]!, trace.y[i]!];
		const outline = skiff.outline.map(([ahead, left]): Point => [
			x + ahead * cos - left * sin,
			y + ahead * sin + left * cos
		]);
		for (const each of corners) most = Math.max(most, -separationOf(outline, each));
	}
	return most;
}

describe('a crowd of walls', () => {
	it('is never entered by more than a millimetre', () => {
		const place = (from: number, to: number) => fc.double({ min: from, max: to, noNaN: true });
		// A hundred walls over each other around a place that the robot drives into.
		const crowds = fc.array(
			fc.tuple(place(0.2, 0.6), place(0.65, 0.8), place(0.2, 0.6), place(0.65, 0.8)),
			{ minLength: 100, maxLength: 130 }
		);
		fc.assert(
			fc.property(crowds, fc.nat(99), (list, seed) => {
				const walls: Wall[] = list.map(([x1, y1, x2, y2]) => wall([x1, y1], [x2, y2], 0.01));
				expect(deepest(courseOf({ walls }), seed)).toBeLessThan(1e-3);
			}),
			{ numRuns: 12 }
		);
	});

	it('of nineteen hundred equal walls is the same as one of them', () => {
		const one = wall([0.2, 0.65], [1, 0.65]);
		const far = Array.from({ length: maximumNear }, (_, i) => wall([5 + i / 2, 5], [5 + i / 2, 6]));
		const many = Array.from({ length: 1900 }, () => one);
		const few = attemptOn(courseOf({ walls: [one, ...far] }), 3);
		const all = attemptOn(courseOf({ walls: [...many, ...far] }), 3);
		expect(all.trace.x).toEqual(few.trace.x);
		expect(all.bumps.length).toBeGreaterThan(0);
	});
});

describe('crates', () => {
	const crate = (id: number, x: number, y: number): Crate => ({
		id: `k${id}`,
		at: [x, y],
		bearing: 0,
		width: 0.1,
		depth: 0.1,
		mass: 0.1
	});
	const stuck = (crates: Crate[], walls: Wall[] = []) =>
		setUpCrates({ walls, crates }).filter(({ isStuck }) => isStuck).length;

	it('are stuck in a pile, and free side by side', () => {
		const pile = Array.from({ length: 10 }, (_, i) => crate(i, 0.5 + i * 0.001, 0.5));
		expect(stuck(pile)).toBe(10);
		const row = Array.from({ length: 10 }, (_, i) => crate(i, i * 0.1, 0.5));
		expect(stuck(row)).toBe(0);
	});

	it('drawn in a wall or in each other are set up beside it, and nothing is thrown', () => {
		const walls = [wall([0, 0.5], [1, 0.5])];
		const crates = [crate(0, 0.5, 0.53), crate(1, 0.55, 0.6), crate(2, 0.2, 0.9)];
		const standing = setUpCrates({ walls, crates });
		const outlines = standing.map(({ crate, pose }) => outlineAt(cornersOfCrate(crate), pose));
		outlines.forEach((one, index) => {
			for (const other of [wallCorners(walls[0]!), ...outlines.slice(0, index)])
				expect(separationOf(one, other)).toBeGreaterThan(0);
		});
		expect(standing[0]!.pose.y).toBeCloseTo(0.5602, 6);
		expect(standing[2]!.pose).toMatchObject({ x: 0.2, y: 0.9 });
	});
});
