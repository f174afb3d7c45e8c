import { describe, expect, it } from 'vitest';
import { applyEdit, type Edit } from '../plan/edits';
import type { Plan } from '../plan/plan';
import { simulate } from '../simulation/simulate';
import { courseOf, go, lamp, planOf, repeat, right, wait } from '../testing/sample';
import { compareAttempts, type Compared } from './compare';

const course = courseOf({ size: { width: 4, height: 4 }, starts: [{ at: [1, 1], bearing: 0 }] });

/** Without a robot's faults: what is compared is what the plans mean. */
function compared(plan: Plan): Compared {
	const attempt = simulate({ plan, course, variation: 'ideal', seed: 1 });
	return { attempt, plan, intended: attempt };
}
function edited(plan: Plan, edit: Edit): Plan {
	const applied = applyEdit(plan, edit);
	if (!applied.ok) throw new Error(applied.failure.key);
	return applied.value.document;
}

describe('two attempts', () => {
	const [ahead, turn, side] = [go(1), right(90), go(0.5)];
	const plan = planOf([lamp('#38d39f'), ahead, turn, side]);
	const [chain] = plan.chains;

	it('of one plan go the same way, say the same and part nowhere', () => {
		const { steps, parting, totals } = compareAttempts([compared(plan), compared(plan)]);
		expect([steps, parting]).toEqual([[], null]);
		expect(totals[0]).toEqual(totals[1]);
		expect(totals[0].length).toBeCloseTo(1.5, 2);
		expect(totals[0].apart).toBeCloseTo(Math.hypot(1, 0.5), 2);
	});

	it('of plans that differ: what changed, came and went, and where they part', () => {
		const shorter = edited(plan, {
			type: 'setValue',
			step: ahead.id,
			name: 'distance',
			value: 0.6
		});
		const holder = chain!.id;
		const without = edited(shorter, { type: 'remove', holder, index: 0, count: 1 });
		const pause = wait(0.5);
		const last = edited(without, { type: 'insert', holder, index: 1, steps: [pause] });
		const { steps, legs, totals, parting } = compareAttempts([compared(plan), compared(last)]);
		expect(steps.map(({ id, is, numbers }) => [id, is, ...numbers])).toEqual([
			[ahead.id, 'changed', 2, 1],
			[pause.id, 'came', undefined, 2],
			[chain!.steps[0]!.id, 'went', 1, undefined]
		]);
		const first = legs.find(({ stepId }) => stepId === ahead.id)!;
		expect(first.length[0]).toBeCloseTo(1, 2);
		expect(first.length[1]).toBeCloseTo(0.6, 2);
		expect(totals[1].seconds).toBeLessThan(totals[0].seconds);
		// The longer way goes on where the shorter one turns: 0.6 m and what can be seen, north of the start.
		expect(parting!.x).toBeCloseTo(1, 2);
		expect(parting!.y).toBeGreaterThan(1.6);
		expect(parting!.y).toBeLessThan(1.66);
	});

	it('where one goes round more often, its further rounds stand alone', () => {
		const loop = repeat(2, [go(0.3), right(90)]);
		const twice = planOf([loop]);
		const thrice = edited(twice, { type: 'setValue', step: loop.id, name: 'times', value: 3 });
		const { legs } = compareAttempts([compared(twice), compared(thrice)]);
		expect(legs).toHaveLength(6);
		expect(legs.filter(({ length }) => length[0] === undefined)).toHaveLength(2);
	});
});
