/** The attempt on the floor beside another one: steps, legs, totals, and how often each plan arrives. */
import { compareAttempts, type Compared, type Comparison } from '$core/analysis/compare';
import { seedsFrom, spreadOf, type Spread } from '$core/analysis/spread';
import type { Attempt } from '$core/simulation/attempt';
import type { Rehearsal } from '$core/simulation/simulate';
import type { LaidOver } from '$lib/attempts/attempt-list.svelte';
import { rehearseIdeally } from '$lib/desk/rehearser';
import { trialPool, type TrialPool } from '$lib/desk/trial-pool';
import type { Workbench } from './workbench.svelte';

/** Rehearsals of each plan that tell how often it arrives. */
const trialsOfEach = 100;

export type ComparedBench = Pick<Workbench, 'course' | 'variation' | 'parameters' | 'runs'>;

export class Comparing {
	/** The one that lies over it comes first: it is the earlier one as a rule. */
	comparison = $state.raw<Comparison | null>(null);
	/** How often each plan arrives; null while nobody has asked. */
	arrivals = $state.raw<readonly [Spread, Spread] | null>(null);
	isTrying = $state(false);

	constructor(
		private readonly bench: ComparedBench,
		readonly other: LaidOver,
		private readonly ideally: (
			of: Omit<Rehearsal, 'variation' | 'seed'>
		) => Promise<Attempt | null> = rehearseIdeally,
		private readonly pool: TrialPool = trialPool
	) {}

	async compare(): Promise<void> {
		const { made, player } = this.bench.runs;
		const { attempt } = player;
		if (!made || !attempt) return;
		const first = await this.whole(this.other);
		const second = await this.whole({ ...made, attempt });
		this.comparison = compareAttempts([first, second]);
	}

	private async whole({
		attempt,
		plan,
		touches
	}: Pick<LaidOver, 'attempt' | 'plan' | 'touches'>): Promise<Compared> {
		const { course } = this.bench;
		return { attempt, plan, intended: await this.ideally({ plan, course, touches }) };
	}

	/** Both plans as robots are now, with the same chances. */
	async tryBoth(): Promise<void> {
		const { made } = this.bench.runs;
		if (!made || this.isTrying) return;
		this.isTrying = true;
		try {
			const [first, second] = await Promise.all([
				this.spread(this.other.plan),
				this.spread(made.plan)
			]);
			if (first && second) this.arrivals = [first, second];
		} finally {
			this.isTrying = false;
		}
	}

	private async spread(plan: Rehearsal['plan']): Promise<Spread | null> {
		const { course, variation, parameters } = this.bench;
		const rehearsal = { plan, course, variation, ...(parameters && { parameters }) };
		const trials = await this.pool.ask(rehearsal, seedsFrom(1, trialsOfEach, false)).answer;
		return trials && spreadOf(trials);
	}
}
