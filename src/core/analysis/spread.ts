/**
 * How a plan fares with many seeds: how often it reaches the finish, where the robots and their legs
 * end, and which leg scatters most.
 */
import { asSeenFrom } from '../attempts/legs';
import * as exact from '../exact';
import type { TrialLeg, TrialSummary } from '../simulation/attempt';
import type { Search } from './search';

export interface Spread {
	/** One for each seed, from 1 on. */
	readonly trials: readonly TrialSummary[];
	/** Trials that reached the finish. */
	readonly successes: number;
	/** Between which parts of all the true part lies, with 95 of 100. */
	readonly interval: readonly [number, number];
	/** For each robot. */
	readonly ends: readonly SpreadEnd[];
}

/** Where a robot ends: the middle of its end points, and how far from it they lie, metres. */
export interface SpreadEnd {
	readonly id: string;
	readonly x: number;
	readonly y: number;
	/** Root mean square of the distances. */
	readonly deviation: number;
	readonly farthest: number;
	/** Those that most trials have, where they were asked for. */
	readonly legs: readonly SpreadLeg[];
}

export interface SpreadLeg {
	readonly stepId: string;
	readonly round: number;
	readonly band: Band;
	/** Root mean squares of where it ends, seen from where it began: metres, and radians. */
	readonly scatter: number;
	readonly turned: number;
}

/** Ellipses about where points lie: metres, radians to the left from east. */
export interface Band {
	readonly x: number;
	readonly y: number;
	/** Of the longer half-axis. */
	readonly angle: number;
	/** Half-axes around half of them, and around nine tenths. */
	readonly half: readonly [number, number];
	readonly most: readonly [number, number];
}

export function* spread(count: number, hasLegs = false): Search<Spread> {
	return spreadOf(yield seedsFrom(1, count, hasLegs));
}

/** Trials with so many seeds, in their order. */
export const seedsFrom = (first: number, count: number, hasLegs: boolean) =>
	Array.from({ length: count }, (_, index) => ({ seed: first + index, hasLegs }));

export function spreadOf(trials: readonly TrialSummary[]): Spread {
	const successes = trials.filter(({ reachedFinish }) => reachedFinish).length;
	return {
		trials,
		successes,
		interval: intervalOf(successes, trials.length),
		ends: (trials[0]?.ends ?? []).map(({ id }, robot) => endOf(id, robot, trials))
	};
}

/** Source: E. B. Wilson, J. Am. Stat. Assoc. 22 (1927): also right where all or none of few succeed. */
export function intervalOf(successes: number, count: number): readonly [number, number] {
	if (count === 0) return [0, 1];
	const deviations = 1.96;
	const part = successes / count;
	const more = (deviations * deviations) / count;
	const middle = part + more / 2;
	const around = deviations * Math.sqrt((part * (1 - part) + more / 4) / count);
	return [Math.max(0, (middle - around) / (1 + more)), Math.min(1, (middle + around) / (1 + more))];
}

function endOf(id: string, robot: number, trials: readonly TrialSummary[]): SpreadEnd {
	const points = trials.map(({ ends }) => ends[robot]!.pose);
	const x = mean(points.map((point) => point.x));
	const y = mean(points.map((point) => point.y));
	const away = points.map((point) => exact.lengthOf(point.x - x, point.y - y));
	const deviation = Math.sqrt(mean(away.map((distance) => distance * distance)));
	const farthest = away.reduce((most, distance) => Math.max(most, distance), 0);
	return { id, x, y, deviation, farthest, legs: legsOfAll(robot, trials) };
}

function legsOfAll(robot: number, trials: readonly TrialSummary[]): SpreadLeg[] {
	const all = new Map<string, TrialLeg[]>();
	for (const { ends } of trials)
		for (const leg of ends[robot]!.legs ?? []) {
			const key = `${leg.stepId} ${leg.round}`;
			const list = all.get(key);
			if (list) list.push(leg);
			else all.set(key, [leg]);
		}
	return [...all.values()]
		.filter(({ length }) => length >= trials.length / 2)
		.map((legs) => {
			const [{ stepId, round }] = legs as [TrialLeg];
			const ways = legs.map(({ from, to }) => asSeenFrom(from, to));
			const ahead = varianceOf(ways.map((way) => way.ahead));
			const left = varianceOf(ways.map((way) => way.left));
			const turn = varianceOf(ways.map((way) => way.turn));
			const scatter = Math.sqrt(ahead + left);
			return { stepId, round, band: bandOf(legs), scatter, turned: Math.sqrt(turn) };
		});
}

/** Metres below which points lie on a line, or at one place. */
const thin = 1e-9;

/** The ellipses that their covariance gives, as large as holds so many of them. */
function bandOf(legs: readonly TrialLeg[]): Band {
	const points = legs.map(({ to }) => to);
	const x = mean(points.map((point) => point.x));
	const y = mean(points.map((point) => point.y));
	const off = points.map((point) => [point.x - x, point.y - y] as const);
	const xx = mean(off.map(([dx]) => dx * dx));
	const yy = mean(off.map(([, dy]) => dy * dy));
	const xy = mean(off.map(([dx, dy]) => dx * dy));
	const angle = exact.atan2(2 * xy, xx - yy) / 2;
	const root = exact.lengthOf((xx - yy) / 2, xy);
	const long = Math.sqrt((xx + yy) / 2 + root) + thin;
	const short = Math.sqrt(Math.max(0, (xx + yy) / 2 - root)) + thin;
	const [cos, sin] = [exact.cos(angle), exact.sin(angle)];
	const sizes = off
		.map(([dx, dy]) => exact.lengthOf((dx * cos + dy * sin) / long, (dy * cos - dx * sin) / short))
		.toSorted((one, other) => one - other);
	const around = (part: number): readonly [number, number] => {
		const size = sizes[Math.ceil(part * sizes.length) - 1]!;
		return [size * long, size * short];
	};
	return { x, y, angle, half: around(0.5), most: around(0.9) };
}

const mean = (numbers: readonly number[]): number =>
	numbers.reduce((sum, number) => sum + number, 0) / numbers.length;

function varianceOf(numbers: readonly number[]): number {
	const middle = mean(numbers);
	return mean(numbers.map((number) => (number - middle) * (number - middle)));
}
