/** A thread that runs trials of one rehearsal: see ./pool. */
import { parentPort, workerData } from 'node:worker_threads';
import { runnerOf } from '../core/analysis/search';
import type { Rehearsal, Trial } from '../core/simulation/simulate';

const run = runnerOf(workerData as Omit<Rehearsal, 'seed'>);
const port = parentPort!;
port.on('message', (trials: readonly Trial[]) => port.postMessage(run(trials)));
