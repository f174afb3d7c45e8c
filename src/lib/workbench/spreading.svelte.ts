/** How the plan fares with many chances: how often it arrives, where it ends, what scatters most. */
import { isAlike } from '$core/alike';
import { seedsFrom, spreadOf, type SpreadLeg } from '$core/analysis/spread';
import { helpersOffIn } from '$core/helpers';
import { sizeOf } from '$core/reasons/reason';
import type { TrialSummary } from '$core/simulation/attempt';
import type { Stand } from '$lib/desk/stand';
import { trialPool, type Asked, type TrialPool } from '$lib/desk/trial-pool';

/** Rehearsals that make a spread. */
export const trialsOfSpread = 200;
/** Milliseconds between two looks at what is there: nobody sees more. */
const lookEvery = 90;

/** Metres of scatter that nobody sees. */
const leastSeen = 0.001;

/** What one leg scatters, metres: an angle as what it puts off half a metre further on. */
export const scatterOf = ({ scatter, turned }: SpreadLeg): number =>
	sizeOf({ ahead: scatter, left: 0, turn: turned });

export class Spreading {
	/** Those that are there. */
	trials = $state.raw<readonly TrialSummary[]>([]);
	isRunning = $state(false);
	private made = $state.raw<Pick<Stand, 'plan' | 'course' | 'variation' | 'parameters'> | null>(
		null
	);
	private asked: Asked<TrialSummary> | null = null;

	readonly isOff = $derived.by(() =>
		helpersOffIn(this.stand.plan, this.stand.course).includes('spread')
	);
	readonly spread = $derived.by(() => spreadOf(this.isOff ? [] : this.trials));
	/** The plan, its course or how robots misbehave is another by now. */
	readonly isStale = $derived.by(() => {
		const { made, stand } = this;
		if (!made) return false;
		const isSame =
			isAlike(made.plan.chains, stand.plan.chains) && isAlike(made.plan.robots, stand.plan.robots);
		const isOfSame = made.course === stand.course && made.parameters === stand.parameters;
		return !isSame || !isOfSame || made.variation !== stand.variation;
	});
	/** Of the robot that comes first, those that scatter visibly, most first. */
	readonly legs: readonly SpreadLeg[] = $derived.by(() =>
		(this.spread.ends[0]?.legs ?? [])
			.filter((leg) => scatterOf(leg) >= leastSeen)
			.toSorted((a, b) => scatterOf(b) - scatterOf(a))
	);

	/** By the ids of steps: what each scatters in the round in which it does so most, metres. */
	readonly bySteps: Readonly<Record<string, number>> = $derived.by(() =>
		Object.fromEntries(this.legs.toReversed().map((leg) => [leg.stepId, scatterOf(leg)]))
	);

	constructor(
		private readonly stand: Stand,
		private readonly pool: TrialPool = trialPool
	) {}

	/** Rehearses anew, unless nothing would be told or nothing is left to chance. */
	async start(): Promise<void> {
		this.stop();
		await this.stand.arrived;
		const { plan, course, variation, parameters } = this.stand;
		this.made = { plan, course, variation, parameters };
		this.trials = [];
		if (this.isOff || variation === 'ideal') return;
		this.isRunning = true;
		let looked = 0;
		const asked = this.pool.ask(this.made, seedsFrom(1, trialsOfSpread, true), {
			onSome: (found) => {
				const now = performance.now();
				if (this.asked !== asked || now - looked < lookEvery) return;
				looked = now;
				this.trials = found;
			}
		});
		this.asked = asked;
		try {
			const found = await asked.answer;
			if (this.asked === asked && found) this.trials = found;
		} finally {
			if (this.asked === asked) this.stop();
		}
	}

	/** What is there stays. */
	stop(): void {
		this.asked?.stop();
		this.asked = null;
		this.isRunning = false;
	}

	/** The seed of one that is like most, or of the one that ends farthest from the middle. */
	seedOf(which: 'usual' | 'farthest'): number | undefined {
		const [middle] = this.spread.ends;
		if (!middle) return undefined;
		const away = ({ ends }: TrialSummary): number => {
			const { x, y } = ends[0]!.pose;
			return Math.hypot(x - middle.x, y - middle.y);
		};
		const inOrder = this.trials.toSorted((a, b) => away(a) - away(b));
		return inOrder.at(which === 'usual' ? Math.floor(inOrder.length / 2) : -1)?.seed;
	}
}
