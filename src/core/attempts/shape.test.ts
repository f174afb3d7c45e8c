import { describe, expect, it } from 'vitest';
import type { Step } from '../plan/plan';
import { simulate } from '../simulation/simulate';
import type { RobotRun } from '../simulation/attempt';
import type { RobotKind, Variation } from '../robots/robot';
import { ball } from '../robots/ball';
import { skiff } from '../robots/skiff';
import { courseOf, fullStep, go, planFor, planOf, right } from '../testing/sample';
import { degrees } from '../units/angles';
import { legsIn, type Leg } from './legs';
import { shapeOf } from './shape';

const course = courseOf({ size: { width: 4, height: 4 }, starts: [{ at: [1, 1], bearing: 0 }] });

function shapeDriven(
	steps: readonly Step[],
	variation: Variation = 'ideal',
	kind: RobotKind = skiff
) {
	const plan = planFor(kind, planOf(steps));
	const attempt = simulate({ plan, course, variation, seed: 4 });
	const intended = simulate({ plan, course, variation: 'ideal', seed: 1 });
	const run = attempt.runs[0]!;
	return shapeOf(run, legsIn(attempt, run, intended), intended);
}

const square = [go(0.5), right(90), go(0.5), right(90), go(0.5), right(90), go(0.5), right(90)];

/** A run that went along these points in a second, as one leg that was meant to turn so far. */
function along(points: readonly (readonly [number, number])[], turn: number) {
	const time = Float64Array.from(points, (_, i) => i / (points.length - 1));
	const [x, y] = [points.map((at) => at[0]), points.map((at) => at[1])];
	const trace = {
		...{ time, x: Float64Array.from(x), y: Float64Array.from(y) },
		...{ heading: Float64Array.from(x, () => 0), columns: {} }
	};
	const run = { id: 'r', trace, pathLength: 1 } as unknown as RobotRun;
	const way = { ahead: x.at(-1)! - x[0]!, left: y.at(-1)! - y[0]!, turn, up: 0, seconds: 1 };
	const leg = { span: { start: 0, end: 1, values: {} }, did: way, meant: way } as unknown as Leg;
	return shapeOf(run, [leg], null);
}

describe('a shape that was driven', () => {
	it('is straight, right-angled and closed, of an ideal robot', () => {
		const { sides, corners, bends, closing } = shapeDriven(square);
		expect(sides).toHaveLength(4);
		expect(corners).toHaveLength(4);
		expect(bends).toEqual([]);
		for (const { length, meant, farthest } of sides) {
			expect(length).toBeCloseTo(meant!, 3);
			expect(farthest).toBeLessThan(1e-3);
		}
		for (const { turn, meant } of corners) expect(turn).toBeCloseTo(meant!, 2);
		expect(closing!.length).toBeLessThan(0.005);
		expect(Math.abs(degrees(closing!.turn))).toBeLessThan(0.5);
	});

	it('does not close, of a worn one; and nobody asks that of what was to end elsewhere', () => {
		expect(shapeDriven(square, 'worn').closing!.length).toBeGreaterThan(0.01);
		expect(shapeDriven([go(0.5), right(90), go(0.3)], 'worn').closing).toBeNull();
	});

	it('is as round as its step says', () => {
		const steps = [fullStep('arc', { direction: 'right', radius: 0.3, angle: 270 })];
		const [bend] = shapeDriven(steps).bends;
		expect(bend!.meant).toBe(0.3);
		expect(bend!.radius).toBeCloseTo(0.3, 3);
		expect(bend!.farthest).toBeLessThan(2e-3);
	});

	it('has straight sides where it rolls off in another direction', () => {
		const towards = (bearing: number) => fullStep('rollFar', { bearing, distance: 0.5 });
		const steps = [0, 90, 180, 270].map(towards);
		for (const variation of ['ideal', 'worn'] as const) {
			const { sides, bends } = shapeDriven(steps, variation, ball);
			expect([sides.length, bends.length]).toEqual([4, 0]);
			for (const { meant } of sides) expect(meant).toBeCloseTo(0.5, 2);
		}
	});

	it('has figures that follow from its points', () => {
		// A sawtooth of 1 cm about a line at 30 degrees: its best line is that line.
		const saw = Array.from({ length: 201 }, (_, i): [number, number] => {
			const off = i % 2 === 0 ? 0.01 : -0.01;
			const far = i / 200;
			return [far * Math.cos(0.5236) - off * 0.5, far * Math.sin(0.5236) + off * 0.866];
		});
		const [side] = along(saw, 0).sides;
		expect(side!.farthest).toBeCloseTo(0.01, 3);
		expect(side!.mean).toBeCloseTo(0.01, 3);
		// An ellipse of 40 by 38 cm is off a circle by 1 cm at its four ends.
		const ellipse = Array.from({ length: 361 }, (_, i): [number, number] => {
			const angle = (i * Math.PI) / 180;
			return [0.4 * Math.cos(angle), 0.38 * Math.sin(angle)];
		});
		const [bend] = along(ellipse, 2 * Math.PI).bends;
		expect(bend!.radius).toBeCloseTo(0.39, 2);
		expect(bend!.farthest).toBeCloseTo(0.01, 3);
		expect(bend!.mean).toBeCloseTo((0.02 / 2) * (2 / Math.PI), 3);
	});
});
