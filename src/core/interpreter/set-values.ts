/** The same program with other numbers in some of its steps, without compiling it anew. */
import type { Expression } from '../expressions/expression';
import type { Instruction, Program } from './program';

/** Another number of a step, or another expression, in the place of what it has. */
export interface SetValue {
	readonly step: string;
	readonly name: string;
	readonly value: number | Expression;
}

/** Only a number takes the place of a number: expressions are compiled with their plan. */
export function withValues(program: Program, set: readonly SetValue[]): Program {
	if (set.length === 0) return program;
	const byStep = new Map<string, SetValue[]>();
	for (const each of set) byStep.set(each.step, [...(byStep.get(each.step) ?? []), each]);
	const list = (steps: readonly Instruction[]): readonly Instruction[] => {
		const changed = steps.map(patched);
		return changed.some((step, index) => step !== steps[index]) ? changed : steps;
	};
	const patched = (step: Instruction): Instruction => {
		const body = list(step.body);
		const own = (byStep.get(step.id) ?? []).filter(
			(each): each is SetValue & { readonly value: number } =>
				typeof each.value === 'number' && typeof step.values[each.name] === 'number'
		);
		if (own.length === 0) return body === step.body ? step : { ...step, body };
		const numbers = new Map(own.map(({ name, value }) => [name, value]));
		const slots = step.slots.map((slot, index) => numbers.get(step.names[index]!) ?? slot);
		return { ...step, body, slots, values: { ...step.values, ...Object.fromEntries(numbers) } };
	};
	return {
		...program,
		chains: program.chains.map((chain) => ({ ...chain, steps: list(chain.steps) })),
		routines: program.routines.map(
			(routines) =>
				new Map(
					[...routines].map(([name, { inputs, steps }]) => [name, { inputs, steps: list(steps) }])
				)
		)
	};
}
