import { afterEach, expect, it, vi } from 'vitest';
import { simulate } from '$core/simulation/simulate';
import { courseOf, go, planOf, right } from '$core/testing/sample';
import { seeking } from './seeking.svelte';

const [ahead, turn] = [go(0.5), right(90)];
const plan = planOf([ahead, turn]);
const attemptOf = (of: typeof plan) =>
	simulate({ plan: of, course: courseOf(), variation: 'ideal', seed: 1 });

function begin() {
	const texts = new Map<string, string>();
	vi.stubGlobal('localStorage', {
		getItem: (key: string) => texts.get(key) ?? null,
		setItem: (key: string, text: string) => texts.set(key, text),
		removeItem: (key: string) => texts.delete(key)
	});
	seeking.open('plan');
	return texts;
}
afterEach(() => vi.unstubAllGlobals());

it('what is looked for keeps each try with what it gave, and what a person made of it', () => {
	const texts = begin();
	seeking.tried(plan, attemptOf(plan));
	expect(seeking.triesOf(ahead.id, 'distance')).toBeUndefined();
	seeking.toggle(ahead.id, 'distance');
	expect(seeking.triesOf(ahead.id, 'distance')).toEqual([]);
	seeking.tried(plan, attemptOf(plan));
	const [first] = seeking.triesOf(ahead.id, 'distance')!;
	expect(first).toMatchObject({ value: 0.5, says: null, reachedFinish: false });
	expect(first!.gave!.length).toBeCloseTo(0.5, 2);
	expect(first!.gave!.turn).toBeCloseTo(0, 1);
	seeking.judge(ahead.id, 'distance', first!, 'more');
	// The same device, later.
	seeking.open('another');
	expect(seeking.triesOf(ahead.id, 'distance')).toBeUndefined();
	seeking.open('plan');
	expect(seeking.triesOf(ahead.id, 'distance')![0]!.says).toBe('more');
	seeking.judge(ahead.id, 'distance', first!, 'more');
	expect(seeking.triesOf(ahead.id, 'distance')![0]!.says).toBeNull();
	seeking.toggle(ahead.id, 'distance');
	expect(texts.size).toBe(0);
});

it('nothing is suggested while somebody looks, and no more tries are kept than can be read', () => {
	begin();
	expect(seeking.off(plan, { helpersOff: ['legs'] })).toEqual(['legs']);
	seeking.toggle(turn.id, 'angle');
	expect(seeking.off(plan, { helpersOff: ['legs'] })).toEqual(['legs', 'mends', 'nudge', 'advice']);
	const attempt = attemptOf(plan);
	for (let i = 0; i < 20; i++) seeking.tried(plan, attempt);
	expect(seeking.triesOf(turn.id, 'angle')).toHaveLength(12);
	// A step that is gone keeps what was tried of it.
	seeking.tried(planOf([ahead]), attempt);
	expect(seeking.triesOf(turn.id, 'angle')).toHaveLength(12);
	seeking.toggle(turn.id, 'angle');
});
