/** How large an open bud is, so that the rows below it know before it is drawn. Pixels. */

export const tile = { size: 64, gap: 8 };
/** The bud itself before its tiles, with a knot if there is one, and the pane's edge after them. */
const before = 46;
const knot = 70;
const after = 16;
/** Above and below the tiles. */
const around = 20;

/** @param left pixels from the pane's edge to the bud @param width of the pane */
export function openHeight(count: number, left: number, width: number, hasKnot: boolean): number {
	const room = width - left - before - (hasKnot ? knot : 0) - after;
	const columns = Math.max(1, Math.floor((room + tile.gap) / (tile.size + tile.gap)));
	const rows = Math.max(1, Math.ceil(count / columns));
	return rows * (tile.size + tile.gap) - tile.gap + around;
}
