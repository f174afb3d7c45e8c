/**
 * Where steps are, and where steps can go. A list of steps is named by what holds it: a chain, or a
 * step with a body. Both have identifiers, so a place stays right while other things change.
 */
import { failure, success, type Result } from '../sentence';
import type { Chain, Plan, Step } from './plan';

/** Between the steps of the chain or of the step `holder`, before the one that now has `index`. */
export interface Place {
	readonly holder: string;
	readonly index: number;
}

export interface Located {
	readonly step: Step;
	readonly place: Place;
	readonly chain: Chain;
	/** Steps around it, from the outermost in. */
	readonly around: readonly Step[];
}

const indexes = new WeakMap<Plan, ReadonlyMap<string, Located>>();

/** Every step of the plan by its id. Made once for each plan, in one pass. */
export function locateSteps(plan: Plan): ReadonlyMap<string, Located> {
	const known = indexes.get(plan);
	if (known) return known;
	const located = new Map<string, Located>();
	const visit = (steps: readonly Step[], holder: string, chain: Chain, around: Step[]) =>
		steps.forEach((step, index) => {
			located.set(step.id, { step, place: { holder, index }, chain, around });
			if (step.body) visit(step.body, step.id, chain, [...around, step]);
		});
	for (const chain of plan.chains) visit(chain.steps, chain.id, chain, []);
	indexes.set(plan, located);
	return located;
}

/** The steps that hang in this chain or in this step. */
export function stepsIn(plan: Plan, holder: string): Result<readonly Step[]> {
	const chain = plan.chains.find((candidate) => candidate.id === holder);
	if (chain) return success(chain.steps);
	const step = locateSteps(plan).get(holder)?.step;
	if (step?.body) return success(step.body);
	return failure('edit.noHolder', { id: holder });
}

/** The same plan with another list of steps in this chain or step. */
export function withStepsIn(plan: Plan, holder: string, steps: readonly Step[]): Plan {
	const located = locateSteps(plan).get(holder);
	if (!located) {
		return withChain(plan, holder, (chain) => ({ ...chain, steps }));
	}
	return withStep(plan, located, { ...located.step, body: steps });
}

/** The same plan with one step changed; everything beside the way to it is shared. */
export function withStep(plan: Plan, located: Located, changed: Step): Plan {
	const { around, chain, place } = located;
	let index = place.index;
	let next = changed;
	for (let depth = around.length - 1; depth >= 0; depth--) {
		const outer = around[depth]!;
		const outerPlace = locateSteps(plan).get(outer.id)!.place;
		next = { ...outer, body: replaceAt(outer.body ?? [], index, next) };
		index = outerPlace.index;
	}
	return withChain(plan, chain.id, (old) => ({ ...old, steps: replaceAt(old.steps, index, next) }));
}

export function withChain(plan: Plan, id: string, change: (chain: Chain) => Chain): Plan {
	return { ...plan, chains: plan.chains.map((chain) => (chain.id === id ? change(chain) : chain)) };
}

function replaceAt<T>(list: readonly T[], index: number, item: T): readonly T[] {
	const copy = list.slice();
	copy[index] = item;
	return copy;
}

/** How deep the steps at this place are nested: 0 in a chain. */
export function nestingAt(plan: Plan, holder: string): number {
	const located = locateSteps(plan).get(holder);
	return located ? located.around.length + 1 : 0;
}

/** How many levels of steps hang below this one: 0 for a plain step. */
export const depthOf = (step: Step): number =>
	step.body ? 1 + Math.max(0, ...step.body.map(depthOf)) : 0;

/**
 * All places where a step could be put, in reading order; those inside `moving` are left out.
 * A step that moves one place down or up moves along this list.
 */
export function placesInOrder(plan: Plan, moving?: string): Place[] {
	const places: Place[] = [];
	const visit = (steps: readonly Step[], holder: string) => {
		steps.forEach((step, index) => {
			places.push({ holder, index });
			if (step.body && step.id !== moving) visit(step.body, step.id);
		});
		places.push({ holder, index: steps.length });
	};
	for (const chain of plan.chains) visit(chain.steps, chain.id);
	return places;
}
