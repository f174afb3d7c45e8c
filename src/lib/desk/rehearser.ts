/**
 * Rehearses in workers, which are started on first need. A worker hears nothing while it works, so
 * what is not wanted any more is stopped by ending the worker.
 */
import { proxy, wrap, type Remote } from 'comlink';
import type { Attempt } from '$core/simulation/attempt';
import type { Rehearsal } from '$core/simulation/simulate';
import type { RehearsalService } from '$workers/rehearse';

type Progress = (seconds: number) => void;

class Rehearser {
	private worker: Worker | undefined;
	private service: Remote<RehearsalService> | undefined;
	/** Answers the rehearsal in progress that it was stopped. */
	private giveUp: ((answer: null) => void) | undefined;

	/** Starts the worker ahead of the first rehearsal. */
	warmUp(): Remote<RehearsalService> {
		this.worker ??= new Worker(new URL('../../workers/rehearse.ts', import.meta.url), {
			type: 'module'
		});
		return (this.service ??= wrap<RehearsalService>(this.worker));
	}

	/** In place of the one in progress. @returns null when it was stopped */
	async rehearse(rehearsal: Rehearsal, onProgress?: Progress): Promise<Attempt | null> {
		this.stop();
		const stopped = new Promise<null>((answer) => (this.giveUp = answer));
		const { giveUp } = this;
		const service = this.warmUp();
		try {
			const attempt = service.rehearse(rehearsal, onProgress && proxy(onProgress));
			return await Promise.race([attempt as Promise<Attempt>, stopped]);
		} finally {
			if (this.giveUp === giveUp) this.giveUp = undefined;
		}
	}

	/** Ends what is in progress, at once. */
	stop(): void {
		if (!this.giveUp) return;
		this.giveUp(null);
		this.giveUp = undefined;
		this.worker?.terminate();
		this.worker = undefined;
		this.service = undefined;
	}
}

/** What a person asks for does not wait behind what the checks ask for. */
const forPerson = new Rehearser();
const forChecks = new Rehearser();
const forIntended = new Rehearser();
const forTrials = new Rehearser();

export const rehearse = (rehearsal: Rehearsal, onProgress?: Progress): Promise<Attempt | null> =>
	forPerson.rehearse({ ...rehearsal, isWatched: true }, onProgress);

/** A rehearsal that nobody watches; a newer one takes its place. */
export const rehearseQuietly = (rehearsal: Rehearsal): Promise<Attempt | null> =>
	forChecks.rehearse(rehearsal);

/** The same on robots that do what they are told; a newer one takes its place. */
export const rehearseIdeally = (rehearsal: Omit<Rehearsal, 'variation' | 'seed'>) =>
	forIntended.rehearse({ ...rehearsal, variation: 'ideal', seed: 1 });

/** To see what a change would do; a newer one takes its place. */
export const tryOut = (rehearsal: Rehearsal): Promise<Attempt | null> =>
	forTrials.rehearse(rehearsal);

export const warmUp = (): void => void forPerson.warmUp();
export const stopRehearsing = (): void => forPerson.stop();

/** The plan is closed. */
export function stopAll(): void {
	forPerson.stop();
	forChecks.stop();
	forIntended.stop();
	forTrials.stop();
}
