import { describe, expect, it } from 'vitest';
import type { Plan } from '$core/plan/plan';
import { courseOf, go, planOf, right } from '$core/testing/sample';
import type { Stand } from '$lib/desk/stand';
import { deskOf, poolHere } from './testing';
import { Spreading, trialsOfSpread } from './spreading.svelte';

const plan = planOf([go(0.3), right(90), go(0.4)]);
const course = courseOf({ finish: { at: [0.8, 0.7], radius: 0.02 } });

/** @see desk with which its plan is edited */
function standOf(own = plan, variation: Stand['variation'] = 'worn') {
	const { desk, bench } = deskOf(own);
	const more = { course, courseId: 'quay', variation, arrived: Promise.resolve(), live: null };
	return { desk, stand: Object.assign(bench, more) as Stand };
}

describe('the spread of a plan', () => {
	it('has all trials, the step that scatters most first, and a usual one between the rest', async () => {
		const { pool } = poolHere();
		const spreading = new Spreading(standOf().stand, pool);
		await spreading.start();
		expect(spreading.isRunning).toBe(false);
		expect(spreading.trials.map(({ seed }) => seed)).toEqual(
			Array.from({ length: trialsOfSpread }, (_, index) => index + 1)
		);
		const { successes } = spreading.spread;
		expect(successes).toBeGreaterThan(0);
		expect(successes).toBeLessThan(trialsOfSpread);
		const [first, ...rest] = spreading.legs;
		expect(rest).toHaveLength(2);
		expect(spreading.bySteps[first!.stepId]).toBe(Math.max(...Object.values(spreading.bySteps)));
		const away = (seed: number | undefined) => {
			const { pose } = spreading.trials.find((each) => each.seed === seed)!.ends[0]!;
			const { x, y } = spreading.spread.ends[0]!;
			return Math.hypot(pose.x - x, pose.y - y);
		};
		expect(away(spreading.seedOf('farthest'))).toBe(spreading.spread.ends[0]!.farthest);
		expect(away(spreading.seedOf('usual'))).toBeLessThan(spreading.spread.ends[0]!.deviation);
	});

	it('is of the plan as it was: an edit makes it stale, undoing it does not', async () => {
		const { desk, stand } = standOf();
		const spreading = new Spreading(stand, poolHere().pool);
		await spreading.start();
		expect(spreading.isStale).toBe(false);
		const step = plan.chains[0]!.steps[0]!.id;
		desk.edit({ type: 'setValue', step, name: 'distance', value: 0.31 });
		expect(spreading.isStale).toBe(true);
		desk.undo();
		expect(spreading.isStale).toBe(false);
	});

	it('is stopped at once', async () => {
		const { pool, asked } = poolHere();
		const spreading = new Spreading(standOf().stand, pool);
		const started = spreading.start();
		await Promise.resolve();
		spreading.stop();
		await started;
		expect(spreading.isRunning).toBe(false);
		expect(asked()).toBeLessThan(trialsOfSpread);
	});

	it('asks for nothing where nothing is left to chance, or nothing is to be told', async () => {
		const { pool, asked } = poolHere();
		await new Spreading(standOf(plan, 'ideal').stand, pool).start();
		const silent: Plan = { ...plan, helpersOff: ['spread'] };
		const spreading = new Spreading(standOf(silent).stand, pool);
		await spreading.start();
		expect(spreading.isOff).toBe(true);
		expect(spreading.seedOf('usual')).toBeUndefined();
		expect(asked()).toBe(0);
	});
});
