/** What is odd about a plan, each with its place. No problem here keeps a rehearsal from running. */
import type { Sentence } from '../sentence';
import { definitionOf } from '../steps/catalogue';
import type { Chain, Plan, Step } from './plan';

export interface Problem {
	/** Where in the document, as in `chains[0].steps[3]`. */
	readonly place: string;
	/** The chain or step it belongs to. */
	readonly id: string;
	readonly sentence: Sentence;
}

export function checkPlan(plan: Plan): Problem[] {
	const problems = plan.chains.flatMap((chain, index) => checkChain(chain, `chains[${index}]`));
	if (!plan.chains.some((chain) => chain.trigger)) {
		problems.unshift({ place: 'chains', id: '', sentence: { key: 'check.nothingLit' } });
	}
	return problems;
}

function checkChain(chain: Chain, place: string): Problem[] {
	const inside = checkSteps(chain.steps, `${place}.steps`);
	if (chain.trigger) return inside;
	return [{ place, id: chain.id, sentence: { key: 'check.unlit' } }, ...inside];
}

function checkSteps(steps: readonly Step[], place: string): Problem[] {
	return steps.flatMap((step, index) => {
		if (!step.body) return [];
		const here = `${place}[${index}]`;
		const inside = checkSteps(step.body, `${here}.body`);
		if (step.body.length === 0) {
			return [{ place: here, id: step.id, sentence: { key: 'check.emptyBody' } }];
		}
		if (inside.length > 0 || step.body.some(takesTime)) return inside;
		return [{ place: here, id: step.id, sentence: { key: 'check.neverWaits' } }];
	});
}

const takesTime = (step: Step): boolean =>
	definitionOf(step.kind).takesTime === true || (step.body?.some(takesTime) ?? false);
