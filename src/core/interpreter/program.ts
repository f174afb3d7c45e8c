/** A plan made ready to run: each step with its definition and number beside it. */
import { numberSteps, type Plan, type Step } from '../plan/plan';
import { definitionOf } from '../steps/catalogue';
import type { StepDefinition, Values } from '../steps/definition';

export interface Instruction {
	readonly id: string;
	/** As on its tag. */
	readonly number: number;
	readonly definition: StepDefinition;
	readonly values: Values;
	readonly body: readonly Instruction[];
}

/** The instructions of each lit chain; unlit ones do not run. */
export function compile(plan: Plan): Instruction[][] {
	const numbers = numberSteps(plan);
	const instruct = (step: Step): Instruction => ({
		id: step.id,
		number: numbers.get(step.id) ?? 0,
		definition: definitionOf(step.kind),
		values: step.values,
		body: (step.body ?? []).map(instruct)
	});
	return plan.chains
		.filter((chain) => chain.trigger !== null)
		.map((chain) => chain.steps.map(instruct));
}
