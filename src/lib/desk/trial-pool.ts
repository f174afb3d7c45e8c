/**
 * Runs trials on several workers, for whoever looks at many rehearsals. What answers a person's finger
 * goes before what fills a table; what is not wanted any more ends at once.
 */
import { wrap, type Remote } from 'comlink';
import type { TrialSummary } from '$core/simulation/attempt';
import type { Rehearsal, Trial } from '$core/simulation/simulate';
import type { TrialService } from '$workers/trials';

type Rehearsed = Omit<Rehearsal, 'seed'>;

/** A worker, or what stands for one in tests. */
export interface TrialHand {
	open(rehearsal: Rehearsed): Promise<void>;
	run(trials: readonly Trial[]): Promise<readonly TrialSummary[]>;
	end(): void;
}

interface TrialJob {
	readonly rehearsal: Rehearsed;
	readonly trials: readonly Trial[];
	readonly isUrgent: boolean;
	readonly onSome: (found: readonly TrialSummary[]) => void;
	readonly answer: (found: readonly TrialSummary[] | null) => void;
	readonly fail: (reason: unknown) => void;
	readonly found: TrialSummary[];
	/** Trials that have been given to a worker. */
	given: number;
	/** Trials that are done. */
	done: number;
}

/** What was asked for. */
export interface Asked {
	/** In the order of the trials; null when it was stopped. */
	readonly answer: Promise<readonly TrialSummary[] | null>;
	stop(): void;
}

export interface Asking {
	/** A person's finger waits for it. */
	readonly isUrgent?: boolean;
	/** Told of all that are there, in their order, whenever there are more. */
	readonly onSome?: (found: readonly TrialSummary[]) => void;
}

/** Milliseconds that a worker is to be busy with what it is given at once: after that it hears again. */
const stretch = 30;
/** Milliseconds for which one that is stopped may go on, before its worker is ended. */
const patience = 60;

class BusyHand {
	job: TrialJob | null = null;
	opened: Rehearsed | null = null;
	/** Trials at a time: one first, so that there is something to see. */
	batch = 1;

	constructor(readonly hand: TrialHand) {}
}

export class TrialPool {
	private hands: BusyHand[] = [];
	private jobs: TrialJob[] = [];

	/** @param most workers at a time */
	constructor(
		private readonly spawn: () => TrialHand,
		private readonly most: number
	) {}

	ask(rehearsal: Rehearsed, trials: readonly Trial[], how: Asking = {}): Asked {
		const { isUrgent = false, onSome = () => {} } = how;
		let job: TrialJob;
		const answer = new Promise<readonly TrialSummary[] | null>((give, fail) => {
			const state = { found: [], given: 0, done: 0 };
			job = { rehearsal, trials, isUrgent, onSome, answer: give, fail, ...state };
		});
		if (trials.length === 0) job!.answer([]);
		else this.jobs.push(job!);
		this.share();
		return { answer, stop: () => this.stop(job) };
	}

	/** Ends all workers, and whatever they work on. */
	close(): void {
		for (const job of this.jobs) job.answer(null);
		for (const { hand } of this.hands) hand.end();
		this.jobs = [];
		this.hands = [];
	}

	/** Gives work to whoever has none, and starts workers while there is more to do. */
	private share(): void {
		for (const idle of this.hands.filter(({ job }) => !job)) void this.work(idle);
		while (this.next && this.hands.length < this.most) {
			const hand = new BusyHand(this.spawn());
			this.hands.push(hand);
			void this.work(hand);
		}
	}

	private get next(): TrialJob | undefined {
		const open = this.jobs.filter(({ given, trials }) => given < trials.length);
		return open.find(({ isUrgent }) => isUrgent) ?? open[0];
	}

	private async work(busy: BusyHand): Promise<void> {
		for (let job = this.next; job; job = this.next) {
			busy.job = job;
			const from = job.given;
			const trials = job.trials.slice(from, from + busy.batch);
			job.given += trials.length;
			try {
				if (busy.opened !== job.rehearsal) {
					await busy.hand.open(job.rehearsal);
					busy.opened = job.rehearsal;
				}
				const began = performance.now();
				this.take(job, from, await busy.hand.run(trials));
				const each = (performance.now() - began) / trials.length;
				busy.batch = Math.max(1, Math.min(16, Math.floor(stretch / Math.max(each, 0.1))));
			} catch (reason) {
				this.drop(job);
				job.fail(reason);
			}
			if (!this.hands.includes(busy)) return;
		}
		busy.job = null;
	}

	private take(job: TrialJob, from: number, summaries: readonly TrialSummary[]): void {
		if (!this.jobs.includes(job)) return;
		summaries.forEach((summary, index) => (job.found[from + index] = summary));
		job.done += summaries.length;
		// Some may still be missing between others.
		job.onSome(job.found.filter(Boolean));
		if (job.done < job.trials.length) return;
		this.drop(job);
		job.answer(job.found);
	}

	private drop(job: TrialJob): void {
		this.jobs = this.jobs.filter((each) => each !== job);
	}

	private stop(job: TrialJob): void {
		if (!this.jobs.includes(job)) return;
		this.drop(job);
		job.answer(null);
		const still = this.hands.filter((busy) => busy.job === job);
		// A long trial cannot be told to stop: its worker is ended.
		setTimeout(() => {
			for (const busy of still)
				if (busy.job === job && this.hands.includes(busy)) {
					busy.hand.end();
					this.hands = this.hands.filter((each) => each !== busy);
				}
			this.share();
		}, patience);
	}
}

function startHand(): TrialHand {
	const worker = new Worker(new URL('../../workers/trials.ts', import.meta.url), {
		type: 'module'
	});
	const service: Remote<TrialService> = wrap<TrialService>(worker);
	return {
		open: (rehearsal) => service.open(rehearsal),
		run: (trials) => service.run(trials) as Promise<readonly TrialSummary[]>,
		end: () => worker.terminate()
	};
}

/** One core is left for the page. */
const cores = typeof navigator === 'undefined' ? 2 : navigator.hardwareConcurrency;

export const trialPool = new TrialPool(startHand, Math.max(1, Math.min(8, cores - 1)));
