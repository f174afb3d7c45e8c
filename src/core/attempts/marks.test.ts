import { describe, expect, it } from 'vitest';
import { lengthTo, type Point } from '../course/measure';
import { Random } from '../random/random';
import { simulate } from '../simulation/simulate';
import { courseOf, go, planOf, repeat, right } from '../testing/sample';
import { crossings, markAt, offOf, recordedAt, withMark, withoutMark, type Mark } from './marks';

const mark = (after: Mark['after'], at: Mark['at'] = [1, 1]): Mark => ({
	robot: 'robot',
	after,
	at,
	heading: null,
	sigma: 0.005,
	headingSigma: 0.026
});

describe('two tapes', () => {
	it('meet where they were laid from, whichever way round, in 1,000 places', () => {
		const random = new Random(7);
		const point = (): Point => [random.between(0, 3), random.between(0, 2)];
		for (let i = 0; i < 1000; i++) {
			const [a, b, at] = [point(), point(), point()];
			const met = crossings([a, b], [lengthTo(a, at), lengthTo(b, at)]);
			const nearest = Math.min(...met.map((each) => lengthTo(each, at)));
			expect(nearest).toBeLessThan(1e-6);
			for (const each of met) expect(lengthTo(a, each)).toBeCloseTo(lengthTo(a, at), 6);
		}
	});

	it('that are a hair too short meet between, those that are much too short or long nowhere', () => {
		const origin: Point = [0, 0];
		const between = (east: number, lengths: [number, number]) =>
			crossings([origin, [east, 0]], lengths);
		expect(between(1, [0.498, 0.499])).toEqual([[expect.closeTo(0.4995, 3), 0]]);
		expect(between(1, [0.4, 0.4])).toEqual([]);
		expect(between(0.1, [0.9, 0.4])).toEqual([]);
		expect(between(0, [0.4, 0.4])).toEqual([]);
	});
});

it('is one behind each leg, told from what was recorded there', () => {
	const plan = planOf([repeat(2, [go(0.3), right(90)])]);
	const attempt = simulate({ plan, course: courseOf(), variation: 'classroom', seed: 3 });
	const [run] = attempt.runs;
	const { stepId } = attempt.spans.find(({ kind }) => kind === 'go')!;
	const second = recordedAt(attempt, run!, { stepId, round: 2 })!;
	expect(second).toEqual(attempt.spans.filter(({ kind }) => kind === 'go')[1]!.to);
	expect(recordedAt(attempt, run!, { stepId, round: 3 })).toBeNull();
	expect(recordedAt(attempt, run!, null)).toMatchObject({ x: run!.trace.x.at(-1) });
	const at: Point = [second.x + 0.03, second.y - 0.04];
	const off = offOf({ at, heading: second.heading + 2 * Math.PI - 0.1 }, second);
	expect(off.length).toBeCloseTo(0.05, 9);
	expect(off.turn).toBeCloseTo(-0.1, 9);
	expect(offOf({ at: null, heading: null }, second)).toEqual({ length: null, turn: null });
});

it('takes the place of the one before', () => {
	const after = { stepId: 's', round: 1 };
	const marks = [mark(null), mark(after)].reduce(withMark, [] as readonly Mark[]);
	const moved = withMark(marks, mark(after, [2, 2]));
	expect(moved).toHaveLength(2);
	expect(markAt(moved, 'robot', after)!.at).toEqual([2, 2]);
	expect(markAt(moved, 'robot', { ...after, round: 2 })).toBeNull();
	expect(withoutMark(moved, 'robot', null)).toEqual([mark(after, [2, 2])]);
});
