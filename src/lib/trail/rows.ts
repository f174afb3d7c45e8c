/**
 * The trail as a list of rows, so that only those on screen need be drawn. Each row knows how deep
 * it hangs and which place a step dropped above it would take.
 */
import { locateSteps, type Place } from '$core/plan/places';
import { numberSteps, type Chain, type Plan, type Step } from '$core/plan/plan';

interface Base {
	/** Stable, and also the id of the element. */
	readonly key: string;
	readonly depth: number;
	readonly isLit: boolean;
}

export interface HeadRow extends Base {
	readonly type: 'head';
	readonly chain: string;
	readonly trigger: Chain['trigger'];
}
export interface StepRow extends Base {
	readonly type: 'step';
	readonly step: Step;
	readonly number: number;
	/** Its place; a step dropped above the row goes here. */
	readonly holder: string;
	readonly index: number;
	/** How many steps hang in its list. */
	readonly size: number;
}
/** The end of a list, where more is tied on: a bud; for a loop also its knot. */
export interface BudRow extends Base {
	readonly type: 'bud';
	readonly holder: string;
	readonly index: number;
	readonly loop: Step | null;
}
export type Row = HeadRow | StepRow | BudRow;

const rowHeights = { head: 60, step: 54, bud: 50 };
/** An unlit chain says so, with a button, on two lines. */
const unlitHeadHeight = 92;

/** Pixels. */
export const heightOf = (row: Row): number =>
	row.type === 'head' && !row.isLit ? unlitHeadHeight : rowHeights[row.type];

export const indent = 26;

/**
 * @param before rows that are still drawn; one that did not change is taken over as it is, so that
 *   nothing of it is drawn again
 */
export function rowsOf(plan: Plan, before: ReadonlyMap<string, Row> = new Map()): Row[] {
	const rows: Row[] = [];
	const numbers = numberSteps(plan);
	const add = (row: Row) => {
		const known = before.get(row.key);
		rows.push(known && isSame(known, row) ? known : row);
	};
	for (const chain of plan.chains) {
		const isLit = chain.trigger !== null;
		const visit = (steps: readonly Step[], holder: string, depth: number) => {
			const size = steps.length;
			steps.forEach((step, index) => {
				const number = numbers.get(step.id)!;
				add({ type: 'step', key: step.id, depth, isLit, step, number, holder, index, size });
				if (step.body) visit(step.body, step.id, depth + 1);
			});
			const loop = holder === chain.id ? null : locateSteps(plan).get(holder)!.step;
			add({ type: 'bud', key: `${holder}-bud`, depth, isLit, holder, index: size, loop });
		};
		add({
			type: 'head',
			key: `${chain.id}-head`,
			depth: 0,
			isLit,
			chain: chain.id,
			trigger: chain.trigger
		});
		visit(chain.steps, chain.id, 0);
	}
	return rows;
}

function isSame(a: Row, b: Row): boolean {
	const names = Object.keys(b) as (keyof Row)[];
	return names.every((name) => a[name] === b[name]);
}

/** Where a step dropped between this row and the one above it goes; none above a chain's head. */
export const placeAbove = (row: Row): Place | null =>
	row.type === 'head' ? null : { holder: row.holder, index: row.index };
