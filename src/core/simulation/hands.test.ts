import { describe, expect, it } from 'vitest';
import { checkPlan } from '../checks';
import { courseOf, planOf, step, tone } from '../testing/sample';
import { handPatience } from './settings';
import { simulate, type Rehearsal } from './simulate';

describe('a plan that only a hand starts', () => {
	const onTouch = { id: 'touch', trigger: step('whenTouched'), steps: [tone(440, 0.5)] };
	const plan = { ...planOf([]), chains: [onTouch] };
	const rehearsed = (more: Partial<Rehearsal>) =>
		simulate({ plan, course: courseOf(), variation: 'ideal', seed: 1, ...more });

	it('says that it waits for one, and stays open to it while somebody watches', () => {
		const untouched = rehearsed({});
		expect(untouched.outcome).toMatchObject({ seconds: 0, reason: { key: 'outcome.untouched' } });
		const problems = checkPlan(plan, { course: courseOf(), attempt: untouched });
		expect(problems.map(({ sentence }) => sentence.key)).toEqual(['outcome.untouched']);
		expect(rehearsed({ isWatched: true }).outcome.seconds).toBeCloseTo(handPatience, 1);
		const touched = rehearsed({ isWatched: true, touches: [{ time: 3 }] });
		expect(touched.spans).toMatchObject([{ kind: 'tone' }]);
		expect(touched.outcome.reason.key).toBe('outcome.over');
		expect(touched.outcome.seconds).toBeCloseTo(3.5 + handPatience, 1);
	});

	it('is not called untied, nor is one that waits for a bump that never comes', () => {
		const onBump = { ...onTouch, trigger: step('whenBump') };
		const waiting = rehearsed({ plan: { ...plan, chains: [onBump] } });
		expect(waiting.outcome.reason.key).toBe('outcome.notBegun');
		const loose = rehearsed({ plan: { ...plan, chains: [{ ...onTouch, trigger: null }] } });
		expect(loose.outcome.reason.key).toBe('outcome.nothing');
	});
});
