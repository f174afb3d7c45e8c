/** Where the plan leads on a robot as such robots are, and on this one as it was found to be. */
import { valuesOf } from '$core/fitting/values-of';
import type { ParameterValues } from '$core/robots/parameter';
import type { Variation } from '$core/robots/robot';
import type { TrialSummary } from '$core/simulation/attempt';
import { trialPool, type Asked, type TrialPool } from '$lib/desk/trial-pool';
import type { KnownRobot } from '$lib/robots/known.svelte';
import type { Finder, ModelStand } from './modelling.svelte';

/** East and north by turns, metres. */
export interface ModelWay {
	readonly before: Float32Array;
	readonly after: Float32Array;
}

export class ModelWays {
	shown = $state.raw<ModelWay | null>(null);
	private asked: Asked<TrialSummary> | null = null;
	private looks = 0;
	/** By kind and variation: what such robots are like. */
	private readonly usual: Record<string, ParameterValues> = {};

	constructor(
		private readonly stand: ModelStand,
		private readonly startFinder: () => Finder,
		private readonly pool: TrialPool = trialPool
	) {}

	/** Looks anew. @param known null where nothing is: then there is nothing to be seen */
	async look(known: KnownRobot | null): Promise<void> {
		this.asked?.stop();
		this.looks += 1;
		const { looks } = this;
		if (!known) {
			this.shown = null;
			return;
		}
		const { plan, course, robot } = this.stand;
		const variation = this.stand.variation === 'worn' ? 'worn' : 'classroom';
		const alike = await this.usualOf(robot.kind, variation);
		// Somebody has edited the plan meanwhile.
		if (looks !== this.looks) return;
		// Nothing is left to chance: what differs is what was found.
		const both = [alike, { ...alike, ...valuesOf(known.model, Date.now()) }];
		const asked = (this.asked = this.pool.ask(
			{ plan, course, variation },
			both.map((values) => ({ seed: 1, hasPath: true, parameters: { [robot.id]: values } }))
		));
		const found = await asked.answer;
		if (looks !== this.looks) return;
		const [before, after] = (found ?? []).map(
			({ ends }) => ends.find(({ id }) => id === robot.id)?.path
		);
		this.shown = before && after ? { before, after } : null;
	}

	/** Models of robots are with whoever finds out: a page does without them. */
	private async usualOf(kind: string, variation: Variation): Promise<ParameterValues> {
		const key = `${kind} ${variation}`;
		const known = this.usual[key];
		if (known) return known;
		const finder = this.startFinder();
		try {
			return (this.usual[key] = await finder.usual(kind, variation));
		} finally {
			finder.end();
		}
	}
}
