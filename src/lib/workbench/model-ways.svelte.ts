/** Where the plan leads on a robot as such robots are, and on this one as it was found to be. */
import { usual } from '$core/fitting/unknowns';
import { valuesOf } from '$core/fitting/values-of';
import { modelOf } from '$core/robots/models';
import { trialPool, type Asked, type TrialPool } from '$lib/desk/trial-pool';
import type { KnownRobot } from '$lib/robots/known.svelte';
import type { ModelStand } from './modelling.svelte';

/** East and north by turns, metres. */
export interface ModelWay {
	readonly before: Float32Array;
	readonly after: Float32Array;
}

export class ModelWays {
	shown = $state.raw<ModelWay | null>(null);
	private asked: Asked | null = null;

	constructor(
		private readonly stand: ModelStand,
		private readonly pool: TrialPool = trialPool
	) {}

	/** Looks anew. @param known null where nothing is: then there is nothing to be seen */
	async look(known: KnownRobot | null): Promise<void> {
		this.asked?.stop();
		if (!known) {
			this.shown = null;
			return;
		}
		const { plan, course, robot } = this.stand;
		const variation = this.stand.variation === 'worn' ? 'worn' : 'classroom';
		const alike = usual(modelOf(robot.kind).parameters, variation);
		// Nothing is left to chance: what differs is what was found.
		const both = [alike, { ...alike, ...valuesOf(known.model) }];
		const asked = (this.asked = this.pool.ask(
			{ plan, course, variation },
			both.map((values) => ({ seed: 1, hasPath: true, parameters: { [robot.id]: values } }))
		));
		const found = await asked.answer;
		if (this.asked !== asked) return;
		const [before, after] = (found ?? []).map(
			({ ends }) => ends.find(({ id }) => id === robot.id)?.path
		);
		this.shown = before && after ? { before, after } : null;
	}
}
