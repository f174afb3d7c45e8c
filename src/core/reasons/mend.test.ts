import { describe, expect, it } from 'vitest';
import { legsIn } from '../attempts/legs';
import type { Course } from '../course/course';
import { applyEdit } from '../plan/edits';
import type { Plan, Step } from '../plan/plan';
import { robotKindOf } from '../robots/kinds';
import type { Variation } from '../robots/robot';
import { simulate } from '../simulation/simulate';
import { courseOf, fullStep, go, planFor, planOf, repeat, right, wall } from '../testing/sample';
import { reasonsIn } from '.';
import { isBetter, mended } from './mend';

const roomy = courseOf({ size: { width: 6, height: 6 }, starts: [{ at: [3, 3], bearing: 0 }] });
const newId = () => 'new';

interface Tried {
	readonly course?: Course;
	readonly kind?: string;
	readonly variation?: Variation;
	readonly seed?: number;
}

/** Mends of all legs, each with whether it is better. */
function mendsOf(
	steps: readonly Step[],
	{ course = roomy, kind = 'skiff', variation = 'ideal', seed = 1 }: Tried = {}
) {
	const plan = planFor(robotKindOf(kind), planOf(steps));
	const look = (plan: Plan) => {
		const attempt = simulate({ plan, course, variation, seed });
		const intended = simulate({ plan, course, variation: 'ideal', seed: 1 });
		const run = attempt.runs[0]!;
		return { attempt, run, intended, legs: legsIn(attempt, run, intended) };
	};
	const scene = look(plan);
	const reasons = reasonsIn(scene);
	return scene.legs.flatMap((leg) =>
		reasons(leg).flatMap(({ mend }) => {
			if (!mend) return [];
			const tried = look(mended(plan, mend, newId)!);
			const undone = applyEdit(plan, mend.edit(plan, newId)!);
			if (!undone.ok) throw new Error(undone.failure.key);
			const back = applyEdit(undone.value.document, undone.value.inverse);
			expect(back).toMatchObject({ ok: true, value: { document: plan } });
			return [{ key: mend.sentence.key, isBetter: isBetter(leg, tried.attempt, tried.intended) }];
		})
	);
}

describe('a mend', () => {
	it('lets a robot stand before it turns, also in a loop', () => {
		const fast = fullStep('goFor', { duration: 1.5, speed: 1, ending: 'coast', then: 'goOn' });
		expect(mendsOf([fast, right(90)])).toEqual([{ key: 'mend.stand', isBetter: true }]);
		const corner = mendsOf([fast, right(90), go(0.3)], { kind: 'ball' });
		expect(corner.at(-1)).toEqual({ key: 'mend.stand', isBetter: true });
		const rounds = mendsOf([repeat(3, [right(90), fast])]);
		expect(rounds.length).toBeGreaterThan(0);
		for (const each of rounds) expect(each).toEqual({ key: 'mend.stand', isBetter: true });
	});

	it('goes as far as there is room', () => {
		const course = courseOf({ walls: [wall([0.1, 0.8], [0.9, 0.8])] });
		expect(mendsOf([go(0.8)], { course })).toEqual([{ key: 'mend.shorter', isBetter: true }]);
	});

	it('goes by length where a low battery makes a timed move too short', () => {
		const steps = [fullStep('goFor', { duration: 2, speed: 1, then: 'waitStill' })];
		const tried = Array.from({ length: 12 }, (_, seed) =>
			mendsOf(steps, { variation: 'worn', seed })
		).flat();
		expect(tried.length).toBeGreaterThan(6);
		expect(new Set(tried.map(({ key }) => key))).toEqual(new Set(['mend.byLength']));
		// Of the others it bends: those are not offered.
		expect(tried.filter((each) => each.isBetter).length).toBeGreaterThanOrEqual(0.5 * tried.length);
	});

	it('has none for what a robot always does, and none where it does not fit any more', () => {
		const steps = [
			...[go(0.6), right(90), go(0.6), right(90), go(0.6), right(90), go(0.6), right(90)]
		];
		expect(mendsOf(steps, { variation: 'classroom', seed: 2 })).toEqual([]);
		const mend = { sentence: { key: '' }, edit: () => null };
		expect(mended(planOf([right(90)]), mend, newId)).toBeNull();
	});
});
