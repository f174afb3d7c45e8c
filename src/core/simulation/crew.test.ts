/** Several robots in one rehearsal. */
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Course, Crate } from '../course/course';
import { planRobot, type Chain, type Plan, type Step } from '../plan/plan';
import { sampleRobot } from '../robots/robot-document';
import { skiff } from '../robots/skiff';
import { courseOf, go, planOf, step, trigger, wait, wall } from '../testing/sample';
import { StandingCrate } from '../world/crates';
import { outlineAt, type Pose } from '../world/pose';
import { separationOf } from '../world/separation';
import { startPlaces } from '../world/start-places';
import { wallCorners } from '../world/walls';
import type { Attempt, RobotRun } from './attempt';
import { fingerprintOf } from './fingerprint';
import { simulate } from './simulate';
import { runs } from '../testing/runs';
import type { Point } from '../course/measure';

const tallow = planRobot(sampleRobot(skiff));
const ember = planRobot({ ...sampleRobot(skiff), name: 'Ember-6' }, [tallow]);
const chainOf = (id: string, steps: Step[], robot?: string, top = trigger()): Chain => ({
	id,
	trigger: top,
	steps,
	...(robot && { robot })
});
const planFor = (...chains: Chain[]): Plan => ({
	...planOf([]),
	robots: [tallow, ember],
	chains
});
const starts: Course['starts'] = [
	{ at: [0.4, 0.5], bearing: 90 },
	{ at: [1.2, 0.5], bearing: 270 }
];
const rehearse = (plan: Plan, changes: Partial<Course> = {}) =>
	simulate({ plan, course: courseOf({ starts, ...changes }), variation: 'ideal', seed: 1 });
const endOf = ({ trace }: RobotRun) => [trace.x.at(-1)!, trace.y.at(-1)!] as const;

describe('two robots', () => {
	it('hand a value over with a message', () => {
		const when = step('whenMessage', { message: 'lamp' });
		const plan = planFor(
			chainOf('a', [wait(0.5), step('send', { message: 'lamp', value: 0.25 })]),
			chainOf(
				'b',
				[step('go', { ...go(1).values, distance: { expression: 'valueThatCameWithTheMessage' } })],
				ember.id,
				when
			)
		);
		const [first, second] = rehearse(plan).runs;
		expect(endOf(first!)[0]).toBe(0.4);
		expect(endOf(second!)[0]).toBeCloseTo(0.95, 2);
	});

	it('have variables of their own', () => {
		const counts = (by: number) => [
			step('change', { variable: 'n', by }),
			wait(0.1),
			step('log', { value: { expression: 'n' } })
		];
		const plan = planFor(chainOf('a', counts(1)), chainOf('b', counts(5), ember.id));
		expect(rehearse(plan).log.map(({ value }) => value)).toEqual([1, 5]);
	});

	it('run into each other, and both know', () => {
		const { runs } = rehearse(planFor(chainOf('a', [go(1)]), chainOf('b', [go(1)], ember.id)));
		const met = runs.map(({ bumps: [first] }) => [first!.against, first!.number]);
		expect(met).toEqual([
			['robot', 1],
			['robot', 2]
		]);
	});

	it('see each other with their distance sensors', () => {
		const read = [step('set', { variable: 'n', value: { expression: 'distanceAhead' } })];
		const { runs } = rehearse(planFor(chainOf('a', read)));
		const half = Math.max(...skiff.outline.map(([ahead]) => ahead));
		// From the sensor, somewhat before the middle of one, to the shell of the other.
		expect(runs[0]!.sensed.distanceAhead![0]).toBeGreaterThan(0.8 - 2 * half - 0.05);
		expect(runs[0]!.sensed.distanceAhead![0]).toBeLessThan(0.8 - half);
	});

	it('name steps that the kind of their own robot lacks', () => {
		const lite = { ...ember, kind: 'skiffLite' };
		const plan = planFor(chainOf('a', [go(0.1)]), chainOf('b', [go(0.1)], ember.id));
		const { notes } = rehearse({ ...plan, robots: [tallow, lite] });
		expect(notes.map(({ sentence }) => sentence)).toEqual([
			{ key: 'note.cannot.pacing', values: { number: 2 } }
		]);
	});
});

it('more robots than start marks stand beside them, clear of each other and of what is there', () => {
	const course = courseOf({ starts: [starts[0]!], walls: [wall([0.3, 0.62], [0.5, 0.62])] });
	const places = startPlaces(course, 8);
	expect(places[0]).toEqual(starts[0]);
	places.forEach(({ at: [x, y] }, index) => {
		expect(Math.min(x, y, 2 - x, 1.5 - y)).toBeGreaterThan(0.1);
		for (const { at } of places.slice(0, index)) {
			expect(Math.hypot(at[0] - x, at[1] - y)).toBeGreaterThan(0.25);
		}
	});
});

// --- whatever they do ---

/** Evenly spread, unlike doubles. */
const number = (from: number, to: number) =>
	fc.integer({ min: 0, max: 10_000 }).map((part) => from + ((to - from) * part) / 10_000);
const bearing = number(0, 359);
const move = fc.oneof(
	fc.tuple(number(0.3, 1.5), number(-1, 1)).map(([duration, speed]) => ['goFor', duration, speed]),
	fc
		.tuple(number(0.2, 0.8), number(0.2, 1))
		.map(([duration, speed]) => ['turnFor', duration, speed])
) as fc.Arbitrary<[string, number, number]>;
const stepsOf = (moves: readonly [string, number, number][]): Step[] =>
	moves.map(([kind, duration, speed]) =>
		step(kind, {
			...(kind === 'turnFor' && { direction: 'right' }),
			...{ duration, speed, ending: 'brake', then: 'goOn' }
		})
	);

