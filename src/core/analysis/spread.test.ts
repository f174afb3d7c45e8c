import { describe, expect, it } from 'vitest';
import { rehearseAlone } from '../testing/alone';
import { courseOf, go, planOf, repeat, right } from '../testing/sample';
import { answer, runnerOf } from './search';
import { spread } from './spread';

const rehearsal = {
	plan: planOf([repeat(4, [go(0.3), right(90)])]),
	course: courseOf({ finish: { at: [0.4, 0.4], radius: 0.02 } }),
	variation: 'classroom' as const
};

describe('a spread of trials', () => {
	it('ends where whole rehearsals of the same seeds end', async () => {
		const { trials, successes, ends } = await answer(spread(20), runnerOf(rehearsal));
		const whole = trials.map(({ seed }) => rehearseAlone({ ...rehearsal, seed }));
		whole.forEach(({ trace, outcome, pathLength, bumps }, index) => {
			const { kind, seconds, ends } = trials[index]!;
			const pose = { x: trace.x.at(-1), y: trace.y.at(-1), heading: trace.heading.at(-1) };
			expect({ kind, seconds }).toEqual({ kind: outcome.kind, seconds: outcome.seconds });
			expect(ends[0]).toEqual({ id: 'robot1', pose, pathLength, bumps: bumps.length });
		});
		const reached = whole.filter(({ outcome }) => outcome.reachedFinish).length;
		expect(successes).toBe(reached);
		expect(reached).toBeGreaterThan(0);
		expect(reached).toBeLessThan(20);
		const xs = whole.map(({ trace }) => trace.x.at(-1)!);
		expect(ends[0]!.x).toBeCloseTo(xs.reduce((sum, x) => sum + x) / 20, 12);
		expect(ends[0]!.farthest).toBeGreaterThan(ends[0]!.deviation);
	});

	it('stops between two trials when it is cancelled', async () => {
		let asked = 0;
		const signal = {
			throwIfAborted() {
				asked += 1;
				if (asked === 3) throw new Error('enough');
			}
		};
		await expect(answer(spread(50), runnerOf(rehearsal, signal))).rejects.toThrow('enough');
		expect(asked).toBe(3);
	});
});
