import { describe, expect, it } from 'vitest';
import { planOf, repeat, step } from '../testing/sample';
import { checkPlan } from '../checks';
import { perform, startHistory, undo } from './history';
import { followers } from './renaming';
import { findStep } from './places';
import type { Plan } from './plan';

const set = step('set', { variable: 'n', value: 4 });
const change = step('change', { variable: 'n', by: { expression: 'n * 2' } });
const log = step('log', { value: { expression: 'item(words, n) == "a \\"n\\" b"' } });
const call = step('call', { routine: 'side', length: { expression: 'n * cm' } });
const own = step('log', { value: { expression: 'n + 1' } });
const routine = step('routine', { name: 'side', inputs: 'n' });
const reader = step('whenReading', {
	reading: { expression: 'distanceAhead' },
	direction: 'fallsBelow',
	limit: { expression: 'n * cm' }
});

const main = planOf([step('newList', { variable: 'words' }), set, repeat(2, [change, log]), call]);
const plan: Plan = {
	...main,
	chains: [
		...main.chains,
		{ id: 'side', trigger: routine, steps: [own] },
		{ id: 'reader', trigger: reader, steps: [] }
	]
};

const problemsOf = (checked: Plan) => checkPlan(checked).map(({ sentence }) => sentence.key);

describe('another name', () => {
	it('for a variable reaches all that use it, and nothing else, and is one edit', () => {
		const naming = { type: 'setValue', step: set.id, name: 'variable', value: 'sides' } as const;
		const edits = [naming, ...followers(plan, set.id, 'variable', 'sides')];
		const performed = perform(startHistory(plan), { type: 'together', edits });
		if (!performed.ok) throw new Error(performed.failure.key);
		const { document: after } = performed.value;
		const valuesOf = (id: string) => findStep(after, id)?.values;
		expect(valuesOf(change.id)).toEqual({ variable: 'sides', by: { expression: 'sides * 2' } });
		expect(valuesOf(log.id)).toEqual({
			value: { expression: 'item(words, sides) == "a \\"n\\" b"' }
		});
		expect(valuesOf(call.id)).toMatchObject({ length: { expression: 'sides * cm' } });
		expect(valuesOf(reader.id)).toMatchObject({ limit: { expression: 'sides * cm' } });
		expect(valuesOf(own.id)).toEqual(own.values);
		expect(problemsOf(after)).toEqual(problemsOf(plan));
		expect(undo(performed.value)).toMatchObject({ ok: true, value: { document: plan } });
	});

	it('moves only this step to a variable that is there already, or that others make as well', () => {
		expect(followers(plan, set.id, 'variable', 'words')).toEqual([]);
		expect(followers(plan, change.id, 'variable', 'k')).toEqual([]);
		const twice = {
			...plan,
			chains: [...plan.chains, ...planOf([{ ...set, id: 'again' }]).chains]
		};
		expect(followers(twice, set.id, 'variable', 'sides')).toEqual([]);
	});

	it('for a routine reaches its calls', () => {
		expect(followers(plan, routine.id, 'name', 'edge')).toEqual([
			{ type: 'setValue', step: call.id, name: 'routine', value: 'edge' }
		]);
	});
});
