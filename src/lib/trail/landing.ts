/** Where a dragged tag would land. */
import { findStep, locateSteps, type Place } from '$core/plan/places';
import type { Plan } from '$core/plan/plan';
import { mayHang } from '$core/steps/catalogue';
import { placeAbove, type Row } from './rows';
import type { VisibleRows } from './visible-rows.svelte';

export interface Landing {
	readonly target: Place | 'aside' | 'remove' | null;
	/** Pixels from the top of the list, and depth, for the mark that shows it. */
	readonly line: { readonly y: number; readonly depth: number } | null;
}

export const nowhere: Landing = { target: null, line: null };

/**
 * @param y pixels from the top of the list
 * @param dragged the key of the row that is dragged, or of a new step from the shelf
 * @param kind of the dragged step
 */
export function landingAt(
	y: number,
	rows: readonly Row[],
	visible: VisibleRows,
	plan: Plan,
	dragged: string,
	kind: string
): Landing {
	const below = visible.rowBelow(y);
	const index = below === -1 ? rows.length - 1 : below;
	const row = rows[index];
	const place = row && (placeAbove(row) ?? chainEndBefore(rows, index));
	if (!row || !place || isInside(plan, place, dragged)) return nowhere;
	if (!mayHang(kind, findStep(plan, place.holder)?.kind ?? null)) return nowhere;
	return { target: place, line: { y: visible.itemAt(index).start - 3, depth: row.depth } };
}

/** Above a chain's head: the end of the chain before it; for the first chain, its own start. */
function chainEndBefore(rows: readonly Row[], index: number): Place | null {
	const before = rows[index - 1];
	if (before) return placeAbove(before);
	const head = rows[index];
	return head?.type === 'head' ? { holder: head.chain, index: 0 } : null;
}

function isInside(plan: Plan, place: Place, dragged: string): boolean {
	const holder = locateSteps(plan).get(place.holder);
	return holder !== undefined && [...holder.around, holder.step].some(({ id }) => id === dragged);
}

export const contains = (box: DOMRect | undefined, x: number, y: number): boolean =>
	box !== undefined && x >= box.left && x <= box.right && y >= box.top && y <= box.bottom;
