import { expect, it } from 'vitest';
import { simulate } from '$core/simulation/simulate';
import { courseOf, go, planOf, right } from '$core/testing/sample';
import { Comparing, type ComparedBench } from './comparing.svelte';
import { poolHere } from './testing';

const course = courseOf({ finish: { at: [0.4, 0.9], radius: 0.1 } });
const attemptOf = (plan: ReturnType<typeof planOf>) =>
	simulate({ plan, course, variation: 'classroom', seed: 1 });

it('the attempt on the floor is set beside the other, and both are tried by the same chances', async () => {
	const [arriving, astray] = [planOf([go(0.5)]), planOf([right(30), go(0.5)])];
	const runs = { made: { plan: astray }, player: { attempt: attemptOf(astray) } };
	const bench = { course, variation: 'classroom', parameters: undefined, runs };
	const other = { id: 'a', letter: 'A', attempt: attemptOf(arriving), plan: arriving };
	const { pool, asked } = poolHere();
	const comparing = new Comparing(
		bench as unknown as ComparedBench,
		other,
		async (of) => simulate({ ...of, variation: 'ideal', seed: 1 }),
		pool
	);
	await comparing.compare();
	expect(comparing.comparison!.totals.map(({ reachedFinish }) => reachedFinish)).toEqual([
		true,
		false
	]);
	expect(comparing.comparison!.parting).not.toBeNull();
	await comparing.tryBoth();
	expect(asked()).toBe(200);
	expect(comparing.arrivals!.map(({ successes }) => successes)).toEqual([100, 0]);
});
