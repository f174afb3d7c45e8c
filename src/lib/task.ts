/** One worker for one piece of work. It hears nothing while it works: what is to stop ends it. */
import { wrap, type Remote } from 'comlink';

export class Task<Service> {
	private readonly service: Remote<Service>;
	private readonly ended: Promise<null>;
	private giveUp: (answer: null) => void = () => {};

	constructor(private readonly worker: Worker) {
		this.service = wrap<Service>(worker);
		this.ended = new Promise((answer) => (this.giveUp = answer));
	}

	/**
	 * @param limit milliseconds after which it is ended
	 * @returns null if it was ended before it had an answer
	 */
	async ask<Answer>(
		work: (service: Remote<Service>) => Promise<Answer>,
		limit = Infinity
	): Promise<Answer | null> {
		const timer = limit < Infinity ? setTimeout(() => this.end(), limit) : undefined;
		try {
			return await Promise.race([work(this.service), this.ended]);
		} finally {
			clearTimeout(timer);
		}
	}

	end(): void {
		this.worker.terminate();
		this.giveUp(null);
	}
}
