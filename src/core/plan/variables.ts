/** The variables of a plan: which there are, and of what type each is, as far as its steps tell. */
import { eachName, parse } from '../expressions/expression';
import { hasSameUnit, types, type Type } from '../types';
import { typeOf, type Scope } from '../expressions/typing';
import { isExpression, type Value } from '../steps/definition';
import { inputNames } from '../steps/own';
import { eachStep, type Chain, type Plan, type Step } from './plan';

/** Times that types are handed from one variable to the next: `a` to `b` to `c` to `d`. */
const passes = 3;

const known = new WeakMap<readonly Chain[], ReadonlyMap<string, Type>>();

/** Every variable that some step sets, with its type. One that is set to different types is anything. */
export function variableTypes(plan: Plan): ReadonlyMap<string, Type> {
	const before = known.get(plan.chains);
	if (before) return before;
	const settings: { variable: string; step: Step }[] = [];
	const inputs = new Set<string>();
	for (const chain of plan.chains) {
		for (const input of inputsOf(chain)) inputs.add(input);
		eachStep(chain.steps, (step) => {
			const { variable } = step.values;
			if (typeof variable === 'string') settings.push({ variable, step });
		});
	}
	let found = new Map<string, Type>();
	for (let pass = 0; pass < passes; pass++) {
		const next = new Map<string, Type>();
		const scope: Scope = (name) =>
			found.get(name) ?? (inputs.has(name) ? types.anything : undefined);
		for (const { variable, step } of settings) {
			const type = givenType(step, scope);
			if (type) next.set(variable, common(next.get(variable), type));
		}
		for (const { variable } of settings) {
			if (!next.has(variable)) next.set(variable, types.plain);
		}
		found = next;
	}
	known.set(plan.chains, found);
	return found;
}

/** @returns undefined when the step does not tell, such as a change by 1 */
function givenType(step: Step, scope: Scope): Type | undefined {
	if (step.kind === 'set') return typeOfValue(step.values.value!, scope);
	return step.kind === 'change' ? undefined : types.list;
}

function typeOfValue(value: Value, scope: Scope): Type {
	if (typeof value === 'number') return types.plain;
	if (!isExpression(value)) return types.text;
	const tree = parse(value.expression);
	const type = tree.ok ? typeOf(tree.value, scope) : tree;
	return type.ok ? type.value : types.anything;
}

function common(one: Type | undefined, other: Type): Type {
	if (!one) return other;
	if (one.kind === 'number' && other.kind === 'number') {
		return hasSameUnit(one, other) ? one : types.anything;
	}
	return one.kind === other.kind ? one : types.anything;
}

/** The inputs of a routine; none for any other chain. */
export const inputsOf = (chain: Chain): string[] =>
	chain.trigger?.kind === 'routine' ? inputNames(chain.trigger.values.inputs) : [];

/** What the expressions of a chain can name. */
export function scopeIn(plan: Plan, chain: Chain | undefined): Scope {
	const variables = variableTypes(plan);
	const inputs = new Set(chain ? inputsOf(chain) : []);
	return (name) => (inputs.has(name) ? types.anything : variables.get(name));
}

/** The routines of a plan by name, each with the chain that is its trail. */
export function routinesOf(plan: Plan): ReadonlyMap<string, Chain> {
	const routines = plan.chains.filter(({ trigger }) => trigger?.kind === 'routine');
	return new Map(routines.map((chain) => [String(chain.trigger!.values.name), chain]));
}

/** Calls `visit` for each name in the expressions of a step. Those that make no sense have none. */
export function eachNameIn(step: Step, visit: (name: string) => void): void {
	for (const value of Object.values(step.values)) {
		const tree = isExpression(value) ? parse(value.expression) : undefined;
		if (tree?.ok) eachName(tree.value, visit);
	}
}
