/**
 * The trail as a list of rows, so that only those on screen need be drawn. Each row knows how deep
 * it hangs and which place a step dropped above it would take.
 */
import type { Place } from '$core/plan/places';
import { numberSteps, type Chain, type Plan, type Step } from '$core/plan/plan';

interface Base {
	/** Stable, and also the id of the element. */
	readonly key: string;
	readonly depth: number;
	readonly chain: Chain;
	readonly isLit: boolean;
}

export interface HeadRow extends Base {
	readonly type: 'head';
	readonly chainIndex: number;
}
export interface StepRow extends Base {
	readonly type: 'step';
	readonly step: Step;
	readonly number: number;
	/** Where this step is; a step dropped above the row goes here. */
	readonly place: Place;
	/** Position among the steps of its list, from 1, and how many there are. */
	readonly position: number;
	readonly size: number;
}
/** The end of a list, where more is tied on: a bud; for a loop also its knot. */
export interface BudRow extends Base {
	readonly type: 'bud';
	readonly place: Place;
	readonly loop: Step | null;
}
export type Row = HeadRow | StepRow | BudRow;

export const rowHeights = { head: 60, step: 54, bud: 50 } as const;
export const indent = 26;

export function rowsOf(plan: Plan): Row[] {
	const rows: Row[] = [];
	const numbers = numberSteps(plan);
	plan.chains.forEach((chain, chainIndex) => {
		const isLit = chain.trigger !== null;
		const visit = (steps: readonly Step[], holder: string, depth: number) =>
			steps.forEach((step, index) => {
				const place = { holder, index };
				const number = numbers.get(step.id)!;
				const base = { depth, chain, isLit };
				rows.push({
					...base,
					type: 'step',
					key: step.id,
					step,
					number,
					place,
					position: index + 1,
					size: steps.length
				});
				if (!step.body) return;
				visit(step.body, step.id, depth + 1);
				const end = { holder: step.id, index: step.body.length };
				rows.push({
					...base,
					type: 'bud',
					key: `${step.id}-bud`,
					depth: depth + 1,
					place: end,
					loop: step
				});
			});
		rows.push({ type: 'head', key: `${chain.id}-head`, depth: 0, chain, isLit, chainIndex });
		visit(chain.steps, chain.id, 0);
		const end = { holder: chain.id, index: chain.steps.length };
		rows.push({
			type: 'bud',
			key: `${chain.id}-bud`,
			depth: 0,
			chain,
			isLit,
			place: end,
			loop: null
		});
	});
	return rows;
}

/** Where a step dropped between this row and the one above it goes; none above a chain's head. */
export const placeAbove = (row: Row): Place | null => (row.type === 'head' ? null : row.place);
