/** What would help the plan most: found by trying, told with how often it arrives, taken as one edit. */
import { proxy, wrap } from 'comlink';
import { isAlike } from '$core/alike';
import type { Advice, Advised } from '$core/analysis/advice';
import type { Rehearsal } from '$core/simulation/simulate';
import { t } from '$lib/i18n';
import type { AdviceService } from '$workers/advise';
import { seeking } from './seeking.svelte';
import type { Workbench } from './workbench.svelte';

/** Who tries; it can be ended in the midst of it. */
export interface Adviser {
	advise(rehearsal: Omit<Rehearsal, 'seed'>, onProgress: (part: number) => void): Promise<Advised>;
	end(): void;
}

type AdvisedBench = Pick<
	Workbench,
	'plan' | 'course' | 'variation' | 'parameters' | 'desk' | 'runs'
>;

export class Advising {
	/** The part that was tried; null while nobody tries. */
	progress = $state<number | null>(null);
	private found = $state.raw<Advised | null>(null);
	private made = $state.raw<Omit<Rehearsal, 'seed'> | null>(null);
	private adviser: Adviser | null = null;

	/** Switched off for the plan, or for the course it is tried on. */
	readonly isOff = $derived.by(() =>
		seeking.off(this.bench.plan, this.bench.course).includes('advice')
	);
	/** For the plan as it stands: an edit makes it old. */
	readonly advised: Advised | null = $derived.by(() => (this.isOfNow ? this.found : null));
	private readonly isOfNow = $derived.by(() => {
		const { made, bench } = this;
		if (!made || made.course !== bench.course || made.variation !== bench.variation) return false;
		const isSamePlan = isAlike(made.plan.chains, bench.plan.chains);
		return isSamePlan && isAlike(made.parameters, bench.parameters);
	});

	constructor(
		private readonly bench: AdvisedBench,
		private readonly startAdviser: () => Adviser = startWorker
	) {}

	async find(): Promise<void> {
		this.stop();
		if (this.isOff) return;
		const { plan, course, variation, parameters } = this.bench;
		const rehearsal = { plan, course, variation, ...(parameters && { parameters }) };
		const adviser = (this.adviser = this.startAdviser());
		this.progress = 0;
		try {
			const found = await adviser.advise(rehearsal, (part) => {
				if (this.adviser === adviser) this.progress = part;
			});
			if (this.adviser !== adviser) return;
			this.found = found;
			this.made = rehearsal;
		} finally {
			if (this.adviser === adviser) this.stop();
		}
	}

	stop(): void {
		this.adviser?.end();
		this.adviser = null;
		this.progress = null;
	}

	/** One edit, and a rehearsal, so that it is seen. */
	async take({ edit }: Advice): Promise<void> {
		if (this.bench.desk.edit(edit, t('advice.taken'))) await this.bench.runs.rehearse();
	}
}

function startWorker(): Adviser {
	const worker = new Worker(new URL('../../workers/advise.ts', import.meta.url), {
		type: 'module'
	});
	const service = wrap<AdviceService>(worker);
	return {
		advise: (rehearsal, onProgress) =>
			service.advise(rehearsal, proxy(onProgress)) as Promise<Advised>,
		end: () => worker.terminate()
	};
}
