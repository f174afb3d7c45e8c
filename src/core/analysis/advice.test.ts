import { describe, expect, it } from 'vitest';
import { applyEdit } from '../plan/edits';
import { ball } from '../robots/ball';
import { prepare, trial } from '../simulation/simulate';
import { courseOf, fullStep, go, planFor, planOf, right } from '../testing/sample';
import type { Plan } from '../plan/plan';
import { advise } from './advice';

const course = courseOf({
	size: { width: 2, height: 2 },
	starts: [{ at: [0.5, 0.5], bearing: 0 }],
	finish: { at: [0.5, 0.5], radius: 0.12 }
});
const roll = (bearing: number, then = 'goOn') =>
	fullStep('rollFar', { bearing, distance: 1, speed: 0.4, then });
const arrives = (plan: Plan, variation: 'classroom' | 'worn') => {
	const prepared = prepare({ plan, course, variation });
	return Array.from({ length: 100 }, (_, i) => trial(prepared, { seed: 7000 + i })).filter(
		({ reachedFinish }) => reachedFinish
	).length;
};

describe('advice', () => {
	const cutting = planFor(ball, planOf([roll(0), roll(90), roll(180), roll(270, 'waitStill')]));

	it('helps by other chances as well, is one edit, and undone to the byte', () => {
		const parts: number[] = [];
		const { now, advice } = advise({ plan: cutting, course, variation: 'worn' }, (part) =>
			parts.push(part)
		);
		const [first] = advice;
		expect(first!.arrivals.interval[0]).toBeGreaterThan(now.interval[1]);
		const before = arrives(cutting, 'worn');
		expect(arrives(first!.plan, 'worn')).toBeGreaterThan(before + 20);
		const applied = applyEdit(cutting, first!.edit);
		if (!applied.ok) throw new Error(applied.failure.key);
		expect(applied.value.document).toEqual(first!.plan);
		const undone = applyEdit(applied.value.document, applied.value.inverse);
		expect(undone.ok && JSON.stringify(undone.value.document)).toBe(JSON.stringify(cutting));
		expect(parts.at(-1)).toBe(1);
	});

	it('is not given where nothing that is known helps', () => {
		const away = planOf([go(0.3), right(180), go(0.1)]);
		const { now, advice } = advise({ plan: away, course, variation: 'classroom' });
		expect(now.successes).toBe(0);
		expect(advice).toEqual([]);
	});
});
