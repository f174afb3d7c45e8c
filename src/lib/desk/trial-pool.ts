/**
 * Runs trials on several workers, for whoever looks at many rehearsals. What answers a person's finger
 * goes before what fills a table; what is not wanted any more ends at once.
 */
import { wrap, type Remote } from 'comlink';
import type { Pull, Pulled } from '$core/analysis/nudge';
import type { TrialSummary } from '$core/simulation/attempt';
import type { Rehearsal, Trial } from '$core/simulation/simulate';
import type { TrialService } from '$workers/trials';

type Rehearsed = Omit<Rehearsal, 'seed'>;

/** A worker, or what stands for one in tests. */
export interface TrialHand {
	open(rehearsal: Rehearsed): Promise<void>;
	run(trials: readonly Trial[]): Promise<readonly TrialSummary[]>;
	pull(pull: Pull): Promise<Pulled>;
	end(): void;
}

/** What is asked for by somebody, in parts that several workers can do. */
interface Job {
	readonly rehearsal: Rehearsed;
	readonly parts: number;
	work(hand: TrialHand, from: number, to: number): Promise<readonly unknown[]>;
	readonly isUrgent: boolean;
	onSome(found: readonly unknown[]): void;
	answer(found: readonly unknown[] | null): void;
	fail(reason: unknown): void;
	readonly found: unknown[];
	/** Parts that have been given to a worker. */
	given: number;
	/** Parts that are done. */
	done: number;
}

/** What was asked for. */
export interface Asked<Found> {
	/** In the order of the parts; null when it was stopped. */
	readonly answer: Promise<readonly Found[] | null>;
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
	job: Job | null = null;
	opened: Rehearsed | null = null;
	/** Parts at a time: one first, so that there is something to see. */
	batch = 1;

	constructor(readonly hand: TrialHand) {}
}

export class TrialPool {
	private hands: BusyHand[] = [];
	private jobs: Job[] = [];

	/** @param most workers at a time */
	constructor(
		private readonly spawn: () => TrialHand,
		private readonly most: number
	) {}

	ask(rehearsal: Rehearsed, trials: readonly Trial[], how: Asking = {}): Asked<TrialSummary> {
		const { isUrgent = false, onSome = () => {} } = how;
		const work: Job['work'] = (hand, from, to) => hand.run(trials.slice(from, to));
		return this.begin({ rehearsal, parts: trials.length, work, isUrgent, onSome });
	}

	/** Where a leg is pulled to: one worker does it all, and it goes before trials. */
	pull(rehearsal: Rehearsed, pull: Pull): Asked<Pulled> {
		const work: Job['work'] = async (hand) => [await hand.pull(pull)];
		return this.begin({ rehearsal, parts: 1, work, isUrgent: true, onSome: () => {} });
	}

	private begin<Found>(
		asked: Pick<Job, 'rehearsal' | 'parts' | 'work' | 'isUrgent' | 'onSome'>
	): Asked<Found> {
		let job: Job;
		const answer = new Promise<readonly unknown[] | null>((give, fail) => {
			job = { ...asked, answer: give, fail, found: [], given: 0, done: 0 };
		});
		if (asked.parts === 0) job!.answer([]);
		else this.jobs.push(job!);
		this.share();
		return { answer: answer as Promise<readonly Found[] | null>, stop: () => this.stop(job) };
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

	private get next(): Job | undefined {
		const open = this.jobs.filter(({ given, parts }) => given < parts);
		return open.find(({ isUrgent }) => isUrgent) ?? open[0];
	}

	private async work(busy: BusyHand): Promise<void> {
		for (let job = this.next; job; job = this.next) {
			busy.job = job;
			const from = job.given;
			const to = (job.given = Math.min(job.parts, from + busy.batch));
			try {
				if (busy.opened !== job.rehearsal) {
					await busy.hand.open(job.rehearsal);
					busy.opened = job.rehearsal;
				}
				const began = performance.now();
				this.take(job, from, await job.work(busy.hand, from, to));
				const each = (performance.now() - began) / (to - from);
				busy.batch = Math.max(1, Math.min(16, Math.floor(stretch / Math.max(each, 0.1))));
			} catch (reason) {
				this.drop(job);
				job.fail(reason);
			}
			if (!this.hands.includes(busy)) return;
		}
		busy.job = null;
	}

	private take(job: Job, from: number, found: readonly unknown[]): void {
		if (!this.jobs.includes(job)) return;
		found.forEach((each, index) => (job.found[from + index] = each));
		job.done += found.length;
		// Some may still be missing between others.
		job.onSome(job.found.filter(Boolean));
		if (job.done < job.parts) return;
		this.drop(job);
		job.answer(job.found);
	}

	private drop(job: Job): void {
		this.jobs = this.jobs.filter((each) => each !== job);
	}

	private stop(job: Job): void {
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
		pull: (pull) => service.pull(pull) as Promise<Pulled>,
		end: () => worker.terminate()
	};
}

/** One core is left for the page. */
const cores = typeof navigator === 'undefined' ? 2 : navigator.hardwareConcurrency;

export const trialPool = new TrialPool(startHand, Math.max(1, Math.min(8, cores - 1)));
