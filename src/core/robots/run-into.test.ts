import { describe, expect, it } from 'vitest';
import { rehearseAlone } from '../testing/alone';
import { courseOf, go, planOf, points, step, wall } from '../testing/sample';
import { tickRate } from '../time';

describe('what a robot runs into', () => {
	const course = courseOf({ walls: [wall([0, 1], [2, 1])] });
	const numbersOf = (...steps: Parameters<typeof planOf>[0]) =>
		rehearseAlone({ plan: planOf(steps), course, variation: 'ideal', seed: 1, limit: 6 }).bumps.map(
			({ number }) => number
		);

	it('is laid to the step that moved it last, though that has ended', () => {
		const start = step('start', { speed: 0.5 });
		expect(numbersOf(start, step('wait', { duration: 4 }))).toEqual([1]);
		expect(numbersOf(start, step('waitStill'))).toEqual([1]);
		expect(
			numbersOf(
				go(0.1),
				start,
				step('lamp', { colour: '#ffb020', side: 'both', brightness: 1 }),
				step('wait', { duration: 4 })
			)
		).toEqual([2]);
	});

	it('is laid to a step at the edge as well', () => {
		const table = points('0,0 2,0 2,0.8 0,0.8');
		const plan = planOf([step('start', { speed: 0.5 }), step('wait', { duration: 4 })]);
		const { outcome } = rehearseAlone({
			plan,
			course: courseOf({ table }),
			variation: 'ideal',
			seed: 1
		});
		expect(outcome).toMatchObject({ kind: 'fell', reason: { values: { number: 1 } } });
		expect(outcome.seconds * tickRate).toBeGreaterThan(1);
	});
});
