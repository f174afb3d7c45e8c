/** How a plan fares with many seeds: how often it reaches the finish, and where the robots end. */
import * as exact from '../exact';
import type { TrialSummary } from '../simulation/attempt';
import type { Search } from './search';

export interface Spread {
	/** One for each seed, from 1 on. */
	readonly trials: readonly TrialSummary[];
	/** Trials that reached the finish. */
	readonly successes: number;
	/** For each robot: the middle of its end points, and how far from it they lie, metres. */
	readonly ends: readonly {
		readonly id: string;
		readonly x: number;
		readonly y: number;
		/** Root mean square of the distances. */
		readonly deviation: number;
		readonly farthest: number;
	}[];
}

export function* spread(count: number): Search<Spread> {
	const trials = yield Array.from({ length: count }, (_, index) => ({ seed: index + 1 }));
	return {
		trials,
		successes: trials.filter(({ reachedFinish }) => reachedFinish).length,
		ends: (trials[0]?.ends ?? []).map(({ id }, robot) => {
			const points = trials.map(({ ends }) => ends[robot]!.pose);
			const x = mean(points.map((point) => point.x));
			const y = mean(points.map((point) => point.y));
			const away = points.map((point) => exact.lengthOf(point.x - x, point.y - y));
			const deviation = Math.sqrt(mean(away.map((distance) => distance * distance)));
			return { id, x, y, deviation, farthest: Math.max(...away) };
		})
	};
}

const mean = (numbers: readonly number[]): number =>
	numbers.reduce((sum, number) => sum + number, 0) / numbers.length;
