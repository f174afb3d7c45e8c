/** A row of the trail: how deep it hangs, and which place a step dropped above it would take. */
import type { Problem } from '$core/checks';
import { findStep, type Place } from '$core/plan/places';
import type { Chain, Plan, Step } from '$core/plan/plan';
import { definitionOf } from '$core/steps/catalogue';

interface Base {
	/** Stable, and also the id of the element. */
	readonly key: string;
	/** Of the cord it hangs on; a branch hangs on the cord of its choice. */
	readonly depth: number;
	/** Steps around it, and one. */
	readonly level: number;
	readonly isLit: boolean;
	readonly height: number;
}

export interface HeadRow extends Base {
	readonly type: 'head';
	readonly chain: string;
	/** The id of the robot that runs it. */
	readonly robot: string;
	readonly trigger: Chain['trigger'];
	readonly problem: Problem | undefined;
}
export interface StepRow extends Base {
	readonly type: 'step';
	readonly step: Step;
	/** Its place; a step dropped above the row goes here. */
	readonly holder: string;
	readonly index: number;
	/** How many steps hang in its list. */
	readonly size: number;
	/** Steps that are folded away in it; 0 when it is open. */
	readonly folded: number;
	readonly problem: Problem | undefined;
}
/** The end of a list, where more is tied on: a bud; for a loop also its knot. */
export interface BudRow extends Base {
	readonly type: 'bud';
	readonly holder: string;
	readonly index: number;
	/** The step it hangs in; null for a chain. */
	readonly owner: Step | null;
	/** What can be tied on stands around it: the next step goes here. */
	readonly isOpen?: true;
	/** It is not at the end of its list. */
	readonly isBetween?: true;
}
export type Row = HeadRow | StepRow | BudRow;

export const indent = 26;
/** Pixels from the edge of the pane to what hangs at this depth. */
export const leftOf = (depth: number): number => 14 + depth * indent;

/** Where a step dropped between this row and the one above it goes; none above a chain's head. */
export const placeAbove = (row: Row): Place | null =>
	row.type === 'head' ? null : { holder: row.holder, index: row.index };

/** Where a step goes that is added from this row. */
export function placeAfter(row: Row): Place {
	if (row.type === 'head') return { holder: row.chain, index: 0 };
	return { holder: row.holder, index: row.type === 'bud' ? row.index : row.index + 1 };
}

/** The step or trigger of a row. */
export const stepOf = (row: Row): string | undefined =>
	row.type === 'step' ? row.step.id : row.type === 'head' ? row.trigger?.id : undefined;

/**
 * Where the next step will be wanted: in what was added, or behind it.
 * @param id of the step or chain that was added
 * @returns the key of a row
 */
export function keyAfter(plan: Plan, id: string): string {
	const chain = plan.chains.find((candidate) => candidate.id === id);
	if (chain) return chain.steps.length > 0 ? `${id}-head` : `${id}-bud`;
	const { body } = findStep(plan, id) ?? {};
	if (!body) return id;
	const [branch] = body;
	if (branch && definitionOf(branch.kind).isBranch) return `${branch.id}-bud`;
	return body.length === 0 ? `${id}-bud` : id;
}

/** The first problem of each step or chain; an unlit chain says so itself. */
export function firstProblems(problems: readonly Problem[]): ReadonlyMap<string, Problem> {
	const first = new Map<string, Problem>();
	for (const problem of problems) {
		if (problem.sentence.key !== 'check.unlit' && !first.has(problem.id)) {
			first.set(problem.id, problem);
		}
	}
	return first;
}
