/** Rehearses in a worker, which is started on first need. */
import { wrap, type Remote } from 'comlink';
import type { Attempt } from '$core/simulation/attempt';
import type { Rehearsal } from '$core/simulation/simulate';
import type { RehearsalService } from '$workers/rehearse';

let service: Remote<RehearsalService> | undefined;

function start(): Remote<RehearsalService> {
	const worker = new Worker(new URL('../../workers/rehearse.ts', import.meta.url), {
		type: 'module'
	});
	return wrap<RehearsalService>(worker);
}

export const rehearse = async (rehearsal: Rehearsal): Promise<Attempt> =>
	(service ??= start()).rehearse(rehearsal) as Promise<Attempt>;

/** Starts the worker ahead of the first rehearsal. */
export const warmUp = (): void => void (service ??= start());
