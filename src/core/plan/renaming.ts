/** What else changes when a step is given another name, so that nobody is left with the old one. */
import { eachName, parse, renamedTo, write } from '../expressions/expression';
import { isExpression, type Value } from '../steps/definition';
import type { Edit } from './edits';
import { findStep, locateSteps, type Located } from './places';
import type { Plan, Step } from './plan';
import { inputsOf, variableTypes } from './variables';

/** Steps that make a variable; others only use one. */
const makers: readonly string[] = ['set', 'newList'];

/**
 * The edits that go with giving a value of a step another content.
 * - A routine that gets another name: the steps that call it.
 * - A variable that only this step makes, and that gets a name no other has: all that use it.
 */
export function followers(plan: Plan, id: string, name: string, value: Value): Edit[] {
	const step = findStep(plan, id);
	if (!step || typeof value !== 'string' || value === step.values[name]) return [];
	const located = [...locateSteps(plan).values()];
	if (step.kind === 'routine' && name === 'name') {
		return located
			.filter(({ step: other }) => other.values.routine === step.values.name)
			.map(({ step: other }) => setValue(other, 'routine', value));
	}
	const isNewName = name === 'variable' && !variableTypes(plan).has(value);
	return isNewName && makers.includes(step.kind) ? usersOf(plan, located, step, value) : [];
}

function usersOf(plan: Plan, located: readonly Located[], maker: Step, after: string): Edit[] {
	const before = String(maker.values.variable);
	const others = located.map(({ step }) => step).filter(({ id }) => id !== maker.id);
	const isOnlyMaker = !others.some(
		({ kind, values }) => makers.includes(kind) && values.variable === before
	);
	if (!isOnlyMaker) return [];
	const triggers = plan.chains.flatMap((chain) =>
		chain.trigger ? [{ step: chain.trigger, chain }] : []
	);
	return [...triggers, ...located].flatMap(({ step, chain }) =>
		Object.entries(step.values).flatMap(([name, value]) => {
			if (name === 'variable') {
				return value === before && step.id !== maker.id ? [setValue(step, name, after)] : [];
			}
			// An input of the same name is another thing.
			if (!isExpression(value) || inputsOf(chain).includes(before)) return [];
			const expression = withName(value.expression, before, after);
			return expression === value.expression ? [] : [setValue(step, name, { expression })];
		})
	);
}

const setValue = (step: Step, name: string, value: Value): Edit => ({
	type: 'setValue',
	step: step.id,
	name,
	value
});

/** An expression that cannot be read, or that does not use the name, stays as it was typed. */
function withName(expression: string, before: string, after: string): string {
	const tree = parse(expression);
	if (!tree.ok) return expression;
	let isUsed = false;
	eachName(tree.value, (name) => (isUsed ||= name === before));
	return isUsed ? write(renamedTo(tree.value, before, after)) : expression;
}
