import { describe, expect, it } from 'vitest';
import { courseOf, go, planOf } from '../testing/sample';
import { LiveRecord } from './live-news';
import { LiveRun } from './live-run';
import { ModelCrew } from './model-crew';

const course = courseOf({ size: { width: 4, height: 4 } });

describe('the model in the place of robots', () => {
	it('is driven through links of its own, in real time', () => {
		const crew = new ModelCrew(plan(), course, 'ideal', 3);
		const run = new LiveRun({
			...{ plan: plan(), course, ports: crew.ports, chance: () => 0.5 },
			isModel: true
		});
		for (let time = 0; time < 4; time += 0.02) {
			run.tick(time);
			crew.pass(0.02);
		}
		const attempt = new LiveRecord().add(run.news());
		expect(attempt.source).toEqual({ type: 'played' });
		expect(attempt.outcome.reason.key).toBe('outcome.over');
		const { y } = attempt.runs[0]!.trace;
		expect(y.at(-1)! - y[0]!).toBeCloseTo(0.2, 2);
	});
	const plan = () => planOf([go(0.2)]);
});
