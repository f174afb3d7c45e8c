/** How long trials took, as bars over seconds. */
import type { TrialSummary } from '../simulation/attempt';

export interface SecondsBin {
	/** Seconds: from here, and less than there; the first and the last hold what is beyond as well. */
	readonly from: number;
	readonly to: number;
	/** Trials that reached the finish, and that did not. */
	readonly arrived: number;
	readonly others: number;
}

/** Widths that people read, seconds; and bars that can be told apart. */
const widths = [0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200];
const most = 16;
/** The part at either end that does not widen what is shown: one that never ends is not to hide the rest. */
const few = 0.02;

export function secondsOf(trials: readonly TrialSummary[]): SecondsBin[] {
	if (trials.length === 0) return [];
	const all = trials.map(({ seconds }) => seconds).toSorted((a, b) => a - b);
	const at = (part: number): number => all[Math.round(part * (all.length - 1))]!;
	const [least, greatest] = [at(few), at(1 - few)];
	const width = widths.find((each) => (greatest - least) / each < most - 1) ?? widths.at(-1)!;
	const first = Math.floor(least / width);
	const count = Math.floor(greatest / width) - first + 1;
	const binOf = (seconds: number): number =>
		Math.max(0, Math.min(count - 1, Math.floor(seconds / width) - first));
	return Array.from({ length: count }, (_, index) => {
		const inIt = trials.filter(({ seconds }) => binOf(seconds) === index);
		const arrived = inIt.filter(({ reachedFinish }) => reachedFinish).length;
		return {
			from: (first + index) * width,
			to: (first + index + 1) * width,
			arrived,
			others: inIt.length - arrived
		};
	});
}
