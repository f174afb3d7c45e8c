/** What the lamp grid of a robot showed, by the steps that ran. */
import { lampGrid } from '../devices/lampGrid/device';
import { definitionOf } from '../steps/catalogue';
import type { Attempt } from './attempt';
import { indexAt } from './moment';

/** Pictures and when they came, in order; an empty one is a dark grid. */
export interface Pictures {
	readonly times: Float64Array;
	readonly pictures: readonly string[];
}

/** It changes what a lamp grid shows. */
export const changesGrid = (kind: string): boolean => definitionOf(kind).needs.includes(lampGrid);

export function picturesIn({ spans }: Pick<Attempt, 'spans'>, robot: string): Pictures {
	const shown = spans.filter((span) => span.robot === robot && changesGrid(span.kind));
	return {
		times: Float64Array.from(shown, ({ start }) => start),
		pictures: shown.map(({ values }) => String(values.picture ?? ''))
	};
}

/** The picture of a moment; empty while the grid is dark. */
export function pictureAt({ times, pictures }: Pictures, time: number): string {
	return times.length > 0 && times[0]! <= time ? pictures[indexAt(times, time)]! : '';
}
