/**
 * Where steps are, and where steps can go. A list of steps is named by what holds it: a chain, or a
 * step with a body. Both have identifiers, so a place stays right while other things change.
 */
import { failure, success, type Result } from '../sentence';
import { definitionOf, mayHang } from '../steps/catalogue';
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

/** A step, or the trigger of a chain. */
export const findStep = (plan: Plan, id: string): Step | undefined =>
	locateSteps(plan).get(id)?.step ??
	plan.chains.find(({ trigger }) => trigger?.id === id)?.trigger ??
	undefined;

/** The same plan with one step, or one trigger, changed. */
export function changeStep(plan: Plan, id: string, change: (step: Step) => Step): Result<Plan> {
	const located = locateSteps(plan).get(id);
	if (located) return success(withStep(plan, located, change(located.step)));
	const chain = plan.chains.find(({ trigger }) => trigger?.id === id);
	if (!chain?.trigger) return failure('edit.noStep', { id });
	const trigger = change(chain.trigger);
	return success(withChain(plan, chain.id, (old) => ({ ...old, trigger })));
}

/** Whether these steps may hang in this chain or step; a choice holds only its branches. */
export function checkHanging(plan: Plan, holder: string, steps: readonly Step[]): Result<void> {
	return checkNesting(steps, locateSteps(plan).get(holder)?.step.kind ?? null);
}

/** Whether these steps, and all that hang in them, hang where they may. @param holder null: a chain */
export function checkNesting(steps: readonly Step[], holder: string | null): Result<void> {
	for (const { kind, body } of steps) {
		const inside = mayHang(kind, holder) ? checkNesting(body ?? [], kind) : refuseHere(kind);
		if (!inside.ok) return inside;
	}
	return success(undefined);
}

function refuseHere(kind: string): Result<never> {
	if (definitionOf(kind).isTrigger) return failure('edit.triggerInside');
	return failure(definitionOf(kind).isBranch ? 'edit.branchOutside' : 'edit.onlyBranches');
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
 * All places where a step of this kind could be put, in reading order; those inside `moving` are left
 * out. A step that moves one place down or up moves along this list.
 */
export function placesInOrder(plan: Plan, kind: string, moving?: string): Place[] {
	const places: Place[] = [];
	const visit = (steps: readonly Step[], holder: string, holderKind: string | null) => {
		const fits = mayHang(kind, holderKind);
		steps.forEach((step, index) => {
			if (fits) places.push({ holder, index });
			if (step.body && step.id !== moving) visit(step.body, step.id, step.kind);
		});
		if (fits) places.push({ holder, index: steps.length });
	};
	for (const chain of plan.chains) visit(chain.steps, chain.id, null);
	return places;
}
