/**
 * The trail as a list of rows, so that only those on screen need be drawn. Each row knows how deep
 * it hangs and which place a step dropped above it would take.
 */
import type { Problem } from '$core/checks';
import { findStep, type Place } from '$core/plan/places';
import {
	eachStep,
	isLit,
	numberSteps,
	robotOfChain,
	type Chain,
	type Plan,
	type Step
} from '$core/plan/plan';
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
	/** 0 for a branch. */
	readonly number: number;
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

/** Pixels. */
const heights = {
	usual: { head: 60, step: 54, branch: 48, bud: 46 },
	first: { head: 64, step: 84, branch: 60, bud: 60 }
};
/** An unlit chain says so, with a button, on two lines. */
const unlitHeadHeight = 92;
const commentHeight = 22;
const problemHeight = 34;

export const indent = 26;
/** Pixels from the edge of the pane to what hangs at this depth. */
export const leftOf = (depth: number): number => 14 + depth * indent;

/** Pixels that the words of a step or trigger take beyond one line. */
export type TagHeight = (step: Step, depth: number, folded: number) => number;

export interface RowLook {
	/** The first problem of each step or chain. */
	readonly problems?: ReadonlyMap<string, Problem>;
	readonly folded?: ReadonlySet<string>;
	/** Big tags with a picture each. */
	readonly isFirst?: boolean;
	/** Where a bud is open, and how high it stands at a depth. */
	readonly open?: { readonly place: Place; readonly heightAt: (depth: number) => number } | null;
	/** Of all heights. */
	readonly zoom?: number;
	readonly tagHeight?: TagHeight;
}

/**
 * @param before rows that are still drawn; one that did not change is taken over as it is, so that
 *   nothing of it is drawn again
 */
export function rowsOf(
	plan: Plan,
	before: ReadonlyMap<string, Row> = new Map(),
	{
		problems = new Map(),
		folded = new Set(),
		isFirst = false,
		open = null,
		zoom = 1,
		tagHeight = () => 0
	}: RowLook = {}
): Row[] {
	const rows: Row[] = [];
	const numbers = numberSteps(plan);
	const sizes = isFirst ? heights.first : heights.usual;
	const add = (row: Row) => {
		const known = before.get(row.key);
		rows.push(known && isSame(known, row) ? known : row);
	};
	const tall = (height: number, step: Step | null, problem: Problem | undefined) =>
		zoom * (height + (step?.comment ? commentHeight : 0) + (problem ? problemHeight : 0));

	const addChain = (chain: Chain) => {
		const lit = isLit(chain) || (chain.trigger?.kind === 'routine' && !chain.trigger.off);
		/** @param owner the step whose body it is; null for the chain */
		const visit = (
			steps: readonly Step[],
			owner: Step | null,
			depth: number,
			level: number,
			isOn: boolean
		) => {
			const size = steps.length;
			const holder = owner?.id ?? chain.id;
			const openIndex = open?.place.holder === holder ? Math.min(open.place.index, size) : -1;
			const addBud = (index: number) => {
				const isOpen = index === openIndex;
				add({
					...{ type: 'bud', depth, level, isLit: isOn, holder, index, owner },
					key: index === size ? `${holder}-bud` : `${holder}-open`,
					height: zoom * (isOpen ? open!.heightAt(depth) : sizes.bud),
					...(isOpen && { isOpen: true as const }),
					...(index < size && { isBetween: true as const })
				});
			};
			steps.forEach((step, index) => {
				if (index === openIndex) addBud(index);
				const { isBranch, branches } = definitionOf(step.kind);
				const isStepOn = isOn && !step.off;
				const problem = problems.get(step.id);
				const isFolded = folded.has(step.id) && step.body !== undefined;
				const inside = isFolded ? countIn(step) : 0;
				const height = (isBranch ? sizes.branch : sizes.step) + tagHeight(step, depth, inside);
				add({
					type: 'step',
					key: step.id,
					depth,
					level,
					isLit: isStepOn,
					height: tall(height, step, problem),
					step,
					number: numbers.get(step.id) ?? 0,
					holder,
					index,
					size,
					folded: inside,
					problem
				});
				if (!step.body || isFolded) return;
				visit(step.body, step, branches ? depth : depth + 1, level + 1, isStepOn);
			});
			addBud(size);
		};
		const { trigger } = chain;
		const problem = trigger ? problems.get(trigger.id) : undefined;
		const height = trigger ? sizes.head + tagHeight(trigger, 0, 0) : unlitHeadHeight;
		add({
			type: 'head',
			key: `${chain.id}-head`,
			depth: 0,
			level: 1,
			isLit: lit,
			height: tall(height, trigger, problem),
			chain: chain.id,
			robot: robotOfChain(plan, chain).id,
			trigger,
			problem
		});
		visit(chain.steps, null, 0, 1, lit);
	};
	plan.chains.forEach(addChain);
	return rows;
}

function countIn(step: Step): number {
	let count = 0;
	eachStep(step.body ?? [], ({ kind }) => {
		if (!definitionOf(kind).isBranch) count += 1;
	});
	return count;
}

/** Of a thousand rows with each change: so without a list of their names. */
function isSame(a: Row, b: Row): boolean {
	for (const name in b) if (a[name as keyof Row] !== b[name as keyof Row]) return false;
	// A bud that was open, or between steps, has a name more.
	for (const name in a) if (!(name in b)) return false;
	return true;
}

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