const outlineOf = (pose: Pose): Point[] => outlineAt(skiff.outline, pose);
const poseAt = ({ trace: { x, y, heading } }: RobotRun, i: number): Pose => ({
	x: x[i]!,
	y: y[i]!,
	heading: heading[i]!
});

/** Two robots that drive about among walls and crates that stand clear of their start marks. */
const worlds = fc
	.record({
		moves: fc.tuple(
			fc.array(move, { minLength: 3, maxLength: 6 }),
			fc.array(move, { minLength: 3, maxLength: 6 })
		),
		places: fc.tuple(
			fc.tuple(number(0.5, 0.8), number(0.6, 0.8), number(80, 100)),
			fc.tuple(number(1.1, 1.4), number(0.6, 0.8), number(260, 280))
		),
		lines: fc.array(fc.tuple(number(0, 2), number(0, 1.5), number(0, 2), number(0, 1.5)), {
			maxLength: 6
		}),
		boxes: fc.array(fc.tuple(number(0.2, 1.8), number(0.2, 1.3), bearing), { maxLength: 2 }),
		variation: fc.constantFrom('ideal' as const, 'classroom' as const, 'worn' as const),
		seed: fc.nat(1000)
	})
	.map(({ moves, places, lines, boxes, variation, seed }) => {
		const marks = places.map(([x, y, bearing]) => ({ at: [x, y] as [number, number], bearing }));
		const isClear = (corners: readonly Point[], room: number) =>
			marks.every(({ at: [x, y] }) => {
				const around = [-room, room].flatMap((a) =>
					[-room, room].map((b): Point => [x + a, y + b])
				);
				const [p, q, r, s] = around as [Point, Point, Point, Point];
				return separationOf([p, r, s, q], corners) > 0;
			});
		const walls = lines
			.map(([x1, y1, x2, y2]) => wall([x1, y1], [x2, y2], 0.02))
			.filter((each) => isClear(wallCorners(each), 0.16));
		const crates: Crate[] = [];
		boxes.forEach(([x, y, bearing], index) => {
			const crate: Crate = {
				id: `k${index}`,
				at: [x, y],
				bearing,
				width: 0.1,
				depth: 0.08,
				mass: 0.2
			};
			const corners = new StandingCrate(crate).outline;
			const others = [
				...walls.map(wallCorners),
				...crates.map((c) => new StandingCrate(c).outline)
			];
			const isFree = others.every((other) => separationOf(other, corners) > 0.005);
			if (isFree && isClear(corners, 0.16)) crates.push(crate);
		});
		const course = courseOf({ starts: marks, walls, crates });
		const plan = planFor(
			chainOf('a', stepsOf(moves[0])),
			chainOf('b', stepsOf(moves[1]), ember.id)
		);
		return { plan, course, variation, seed, limit: 8 };
	});

/** Metres that two things reach into each other at most, over a whole attempt. */
function deepest(attempt: Attempt, { walls, crates }: Course): number {
	const corners = walls.map(wallCorners);
	const standing = crates.map((crate) => new StandingCrate(crate));
	let most = 0;
	const [first] = attempt.runs;
	for (let i = 0; i < first!.trace.time.length; i += 2) {
		const time = first!.trace.time[i]!;
		const robots = attempt.runs.map((run) => outlineOf(poseAt(run, i)));
		const boxes = standing.map((crate, index) => {
			const moment = attempt.crates[index]!.moments.findLast((each) => each.time <= time)!;
			return outlineAt(crate.corners, moment);
		});
		const movable = [...robots, ...boxes];
		movable.forEach((one, index) => {
			for (const other of [...corners, ...movable.slice(0, index)]) {
				most = Math.max(most, -separationOf(one, other));
			}
		});
	}
	return most;
}

/** The same plan with the other robot listed first. Its chains are named, so that none changes hands. */
const listedOtherwise = (plan: Plan): Plan => ({
	...plan,
	robots: plan.robots.toReversed(),
	chains: plan.chains.map((chain) => ({ ...chain, robot: chain.robot ?? tallow.id }))
});

describe('whatever two robots do', () => {
	it('nothing is ever more than a millimetre inside another, and the same comes out again', () => {
		let meetings = 0;
		fc.assert(
			fc.property(worlds, (rehearsal) => {
				const attempt = simulate(rehearsal);
				expect(deepest(attempt, rehearsal.course)).toBeLessThan(1e-3);
				expect(fingerprintOf(simulate(rehearsal))).toBe(fingerprintOf(attempt));
				const haveMet = attempt.runs.some(({ bumps }) =>
					bumps.some(({ against }) => against === 'robot')
				);
				if (haveMet) meetings += 1;
			}),
			{ numRuns: runs(90, 300), seed: 4, endOnFailure: true }
		);
		expect(meetings).toBeGreaterThan(runs(6, 20));
	});

	it('it makes no difference which of them is listed first', () => {
		fc.assert(
			fc.property(worlds, ({ course, ...rehearsal }) => {
				const attempt = simulate({ ...rehearsal, course });
				const otherwise = simulate({
					...rehearsal,
					plan: listedOtherwise(rehearsal.plan),
					course: { ...course, starts: course.starts.toReversed() }
				});
				const [first, second] = attempt.runs;
				expect(otherwise.runs).toEqual([second, first]);
				expect(otherwise.spans).toEqual(attempt.spans);
			}),
			{ numRuns: runs(20, 60), seed: 5, endOnFailure: true }
		);
	});
});
