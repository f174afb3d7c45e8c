/** The button board in use: what its buttons, sliders and sticks tell, the model or the robots do at once. */
import { centred, ordersOf } from '$core/live/driving';
import type { BoardThing } from '$core/plan/board';
import { robotKindOf } from '$core/robots/kinds';
import { robots } from '$lib/robots/robots.svelte';
import type { LiveDesk } from './live-desk.svelte';

/** Milliseconds between two orders of a stick. */
const orderEvery = 100;
/** Part of the top speed that a stick asks for at most. */
const most = 0.5;

/** Of the model of a robot of the plan. */
const modelId = (id: string): string => `model-${id}`;

/** A thing of the board of one type. */
export type ThingOf<T extends BoardThing['type']> = BoardThing & { readonly type: T };

export class BoardHand {
	/** What it works with. */
	isOnModel = $state(true);
	/** Of its sliders, by their variables. */
	readonly values = $state<Record<string, number>>({});
	/** How far its stick is pulled: 1 is all the way to the right, and ahead. */
	pulled = $state.raw({ x: 0, y: 0 });
	private orderedAt = -Infinity;
	private waiting: ReturnType<typeof setTimeout> | undefined;

	constructor(private readonly live: LiveDesk) {}

	/** Begins to listen, on the model or on the robots. @returns whether it does */
	private async begin(): Promise<boolean> {
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

	/** It works with something else from now on. */
	use(isOnModel: boolean): void {
		this.stop();
		this.isOnModel = isOnModel;
	}

	stop(): void {
		clearTimeout(this.waiting);
		if (this.live.isRunning) this.live.halt();
	}

	async press({ chain }: ThingOf<'button'>): Promise<void> {
		if (!(await this.begin())) return;
		for (const [variable, value] of Object.entries(this.values)) robots.set(variable, value);
		robots.press(chain);
	}

	async slide({ variable }: ThingOf<'slider'>, value: number): Promise<void> {
		this.values[variable] = value;
		if (await this.begin()) robots.set(variable, value);
	}

	/** Not more often than a robot can follow; the last one always. */
	async pull(thing: ThingOf<'stick'>, x: number, y: number): Promise<void> {
		this.pulled = { x, y };
		clearTimeout(this.waiting);
		const left = this.orderedAt + orderEvery - performance.now();
		if (left > 0) {
			this.waiting = setTimeout(() => void this.pull(thing, x, y), left);
			return;
		}
		this.orderedAt = performance.now();
		if (!(await this.begin())) return;
		const all = this.live.bench.plan.robots;
		const wanted = all.find(({ id }) => id === thing.robot) ?? all[0]!;
		const address = this.addressOf(wanted.id);
		if (address === undefined) return;
		for (const order of ordersOf(robotKindOf(wanted.kind), { ...centred, x, y }, most))
			robots.order(address, order);
	}

	/** Under what an order goes to a robot of the plan. */
	private addressOf(id: string): string | undefined {
		if (this.isOnModel) return modelId(id);
		return this.live.roles.find(({ wanted }) => wanted.id === id)?.robot?.id;
	}
}
