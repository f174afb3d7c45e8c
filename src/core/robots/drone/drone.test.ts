import { describe, expect, it } from 'vitest';
import { checkPlan } from '../../checks';
import { applyEdit } from '../../plan/edits';
import type { Plan, Step } from '../../plan/plan';
import { simulate, type Rehearsal } from '../../simulation/simulate';
import { got } from '../../testing/got';
import {
	courseOf,
	go,
	left,
	planFor,
	planOf,
	repeat,
	fullStep as step,
	wait,
	wall
} from '../../testing/sample';
import { drone } from '.';
import * as settings from './settings';

const plan = (...steps: Step[]): Plan => planFor(drone, planOf(steps));
const charged = (charge: number, plan: Plan): Plan => ({
	...plan,
	robots: [{ ...plan.robots[0]!, settings: { charge } }]
});
const [takeOff, land] = [step('takeOff'), step('land')];
const to = (direction: string, distance: number) => step('go', { direction, distance, speed: 0.4 });

const starts = [{ at: [1, 1] as [number, number], bearing: 0 }];
function rehearse(plan: Plan, more: Partial<Rehearsal> = {}) {
	const course = courseOf({ starts, size: { width: 3, height: 3 } });
	const attempt = simulate({ plan, course, variation: 'ideal', seed: 1, ...more });
	const { trace } = attempt.runs[0]!;
	const last = trace.x.length - 1;
	const end = { x: trace.x[last]!, y: trace.y[last]!, height: trace.columns.height![last]! };
	return { attempt, trace, end, off: Math.hypot(end.x - 1, end.y - 1) };
}
const refusals = (plan: Plan) =>
	rehearse(plan).attempt.notes.map(({ sentence }) => [sentence.key, sentence.values!.number]);
const problems = (plan: Plan) =>
	checkPlan(plan, { course: courseOf({ size: { width: 3, height: 3 } }) }).map(
		({ sentence, place }) => [sentence.key, place]
	);

