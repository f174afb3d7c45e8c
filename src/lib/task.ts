/** One worker for one piece of work. It hears nothing while it works: what is to stop ends it. */
import { wrap, type Remote } from 'comlink';
import { failure, type Result } from '$core/sentence';
import { t } from '$lib/i18n';

/** Milliseconds after which reading is given up. */
const longest = 5000;

export class Task<Service> {
	private readonly service: Remote<Service>;
	private readonly ended: Promise<null>;
	private giveUp: (answer: null) => void = () => {};

	constructor(private readonly worker: Worker) {
		this.service = wrap<Service>(worker);
		this.ended = new Promise((answer, fail) => {
			this.giveUp = answer;
			worker.addEventListener('error', () => fail(new Error(t('home.failed'))));
		});
		// Whoever asks hears of it.
		this.ended.catch(() => {});
	}

	/**
	 * @returns null if it was ended before it had an answer
	 * @throws when the worker could not be fetched, or has failed
	 */
	ask<Answer>(work: (service: Remote<Service>) => Promise<Answer>): Promise<Answer | null> {
		return Promise.race([work(this.service), this.ended]);
	}

	/** What a worker does not have it says so too, once its script is here: that takes as long as the network does. */
	private readonly isThere = async (service: Remote<Service>): Promise<unknown> =>
		(service as unknown as { readonly isThere: Promise<undefined> }).isThere;

	/** Reads something that somebody waits for, and is to take seconds at the most. @param tooLong says that it took too long */
	async read<T>(
		work: (service: Remote<Service>) => Promise<Result<T>>,
		tooLong: string
	): Promise<Result<T>> {
		let timer: ReturnType<typeof setTimeout> | undefined;
		try {
			await this.ask(this.isThere);
			timer = setTimeout(() => this.end(), longest);
			return (await this.ask(work)) ?? failure(tooLong, { seconds: longest / 1000 });
		} catch {
			return failure('home.failed');
		} finally {
			clearTimeout(timer);
		}
	}

	end(): void {
		this.worker.terminate();
		this.giveUp(null);
	}
}

/** One piece of work in a worker of its own. @see Task.read */
export async function readOnce<Service, T>(
	worker: Worker,
	work: (service: Remote<Service>) => Promise<Result<T>>,
	tooLong: string
): Promise<Result<T>> {
	const task = new Task<Service>(worker);
	const result = await task.read(work, tooLong);
	task.end();
	return result;
}
