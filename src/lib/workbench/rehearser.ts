/** Rehearses in workers, which are started on first need. */
import { wrap, type Remote } from 'comlink';
import type { Attempt } from '$core/simulation/attempt';
import type { Rehearsal } from '$core/simulation/simulate';
import type { RehearsalService } from '$workers/rehearse';

/** What a person asks for does not wait behind what the checks ask for. */
type Purpose = 'person' | 'checks';
const services = new Map<Purpose, Remote<RehearsalService>>();

function serviceFor(purpose: Purpose): Remote<RehearsalService> {
	const known = services.get(purpose);
	if (known) return known;
	const worker = new Worker(new URL('../../workers/rehearse.ts', import.meta.url), {
		type: 'module'
	});
	const service = wrap<RehearsalService>(worker);
	services.set(purpose, service);
	return service;
}

export const rehearse = (rehearsal: Rehearsal): Promise<Attempt> =>
	serviceFor('person').rehearse({ ...rehearsal, isWatched: true }) as Promise<Attempt>;

let newest = 0;
let running: Promise<unknown> = Promise.resolve();

/**
 * A rehearsal that nobody watches. One at a time; of those that wait, only the newest is done.
 * @returns null when a newer one took its place
 */
export async function rehearseQuietly(rehearsal: Rehearsal): Promise<Attempt | null> {
	const own = (newest += 1);
	await running;
	if (own !== newest) return null;
	const attempt = serviceFor('checks').rehearse(rehearsal) as Promise<Attempt>;
	running = attempt.catch(() => null);
	return attempt;
}

/** Starts the worker ahead of the first rehearsal. */
export const warmUp = (): void => void serviceFor('person');
