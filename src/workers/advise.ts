/** The worker that tries what would help a plan. */
import { expose } from 'comlink';
import { advise, type Advised } from '../core/analysis/advice';
import type { Rehearsal } from '../core/simulation/simulate';

const service = {
	/** @param onProgress told the part that is done */
	advise: (rehearsal: Omit<Rehearsal, 'seed'>, onProgress: (part: number) => void): Advised =>
		advise(rehearsal, onProgress)
};

export type AdviceService = typeof service;

expose(service);