describe('a drone', () => {
	it('flies a square of 60 cm that closes, and lands where it began', () => {
		const { off, attempt, end } = rehearse(plan(takeOff, repeat(4, [go(0.6), left(90)]), land));
		expect(off).toBeLessThan(0.02);
		expect(end.height).toBe(0);
		const [first] = attempt.spans.filter(({ kind }) => kind === 'takeOff');
		expect(Math.abs(first!.end - first!.start - 3)).toBeLessThan(0.15);
	});

	it('loses nothing between moves that follow each other, however small', () => {
		const moves: readonly [number, number, number][] = [
			[10, 0.1, 0.3],
			[100, 0.01, 0.3],
			[10, 0.1, 1],
			[5, 0.1, 0.01]
		];
		for (const [times, distance, speed] of moves) {
			const { end } = rehearse(plan(takeOff, repeat(times, [go(distance, speed)]), land));
			expect(end.y - 1, `${times} times ${distance} m`).toBeCloseTo(times * distance, 4);
		}
		const thereAndBack = plan(takeOff, repeat(20, [go(0.1), go(-0.1)]), land);
		expect(rehearse(thereAndBack).off).toBeLessThan(1e-4);
	});

	it('turns all of an arc, and arcs add up', () => {
		const arc = (angle: number, speed: number, direction = 'right') =>
			step('arc', { radius: 0.3, angle, speed, direction });
		for (const speed of [0.01, 0.3, 1, -0.4]) {
			const round = plan(takeOff, repeat(36, [arc(10, speed)]), land);
			const { trace, off } = rehearse(round, { limit: 400 });
			const turned = trace.heading.at(-1)! - trace.heading[0]!;
			expect(turned).toBeCloseTo(-2 * Math.PI * Math.sign(speed), 4);
			expect(off).toBeLessThan(0.002);
		}
		const both = plan(takeOff, repeat(3, [arc(90, 0.4), arc(90, 0.4, 'left')]), land);
		const { trace } = rehearse(both, {
			course: courseOf({ starts, size: { width: 9, height: 9 } })
		});
		expect(trace.heading.at(-1)!).toBeCloseTo(trace.heading[0]!, 4);
	});

	it('turns steadily through a short arc that takes it back from what it still floats', () => {
		for (const millimetres of [2, 5, 8, 9, 9.1, 9.2, 9.5, 10, 12, 20]) {
			const arc = step('arc', {
				direction: 'left',
				radius: 0.3,
				angle: ((millimetres / 300) * 180) / Math.PI,
				speed: -1
			});
			const { trace } = rehearse(plan(takeOff, repeat(5, [go(0.2, 1), arc]), land));
			const turned = [...trace.heading].map((heading) => trace.heading[0]! - heading);
			expect(turned.at(-1)!, `${millimetres} mm`).toBeCloseTo((5 * millimetres) / 300, 4);
			expect(Math.max(...turned.map((angle, i) => (turned[i - 1] ?? 0) - angle))).toBeLessThan(
				0.001
			);
		}
	});

	it('comes down on the top of a wall where it is, and is not thrown aside', () => {
		const walls = [{ ...wall([0.5, 1.62], [1.5, 1.62], 0.02), height: 0.3 }];
		const course = courseOf({ starts, size: { width: 3, height: 3 }, walls });
		const { attempt, end, trace } = rehearse(plan(takeOff, go(0.6), land), { course });
		expect(attempt.outcome.reason).toEqual({ key: 'outcome.cameDown', values: { number: 3 } });
		expect(end.height).toBeCloseTo(0.3, 1);
		expect(end.y).toBeCloseTo(1.6, 3);
		expect(trace.heading.at(-1)!).toBeCloseTo(trace.heading[0]!, 6);
	});

	it('comes to a speed with a first-order lag, in every direction', () => {
		for (const direction of ['forward', 'back', 'left', 'right', 'up', 'down']) {
			const { trace, attempt } = rehearse(
				plan(takeOff, wait(2), step('start', { direction, speed: 0.3 }), wait(1.2), land)
			);
			const { start } = attempt.spans.find(({ kind }) => kind === 'start')!;
			const from = Math.round(start * 120);
			for (const seconds of [0.2, 0.4, 0.8, 1.2]) {
				const expected = 0.3 * settings.topSpeed * (1 - Math.exp(-seconds / settings.lag));
				const speed = trace.columns.speed![from + Math.round(seconds * 120)]!;
				expect(Math.abs(speed / expected - 1)).toBeLessThan(0.02);
			}
		}
	});

	it('goes to all six sides as far as it is told, and leans as it speeds up', () => {
		const { end, trace } = rehearse(
			plan(
				takeOff,
				to('right', 0.5),
				to('up', 0.4),
				to('forward', 0.3),
				to('left', 0.2),
				to('down', 0.9)
			)
		);
		expect(end.x).toBeCloseTo(1.3, 1);
		expect(end.y).toBeCloseTo(1.3, 1);
		expect(end.height).toBeCloseTo(0.5, 1);
		const steepest = Math.max(...trace.columns.roll!);
		const lean = Math.atan((0.4 * settings.topSpeed) / settings.lag / settings.gravity);
		expect(steepest / ((lean * 180) / Math.PI)).toBeCloseTo(1, 1);
	});

	it('flies an arc of the radius that it is told', () => {
		const arc = step('arc', { direction: 'left', radius: 0.5, angle: 90, speed: 0.3 });
		const { end } = rehearse(plan(takeOff, arc, land));
		expect(end.x).toBeCloseTo(0.5, 1);
		expect(end.y).toBeCloseTo(1.5, 1);
		const narrow = step('arc', { direction: 'left', radius: 0.02, angle: 360, speed: 1 });
		const { trace } = rehearse(plan(takeOff, narrow, wait(1), land));
		const rates = [...trace.heading].map(
			(heading, i) => heading - (trace.heading[i - 1] ?? heading)
		);
		expect(Math.max(...rates) * 120).toBeLessThan(2 * settings.turnRate);
		expect(trace.heading.at(-1)! - trace.heading[0]!).toBeCloseTo(2 * Math.PI, 1);
	});

	it('refuses to move before take-off, and to flip too low or with half a battery', () => {
		const early = plan(go(0.3), takeOff, land);
		expect(refusals(early)).toEqual([['note.refused.onGround', 1]]);
		expect(problems(early)).toEqual([['check.notInTheAir', 'chains[0].steps[0]']]);
		const low = plan(takeOff, to('down', 0.7), step('flip'), land);
		expect(refusals(low)).toEqual([['note.refused.flipTooLow', 3]]);
		expect(problems(low)).toEqual([['check.flipTooLow', 'chains[0].steps[2]']]);
		const flat = charged(0.4, plan(takeOff, step('flip'), land));
		expect(refusals(flat)).toEqual([['note.refused.flipBattery', 2]]);
		expect(problems(flat)).toEqual([['check.flipBattery', 'chains[0].steps[1]']]);
	});

	it.each([
		['has not taken off', [go(0.3), land], 'check.notInTheAir'],
		['does not land', [takeOff, go(0.3)], 'check.noLanding'],
		['flies into the ceiling', [takeOff, to('up', 2), land], 'check.ceiling'],
		['flips too low', [takeOff, to('down', 0.6), step('flip'), land], 'check.flipTooLow'],
		['flips with half a battery', [takeOff, step('flip'), land], 'check.flipBattery', 0.4],
		['stays up too long', [takeOff, wait(60), land], 'check.lowBattery', 0.2]
	])('that %s is mended by one tap', (_, steps: Step[], key: string, charge = 1) => {
		const course = courseOf({ size: { width: 3, height: 3 } });
		let mended = charged(charge, plan(...steps));
		const [problem] = checkPlan(mended, { course });
		expect(problem!.sentence.key).toBe(key);
		const edit = problem!.repair!.edit(() => 'new');
		mended = got(applyEdit(mended, edit)).document;
		expect(checkPlan(mended, { course })).toEqual([]);
	});

	it('that stays up too long is warned of its battery, and lands by itself', () => {
		const long = charged(0.12, plan(takeOff, wait(30), go(0.3), land));
		expect(problems(long)[0]![0]).toBe('check.lowBattery');
		const { trace } = rehearse(long);
		const after = trace.columns.height![Math.round(28 * 120)]!;
		expect(after).toBe(0);
		expect(refusals(long)).toEqual([['note.refused.flatBattery', 3]]);
	});

	it('crashes into what is as high as it flies, and passes over what is lower', () => {
		const ahead = [takeOff, go(1.2), land];
		const low = [wall([0.5, 1.6], [1.5, 1.6])];
		const course = (height?: number) =>
			courseOf({
				starts,
				size: { width: 3, height: 3 },
				walls: low.map((one) => (height ? { ...one, height } : one))
			});
		const over = rehearse(plan(...ahead), { course: course() });
		expect(over.end.y).toBeCloseTo(2.2, 1);
		const into = rehearse(plan(...ahead), { course: course(1.5) });
		expect(into.attempt.outcome).toMatchObject({
			kind: 'crashed',
			reason: { key: 'outcome.crashed', values: { number: 2 } }
		});
		expect(into.end.y).toBeLessThan(1.6);
		const below = rehearse(plan(takeOff, to('down', 0.9), go(1.2), land), { course: course() });
		expect(below.attempt.outcome.kind).toBe('crashed');
		const ceiling = rehearse(plan(takeOff, to('up', 3)));
		expect(ceiling.attempt.outcome.reason.key).toBe('outcome.hitCeiling');
	});

	it('starts when it is tapped, too', () => {
		const lit = plan(wait(1));
		const chain = { id: 'tap', trigger: step('whenTouched'), steps: [takeOff] };
		const { end } = rehearse(
			{ ...lit, chains: [...lit.chains, chain] },
			{ touches: [{ time: 0.5 }] }
		);
		expect(end.height).toBeCloseTo(1, 1);
	});

	it('drifts: it lands near its place mostly, and never twice in the same', () => {
		const square = plan(takeOff, repeat(4, [go(0.6), left(90)]), land);
		const offs = Array.from({ length: 40 }, (_, seed) => {
			const { off, attempt } = rehearse(square, { variation: 'classroom', seed });
			expect(attempt.outcome.kind).toBe('ended');
			return off;
		});
		expect(offs.filter((off) => off < 0.3).length).toBeGreaterThanOrEqual(30);
		expect(new Set(offs).size).toBe(40);
	});
});
