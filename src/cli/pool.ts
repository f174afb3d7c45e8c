/**
 * Runs the trials of a search on several threads, this one among them. Each takes the next few
 * whenever it is done; this one begins while the others are still being started, and does itself what
 * they still have in hand when nothing else is left.
 */
import { setImmediate } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { build } from 'esbuild';
import { runnerOf, type Runner } from '../core/analysis/search';
import type { TrialSummary } from '../core/simulation/attempt';
import type { Rehearsal, Trial } from '../core/simulation/simulate';

/** Trials that a thread takes at a time: few enough that none is left waiting for another. */
const batch = 2;

export interface Pool {
	readonly run: Runner;
	close(): void;
}

/** What a thread runs, as one script: threads cannot read TypeScript. Packages are left where they are. */
async function script(): Promise<string> {
	const { outputFiles } = await build({
		entryPoints: [fileURLToPath(new URL('./trial-worker.ts', import.meta.url))],
		bundle: true,
		packages: 'external',
		platform: 'node',
		write: false
	});
	const here = JSON.stringify(import.meta.url);
	return `require = require('node:module').createRequire(${here});\n${outputFiles[0]!.text}`;
}

/** @param count of threads, with this one */
export function openPool(rehearsal: Omit<Rehearsal, 'seed'>, count: number): Pool {
	const here = runnerOf(rehearsal);
	const started: Worker[] = [];
	let isClosed = false;
	const threads = (async () => {
		const code = await script();
		for (let i = 1; i < count && !isClosed; i++) {
			started.push(new Worker(code, { eval: true, workerData: rehearsal }));
		}
		return started;
	})();

	return {
		run: async (trials) => {
			const found: TrialSummary[] = [];
			let next = 0;
			const work = async (run: Runner): Promise<void> => {
				while (next < trials.length) {
					const from = next;
					next += batch;
					const summaries = await run(trials.slice(from, next));
					summaries.forEach((summary, index) => (found[from + index] = summary));
					// Lets the other threads have their say.
					await setImmediate();
				}
			};
			// What one of them fails at is done here after all, and fails here.
			void threads.then((workers) =>
				Promise.allSettled(workers.map((worker) => work((some) => ask(worker, some))))
			);
			await work(here);
			for (let i = 0; i < trials.length; i++) {
				found[i] ??= (await here([trials[i]!]))[0]!;
				await setImmediate();
			}
			return found;
		},
		close: () => {
			isClosed = true;
			for (const worker of started) void worker.terminate();
		}
	};
}

const ask = (worker: Worker, trials: readonly Trial[]): Promise<readonly TrialSummary[]> =>
	new Promise((answer, fail) => {
		worker.once('message', (summaries: TrialSummary[]) => {
			worker.off('error', fail);
			answer(summaries);
		});
		worker.once('error', fail);
		worker.postMessage(trials);
	});
