/** What is looked at of an attempt beside its trace: its legs, against what was intended. */
import { firstWrong, isMove, legsIn, meantEnd, type Leg } from '$core/attempts/legs';
import { shapeOf, type DrivenShape } from '$core/attempts/shape';
import type { Helper } from '$core/helpers';
import { reasonsIn, type Reason } from '$core/reasons';
import { isBetter, mended, type LegMend } from '$core/reasons/mend';
import { circumstancesOf, type Attempt } from '$core/simulation/attempt';
import { rehearseIdeally, tryOut } from '$lib/desk/rehearser';
import { newId } from '$lib/saving/id';
import type { Made, Runs } from '$lib/desk/runs.svelte';
import type { Stand } from '$lib/desk/stand';
import { seeking } from './seeking.svelte';
import type { Nudging } from './nudging.svelte';

export type LegOrder = 'asRun' | 'byCost';

export class Refining {
	/** The same plan on an ideal robot; null while it is not known. */
	intended = $state.raw<Attempt | null>(null);
	order = $state<LegOrder>('asRun');
	/** Mends that were tried and help, by their leg and what they are against. */
	mends = $state.raw<Readonly<Record<string, LegMend>>>({});
	/** The leg that is looked at. */
	private key = $state<string | null>(null);
	/** What the end of the leg that is looked at is pulled by. */
	nudging = $state.raw<Nudging | null>(null);
	private asked: Made | null = null;
	private tries = 0;

	/** Switched off for the plan, or for the course it is tried on. */
	readonly off: readonly Helper[] = $derived.by(() =>
		seeking.off(this.stand.plan, this.stand.course)
	);

	/** Of the robot that is shown, as they ran. */
	readonly legs: readonly Leg[] = $derived.by(() => {
		const { attempt, run } = this.runs.player;
		return attempt && run && !this.runs.isLive ? legsIn(attempt, run, this.intended) : [];
	});
	/** Those that moved or were to move. */
	private readonly moving: readonly Leg[] = $derived.by(() => this.legs.filter(isMove));
	/** The same, in the order that is wanted. */
	readonly shown: readonly Leg[] = $derived.by(() =>
		this.order === 'asRun' ? this.moving : this.moving.toSorted((a, b) => b.cost - a.cost)
	);
	readonly first = $derived.by(() => firstWrong(this.moving));
	readonly chosen = $derived.by(() => this.legs.find((leg) => legKey(leg) === this.key) ?? null);

	/** What the way was like, where it had sides, corners or bends. */
	readonly shape: DrivenShape | null = $derived.by(() => {
		const { run } = this.runs.player;
		if (!run || this.legs.length < 2) return null;
		const shape = shapeOf(run, this.legs, this.intended);
		return shape.sides.length + shape.bends.length > 0 ? shape : null;
	});
	/** Why a leg missed what it meant, by its key. What a real robot says of itself gives no reason. */
	readonly reasons: Readonly<Record<string, readonly Reason[]>> = $derived.by(() => {
		const { attempt, run } = this.runs.player;
		const isOff = this.off.includes('reasons');
		if (!attempt || !run || isOff || attempt.source.type === 'run') return {};
		const look = reasonsIn({ attempt, run, legs: this.legs, intended: this.intended });
		return Object.fromEntries(
			this.moving.map((leg) => {
				const found = look(leg);
				// That nobody knows is worth a word only where mending begins.
				const isKnown = ({ matter }: Reason) => matter !== 'undecided' || leg === this.first;
				return [legKey(leg), found.filter(isKnown)];
			})
		);
	});

	constructor(
		private readonly stand: Stand,
		private readonly runs: Runs
	) {}

	/** To be called whenever another attempt is shown. */
	async look(): Promise<void> {
		const { made } = this.runs;
		if (made === this.asked) return;
		this.asked = made;
		this.key = this.intended = null;
		this.mends = {};
		this.tries = 0;
		if (!made) return;
		const intended = await rehearseIdeally({ ...made, course: this.stand.course });
		if (this.asked !== made) return;
		this.intended = intended;
		await this.tryMends(made);
	}

	/** One after the other, those that may help: by the same chance as the attempt that is shown. */
	private async tryMends(made: Made): Promise<void> {
		const { attempt, run } = this.runs.player;
		const { course } = this.stand;
		const isOff = this.off.includes('mends');
		const circumstances = attempt && circumstancesOf(attempt);
		if (!circumstances || !run || isOff) return;
		for (const leg of this.moving)
			for (const { matter, mend } of this.reasons[legKey(leg)] ?? []) {
				const plan = mend && mended(made.plan, mend, newId);
				if (!plan || this.tries++ >= mostTries) continue;
				const tried = await tryOut({ ...made, plan, course, ...circumstances });
				const intended =
					tried && (await tryOut({ ...made, plan, course, variation: 'ideal', seed: 1 }));
				if (this.asked !== made) return;
				if (tried && isBetter(leg, tried, intended))
					this.mends = { ...this.mends, [mendKey(leg, matter)]: mend! };
			}
	}

	/** Where a leg began, where it ended and where it was meant to. */
	around(leg: Leg): { readonly x: number; readonly y: number }[] {
		const end = meantEnd(leg);
		return [leg.span.from, leg.span.to, ...(end ? [end] : [])];
	}

	/** Shows the moment at which a reason shows. */
	showWhen({ at }: Reason): void {
		this.runs.player.pause();
		this.runs.player.seek(at);
	}

	/** Looks at a leg, at the moment when it ended; once more, and at none. */
	choose(leg: Leg): void {
		const key = legKey(leg);
		this.key = this.key === key ? null : key;
		if (this.key === null) return;
		this.runs.player.pause();
		this.runs.player.seek(leg.span.end);
	}
}

/** Mends of one attempt that are tried at the most. */
const mostTries = 24;

export const mendKey = (leg: Leg, matter: string): string => `${legKey(leg)} ${matter}`;

/** By which a leg is known again in its attempt. */
export const legKey = ({ span, round }: Leg): string => `${span.stepId} ${round}`;
