/** The button board: what its buttons tell, the model or the robots do at once. */
import type { LiveDesk } from './live-desk.svelte';

/** Of the model of a robot of the plan. */
const modelId = (id: string): string => `model-${id}`;

export class Board {
	/** What it works with. */
	isOnModel = $state(true);

	constructor(private readonly live: LiveDesk) {}

	/** Begins to listen, on the model or on the robots. @returns whether it does */
	async begin(): Promise<boolean> {
		const { live } = this;
		if (live.isRunning) return true;
		if (!this.isOnModel) {
			if (live.isReady()) await live.begin({ isByHand: true });
			return live.isRunning;
		}
		const { plan, variation } = live.bench;
		const seed = Math.floor(Math.random() * 2 ** 31);
		const ids = plan.robots.map(({ id }) => modelId(id));
		return live.launch(plan, ids, { model: { variation, seed }, isByHand: true });
	}

	/** Under what an order goes to a robot of the plan. @param id of that; the first, if left out */
	addressOf(id = this.live.bench.plan.robots[0]!.id): string | undefined {
		if (this.isOnModel) return modelId(id);
		return this.live.roles.find(({ wanted }) => wanted.id === id)?.robot?.id;
	}
}
