import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { undo } from '$core/plan/history';
import { planSchema, type Plan } from '$core/plan/plan';
import { planFrom } from '$core/testing/random-plan';
import { Moving } from './moving.svelte';
import { Selection } from './selection.svelte';
import { deskOf, idsOf } from './testing';

function benchOf(plan: Plan) {
	const { desk, voice, bench, saves } = deskOf(plan);
	return { desk, voice, moving: new Moving(bench, new Selection(bench)), saves };
}

const numbers = fc.array(fc.nat(1e6), { minLength: 4, maxLength: 60 });
const ways = fc.array(fc.constantFrom(-1 as const, 1 as const), { maxLength: 12 });

/** @param check what holds after a step of a random plan was picked up and carried */
const carried = (check: (bench: ReturnType<typeof benchOf>, before: Plan) => void) =>
	fc.assert(
		fc.property(numbers, fc.nat(), ways, (list, which, by) => {
			const plan = planFrom(list);
			const ids = idsOf(plan);
			fc.pre(ids.length > 0);
			const bench = benchOf(plan);
			bench.moving.pickUp(ids[which % ids.length]!);
			for (const one of by) bench.moving.carry(one);
			check(bench, plan);
		}),
		{ numRuns: 150 }
	);

describe('a step that is carried along the trail', () => {
	it('and put back leaves the plan as it was, with nothing to undo or save', () =>
		carried(({ desk, moving, saves }, before) => {
			moving.putBack();
			expect(desk.document).toBe(before);
			expect(desk.canUndo).toBe(false);
			expect(saves()).toBe(0);
			expect(moving.pickedUp).toBeNull();
		}));

	it('and put down is one thing to undo, and takes nothing away', () =>
		carried(({ desk, moving, saves }, before) => {
			moving.putDown();
			expect(planSchema.safeParse(desk.document).error).toBeUndefined();
			expect(idsOf(desk.document).toSorted()).toEqual(idsOf(before).toSorted());
			if (desk.document === before) return expect(saves()).toBe(0);
			expect(saves()).toBe(1);
			const undone = undo(desk.history);
			expect(undone.ok && undone.value.document).toEqual(before);
			expect(undone.ok && undone.value.done).toBeNull();
		}));

	it('comes back to its place by as many ways back', () =>
		carried(({ desk, moving }, before) => {
			const { index, places } = moving.pickedUp!;
			const first = benchOf(before);
			first.moving.pickUp(moving.pickedUp!.step.id);
			const home = first.moving.pickedUp!.index;
			const by = index > home ? -1 : 1;
			for (let at = index; at !== home; at += by) moving.carry(by);
			expect(places.length).toBeGreaterThan(0);
			expect(desk.document).toBe(before);
		}));
});
