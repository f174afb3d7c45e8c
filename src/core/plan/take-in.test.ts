import { describe, expect, it } from 'vitest';
import { go, planOf, repeat, step, trigger, wait } from '../testing/sample';
import { perform, startHistory } from './history';
import { planSchema, type Plan } from './plan';
import { readSteps, writeSteps, withNewIds } from './snippet';
import { takeIn } from './take-in';
import { routinesOf } from './variables';

let count = 0;
const newId = () => `new${(count += 1)}`;
const routine = (name: string) => ({
	id: newId(),
	trigger: step('routine', { name, inputs: '' }),
	steps: [wait(1)]
});
const bump = () => ({ id: newId(), trigger: step('whenBump'), steps: [] });

function taken(into: Plan, saved: Plan) {
	const made = takeIn(into, saved, newId);
	if (!made.ok) throw new Error(made.failure.key);
	const performed = perform(startHistory(into), made.value.edit);
	if (!performed.ok) throw new Error(performed.failure.key);
	expect(planSchema.safeParse(performed.value.document).error).toBeUndefined();
	return { ...made.value, plan: performed.value.document };
}

describe('a saved plan taken in', () => {
	const saved = planOf(
		[repeat(2, [go(0.2)]), step('call', { routine: 'sign' })],
		'Lamp to the lock'
	);
	const whole = { ...saved, chains: [...saved.chains, routine('sign'), bump()] };

	it('becomes a routine with its own routines beside it; other chains stay behind', () => {
		const { plan, name, leftOut } = taken(planOf([wait(1)]), whole);
		expect([...routinesOf(plan).keys()]).toEqual(['Lamp to the lock', 'sign']);
		expect(name).toBe('Lamp to the lock');
		expect(leftOut).toBe(1);
	});

	it('gets a name of its own when it is taken in twice', () => {
		const once = taken(planOf([wait(1)]), whole).plan;
		expect(taken(once, whole).name).toBe('Lamp to the lock 2');
	});

	it('needs a chain that starts when Run is pressed', () => {
		const idle = { ...saved, chains: [bump()] };
		expect(takeIn(planOf([]), idle, newId)).toMatchObject({
			failure: { key: 'edit.nothingToTakeIn' }
		});
	});
});

describe('copied steps', () => {
	it('are read back with all they hold, under other identifiers', () => {
		const steps = [repeat(3, [{ ...go(0.4), comment: 'past the reeds', off: true as const }])];
		const read = readSteps(writeSteps(steps));
		if (!read.ok) throw new Error(read.failure.key);
		expect(read.value).toEqual(steps);
		const fresh = withNewIds(read.value, newId);
		expect(fresh[0]!.body![0]).toEqual({ ...steps[0]!.body![0], id: fresh[0]!.body![0]!.id });
		expect(fresh[0]!.id).not.toBe(steps[0]!.id);
	});

	it('are refused when they are something else', () => {
		expect(readSteps('{"format": "lantern-step/plan", "version": 1}').ok).toBe(false);
		expect(readSteps(writeSteps([trigger()])).ok).toBe(false);
	});
});
