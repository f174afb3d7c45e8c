import { expect, it } from 'vitest';
import { simulate } from '$core/simulation/simulate';
import { courseOf, go, planOf, repeat, wait } from '$core/testing/sample';
import { indexAt } from '$core/simulation/moment';
import { movingLegs, progressAt } from './progress';

const turnBack = repeat(2, [wait(1), go(0.2)]);
const attempt = simulate({
	plan: planOf([turnBack]),
	course: courseOf(),
	variation: 'ideal',
	seed: 1
});
const [waiting, going] = turnBack.body!;

it('finds the last sample that is not after a time', () => {
	const times = Float64Array.of(0, 0.5, 0.5, 2);
	expect([-1, 0, 0.4, 0.5, 1.9, 9].map((time) => indexAt(times, time))).toEqual([0, 0, 0, 2, 2, 3]);
});

it('tells the steps in progress and the seconds of those that ended', () => {
	const early = progressAt(attempt, 0.5, false);
	expect([...early.active].sort()).toEqual([turnBack.id, waiting!.id].sort());
	expect(early.passed.size).toBe(0);

	const second = progressAt(attempt, attempt.outcome.seconds - 0.2, false);
	expect(second.active.has(going!.id)).toBe(true);
	expect(second.passed.get(waiting!.id)).toEqual({ seconds: expect.closeTo(1, 2), times: 2 });

	const end = progressAt(attempt, attempt.outcome.seconds, true);
	expect(end.active.size).toBe(0);
	expect(end.passed.get(turnBack.id)?.times).toBe(1);
});

it('counts only legs that went somewhere', () => {
	expect(movingLegs(attempt, 'robot1').map((leg) => leg.stepId)).toEqual([going!.id, going!.id]);
});
