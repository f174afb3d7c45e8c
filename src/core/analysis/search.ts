/**
 * A search over rehearsals asks for trials and is told how they ended. It is pure: who runs the
 * trials, here or on many workers, is another matter.
 */
import type { TrialSummary } from '../simulation/attempt';
import { prepare, trial, type Rehearsal, type Trial } from '../simulation/simulate';

/** Asks for some trials at a time; is given their summaries in the same order. */
export type Search<Found> = Generator<readonly Trial[], Found, readonly TrialSummary[]>;

/** Runs trials of the same rehearsal. */
export type Runner = (
	trials: readonly Trial[]
) => readonly TrialSummary[] | Promise<readonly TrialSummary[]>;

/** What of an AbortSignal is needed here, where there is no DOM. */
export interface Cancelling {
	throwIfAborted(): void;
}

/** The plain loop. @throws the signal's reason when it is aborted, between two trials */
export function runnerOf(rehearsal: Omit<Rehearsal, 'seed'>, signal?: Cancelling): Runner {
	const prepared = prepare(rehearsal);
	return (trials) =>
		trials.map((each) => {
			signal?.throwIfAborted();
			return trial(prepared, each);
		});
}

/** Answers a search until it has found what it looked for. */
export async function answer<Found>(search: Search<Found>, run: Runner): Promise<Found> {
	let asked = search.next();
	while (!asked.done) asked = search.next(await run(asked.value));
	return asked.value;
}
