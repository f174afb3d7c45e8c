/** A worker that runs trials of one rehearsal after the other, behind a message border. */
import { expose } from 'comlink';
import { nudgedWay, type Pull, type Pulled } from '../core/analysis/nudge';
import { answer, runnerOf, type Runner } from '../core/analysis/search';
import type { TrialSummary } from '../core/simulation/attempt';
import type { Rehearsal, Trial } from '../core/simulation/simulate';

let run: Runner | undefined;

const service = {
	/** What the trials from now on are of. */
	open(rehearsal: Omit<Rehearsal, 'seed'>): void {
		run = runnerOf(rehearsal);
	},
	/** @throws Error when nothing was opened */
	run(trials: readonly Trial[]): readonly TrialSummary[] | Promise<readonly TrialSummary[]> {
		if (!run) throw new Error('trials of nothing');
		return run(trials);
	},
	/** All trials of a pull in one go. @throws Error when nothing was opened */
	async pull(pull: Pull): Promise<Pulled> {
		if (!run) throw new Error('a pull of nothing');
		return answer(nudgedWay(pull), run);
	}
};

export type TrialService = typeof service;

expose(service);
