/**
 * The trail as a list of rows, so that only those on screen need be drawn. What did not change since
 * the list before is taken over: rows, so that nothing of them is drawn again, and all that hangs in a
 * step as one.
 */
import type { Problem } from '$core/checks';
import { locateSteps, type Place } from '$core/plan/places';
import { eachStep, isLit, robotOfChain, type Chain, type Plan, type Step } from '$core/plan/plan';
import { definitionOf } from '$core/steps/catalogue';
import type { Row } from './rows';

/** Pixels. */
const heights = {
	usual: { head: 60, step: 54, branch: 48, bud: 46 },
	first: { head: 64, step: 84, branch: 60, bud: 60 }
};
/** An unlit chain says so, with a button, on two lines. */
const unlitHeadHeight = 92;
const commentHeight = 22;
const problemHeight = 34;

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

export interface RowList {
	readonly rows: readonly Row[];
	/** By the keys of the rows. */
	readonly indexOf: ReadonlyMap<string, number>;
	readonly look: Omit<RowLook, 'open'>;
	/** The rows of each list of steps, and where it hung. */
	readonly made: WeakMap<readonly Step[], { readonly hanging: Hanging; readonly rows: Row[] }>;
}

/** Where a list of steps hangs. */
interface Hanging {
	readonly holder: string;
	/** The step whose body it is; null for a chain. */
	readonly owner: Step | null;
	readonly depth: number;
	readonly level: number;
	readonly isLit: boolean;
	/** The bud that is open in it or further in. */
	readonly open: RowLook['open'];
}

/** @param before the list that is still drawn */
export function rowListOf(
	plan: Plan,
	{ open = null, ...look }: RowLook = {},
	before?: RowList
): RowList {
	const { problems, folded, isFirst = false, zoom = 1, tagHeight } = look;
	const made: RowList['made'] = before && isAlike(before.look, look) ? before.made : new WeakMap();
	const sizes = isFirst ? heights.first : heights.usual;
	const aroundOpen = open ? holdersAround(plan, open.place.holder) : [];

	const take = (row: Row): Row => {
		const known = before?.rows[before.indexOf.get(row.key) ?? -1];
		return known && isAlike(known, row) ? known : row;
	};
	const tall = (height: number, step: Step | null, problem: Problem | undefined) =>
		zoom * (height + (step?.comment ? commentHeight : 0) + (problem ? problemHeight : 0));

	/** @returns the rows of a list of steps, with what hangs in them and the bud at its end */
	function rowsOf(steps: readonly Step[], hanging: Hanging): Row[] {
		const known = made.get(steps);
		if (known && isAlike(known.hanging, hanging)) return known.rows;
		const { holder, owner, depth, level, isLit } = hanging;
		const rows: Row[] = [];
		const size = steps.length;
		const openIndex = open?.place.holder === holder ? Math.min(open.place.index, size) : -1;
		const addBud = (index: number) => {
			const isOpen = index === openIndex;
			const bud: Row = {
				...{ type: 'bud', depth, level, isLit, holder, index, owner },
				key: index === size ? `${holder}-bud` : `${holder}-open`,
				height: zoom * (isOpen ? open!.heightAt(depth) : sizes.bud),
				...(isOpen && { isOpen: true as const }),
				...(index < size && { isBetween: true as const })
			};
			rows.push(take(bud));
		};
		steps.forEach((step, index) => {
			if (index === openIndex) addBud(index);
			const { id, kind, body } = step;
			const { isBranch, branches } = definitionOf(kind);
			const isStepLit = isLit && !step.off;
			const problem = problems?.get(id);
			const isFolded = body !== undefined && folded?.has(id) === true;
			const inside = isFolded ? countIn(step) : 0;
			const height =
				(isBranch ? sizes.branch : sizes.step) + (tagHeight?.(step, depth, inside) ?? 0);
			const row: Row = {
				type: 'step',
				key: id,
				depth,
				level,
				isLit: isStepLit,
				height: tall(height, step, problem),
				step,
				holder,
				index,
				size,
				folded: inside,
				problem
			};
			rows.push(take(row));
			if (!body || isFolded) return;
			const inner = {
				holder: id,
				owner: step,
				depth: branches ? depth : depth + 1,
				level: level + 1,
				isLit: isStepLit,
				open: aroundOpen.includes(id) ? open : null
			};
			for (const each of rowsOf(body, inner)) rows.push(each);
		});
		addBud(size);
		made.set(steps, { hanging, rows });
		return rows;
	}

	function rowsOfChain(chain: Chain): Row[] {
		const { id, trigger } = chain;
		const problem = trigger ? problems?.get(trigger.id) : undefined;
		const height = trigger ? sizes.head + (tagHeight?.(trigger, 0, 0) ?? 0) : unlitHeadHeight;
		const head: Row = {
			type: 'head',
			key: `${id}-head`,
			depth: 0,
			level: 1,
			isLit: isLit(chain) || (trigger?.kind === 'routine' && !trigger.off),
			height: tall(height, trigger, problem),
			chain: id,
			robot: robotOfChain(plan, chain).id,
			trigger,
			problem
		};
		const hanging = { holder: id, owner: null, depth: 0, level: 1, isLit: head.isLit };
		const isAround = aroundOpen.includes(id);
		return [take(head), ...rowsOf(chain.steps, { ...hanging, open: isAround ? open : null })];
	}

	const rows = plan.chains.flatMap(rowsOfChain);
	return { rows, indexOf: new Map(rows.map(({ key }, index) => [key, index])), look, made };
}

/** The chain and the steps that a list hangs in, by its holder. */
function holdersAround(plan: Plan, holder: string): string[] {
	const located = locateSteps(plan).get(holder);
	return located ? [located.chain.id, ...located.around.map(({ id }) => id), holder] : [holder];
}

function countIn(step: Step): number {
	let count = 0;
	eachStep(step.body ?? [], ({ kind }) => {
		if (!definitionOf(kind).isBranch) count += 1;
	});
	return count;
}

/** Of a thousand rows with each change: so without a list of their names. */
function isAlike<T extends object>(a: T, b: T): boolean {
	for (const name in b) if (a[name] !== b[name]) return false;
	// A bud that was open, or between steps, has a name more.
	for (const name in a) if (!(name in b)) return false;
	return true;
}
