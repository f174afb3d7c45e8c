import { describe, expect, it } from 'vitest';
import type { Course } from '../course/course';
import type { Plan, Step } from '../plan/plan';
import { ball } from '../robots/ball';
import { simulate } from '../simulation/simulate';
import type { Values } from '../steps/definition';
import {
	courseOf,
	fullStep,
	go,
	planFor,
	planOf,
	repeat,
	right,
	wait,
	wall
} from '../testing/sample';
import { degrees, radians } from '../units/angles';
import { legsIn, type Leg } from './legs';

const ideal = (plan: Plan, course: Course) =>
	simulate({ plan, course, variation: 'ideal', seed: 1 });

/** The legs of what an ideal robot does, against what was intended. */
function legsOfPlan(plan: Plan, { course = courseOf(), intended = plan } = {}): Leg[] {
	const attempt = ideal(plan, course);
	return legsIn(attempt, attempt.runs[0]!, ideal(intended, course));
}

/** The same plan, in which one step has other values: as if its robot did them wrong. */
const withValues = (plan: Plan, { id }: Step, values: Values): Plan => ({
	...plan,
	chains: plan.chains.map((chain) => ({
		...chain,
		steps: chain.steps.map((step) =>
			step.id === id ? { ...step, values: { ...step.values, ...values } } : step
		)
	}))
});

/** Millimetres and degrees. */
const show = ({ ahead, left, turn }: NonNullable<Leg['added']>) =>
	[ahead * 1000, left * 1000, degrees(turn)].map((each) => Math.round(each) + 0);

describe('a leg', () => {
	it('adds nothing where the robot does what its step says, whatever that is', () => {
		const steps = [
			go(0.5),
			right(90),
			go(0.2),
			fullStep('arc', { direction: 'left', radius: 0.2, angle: 120 }),
			fullStep('arc', { direction: 'right', radius: 0.2, angle: -60 }),
			fullStep('turnTo', { bearing: 200 }),
			go(-0.1)
		];
		const legs = legsOfPlan(planOf(steps));
		expect(legs).toHaveLength(steps.length);
		for (const { added, inherited, span } of legs) {
			expect(show(added!).map(Math.abs), span.kind).toSatisfy((off: number[]) =>
				off.every((each) => each <= 5)
			);
			expect(show(inherited!)).toEqual([0, 0, 0]);
		}
	});

	it('means what its step says, not what a wall makes of it', () => {
		const course = courseOf({ walls: [wall([0, 1], [2, 1])] });
		const [leg] = legsOfPlan(planOf([go(1)]), { course });
		expect(leg!.meant).toMatchObject({ ahead: 1, left: 0, turn: 0 });
		const free = 1 - 0.4 - 0.01;
		expect(leg!.did.ahead).toBeLessThan(free);
		expect(leg!.added!.ahead).toBeCloseTo(leg!.did.ahead - 1, 12);
		expect(leg!.bumps.length).toBeGreaterThan(0);
	});

	it('means what an ideal robot does, where its step says no length', () => {
		const [leg] = legsOfPlan(
			planOf([fullStep('goFor', { duration: 2, speed: 0.4, then: 'waitStill' })])
		);
		expect(leg!.meant!.ahead).toBeCloseTo(leg!.did.ahead, 9);
		expect(leg!.meant!.seconds).toBe(2);
		const attempt = ideal(planOf([fullStep('goFor')]), courseOf());
		expect(legsIn(attempt, attempt.runs[0]!, null)[0]).toMatchObject({
			meant: null,
			added: null,
			cost: 0
		});
	});

	it('inherits what the one before it added, and that puts off the end by its chord', () => {
		const turn = right(90);
		const plan = planOf([go(0.3), turn, go(0.4)]);
		const wrong = withValues(plan, turn, { angle: 100 });
		const attempt = ideal(wrong, courseOf());
		// As if the robot had turned by 100 degrees where 90 were told.
		const told = {
			...attempt,
			spans: attempt.spans.map((span) =>
				span.stepId === turn.id ? { ...span, values: { ...span.values, angle: 90 } } : span
			)
		};
		const [first, second, third] = legsIn(told, told.runs[0]!, ideal(plan, courseOf()));
		expect(degrees(second!.added!.turn)).toBeCloseTo(-10, 0);
		expect(degrees(third!.inherited!.turn)).toBeCloseTo(-10, 0);
		expect(show(third!.added!).map(Math.abs)).toSatisfy((off: number[]) =>
			off.every((each) => each <= 3)
		);
		expect(second!.cost).toBeCloseTo(2 * Math.sin(radians(5)) * 0.4, 2);
		expect(first!.cost).toBeLessThan(0.01);
		expect(third!.cost).toBeLessThan(0.01);
	});

	it('is told of each round, with the speed that it began with', () => {
		const legs = legsOfPlan(planOf([repeat(3, [go(0.1), wait(0.2)])]));
		expect(legs.map(({ span, round }) => [span.kind, round])).toEqual(
			[1, 2, 3].flatMap((round) => [
				['go', round],
				['wait', round]
			])
		);
		expect(legs.every(({ speedAtStart }) => speedAtStart < 0.05)).toBe(true);
	});

	it('of a ball is seen along the bearing that it was told', () => {
		const steps = [fullStep('rollFar', { bearing: 90, distance: 0.5, then: 'waitStill' })];
		const [leg] = legsOfPlan(planFor(ball, planOf(steps)));
		expect(Math.hypot(leg!.meant!.ahead, leg!.meant!.left)).toBeCloseTo(0.5, 9);
		expect(Math.hypot(leg!.added!.ahead, leg!.added!.left)).toBeLessThan(0.03);
	});
});
