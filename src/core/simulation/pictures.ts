/** What the lamp grid of a robot showed, by the steps that ran. */
import { newGrid, seen, told, type Shown } from '../devices/lampGrid/shown';
import { ranWith } from '../steps/definition';
import { gridOrder } from '../steps/pictures';
import type { GridOrder } from '../devices/lampGrid/device';
import { drawnFace } from '../pictures/face';
import type { Attempt, Span } from './attempt';
import { indexAt } from './moment';

/** What a grid was told, and when, in order. */
export interface Pictures {
	readonly times: Float64Array;
	readonly grids: readonly Shown[];
}

/** What a step tells a lamp grid; a face is a picture, too, unless it is one of ours. */
function orderOf({ kind, values }: Span): GridOrder | undefined {
	if (kind !== 'face') return gridOrder(kind, ranWith(values));
	const picture = drawnFace(String(values.face));
	return picture ? { name: 'show', values: { picture } } : { name: 'dark', values: {} };
}

export function picturesIn({ spans }: Pick<Attempt, 'spans'>, robot: string): Pictures {
	let grid = newGrid;
	const shown = spans.flatMap((span) => {
		const order = span.robot === robot ? orderOf(span) : undefined;
		if (!order) return [];
		grid = told(grid, order, span.start);
		return [{ time: span.start, grid }];
	});
	return {
		times: Float64Array.from(shown, ({ time }) => time),
		grids: shown.map((each) => each.grid)
	};
}

/** The picture of a moment; empty while the grid is dark. */
export function pictureAt({ times, grids }: Pictures, time: number): string {
	return times.length > 0 && times[0]! <= time ? seen(grids[indexAt(times, time)]!, time) : '';
}
