/**
 * The end of a leg is pulled to where it should have been: the numbers behind it follow, and so does
 * the whole new way; let go, and it is one edit.
 */
import { isMove, type Leg } from '$core/attempts/legs';
import { knobsFor, roundedValues, settingsOf, type Knob } from '$core/analysis/knobs';
import type { Nudged, Pulled, PullGoal } from '$core/analysis/nudge';
import type { SetValue } from '$core/interpreter/set-values';
import type { Edit } from '$core/plan/edits';
import { findStep } from '$core/plan/places';
import { isTurn } from '$core/reasons/reason';
import { circumstancesOf, type Circumstances, type TrialSummary } from '$core/simulation/attempt';
import type { Rehearsal } from '$core/simulation/simulate';
import { trialPool, type Asked, type TrialPool } from '$lib/desk/trial-pool';
import { t } from '$lib/i18n';
import { legKey, type Refining } from './refining.svelte';
import { seeking } from './seeking.svelte';
import type { Workbench } from './workbench.svelte';

/** Metres, or radians, of which it is said that it comes no nearer: chance alone moves an end by less. */
const seenMiss = 0.02;

/** A number that follows a pull. */
export interface Turned {
	readonly knob: Knob;
	/** As a person would have it. */
	readonly value: number;
}

export class Nudging {
	/** Where the finger, or the keys, want it; null while nobody pulls. */
	goal = $state.raw<PullGoal | null>(null);
	/** What the last trials came to. */
	private found = $state.raw<Nudged | null>(null);
	/** The whole way of each robot with it, rounded. */
	ghost = $state.raw<TrialSummary['ends'] | null>(null);
	private isBusy = false;
	private following: Promise<void> = Promise.resolve();
	private asked: Asked<Pulled> | null = null;

	constructor(
		private readonly bench: Workbench,
		private readonly refining: Refining,
		private readonly pool: TrialPool = trialPool
	) {}

	/** The leg that is looked at, if it can be pulled: of a rehearsal of the plan as it stands. */
	readonly leg: Leg | null = $derived.by(() => {
		const { bench, refining } = this;
		const { attempt } = bench.runs.player;
		const isOff = seeking.off(bench.plan, bench.course).includes('nudge');
		const isOwn = attempt?.source.type === 'rehearsal' && !bench.runs.hasChanged;
		return isOwn && !isOff && !bench.runs.isLive ? refining.chosen : null;
	});
	/** What can be turned; empty where its numbers are worked out, or it has none. */
	readonly knobs: readonly Knob[] = $derived.by(() =>
		this.leg ? knobsFor(this.bench.plan, this.refining.legs.filter(isMove), this.leg) : []
	);
	/** Only its direction can be pulled. */
	readonly isDirection = $derived(this.leg !== null && isTurn(this.leg));
	readonly turned: readonly Turned[] = $derived.by(() => {
		const { found, knobs } = this;
		if (!found || !this.goal) return [];
		const values = roundedValues(knobs, found.values);
		return knobs.map((knob, index) => ({ knob, value: values[index]! }));
	});
	/** The number that is at its end, or true where the step has too few to come there. */
	readonly isOutOfReach = $derived.by(() => {
		const { goal, found } = this;
		return goal && found && found.miss > seenMiss ? (found.atEnd ?? true) : false;
	});
	/** Times that the steps run whose numbers are turned: all of them move. */
	readonly rounds = $derived.by(() => {
		const { leg, refining } = this;
		return refining.legs.filter(({ span }) => span.stepId === leg?.span.stepId).length;
	});

	/** The number of a variable: other steps may use it, too. */
	readonly shared: Knob | undefined = $derived.by(() =>
		this.knobs.find(({ step }) => findStep(this.bench.plan, step)?.kind === 'set')
	);

	/** Somebody pulls; what is newest counts. */
	pull(goal: PullGoal): void {
		if (this.knobs.length === 0) return;
		this.goal = goal;
		if (!this.isBusy) this.following = this.follow();
	}

	/** A key moves it. @param east, north metres; or radians to the left, of a direction */
	move(east: number, north: number, left: number): void {
		const end = this.leg?.span.to;
		if (!end) return;
		const from = this.goal ?? (this.isDirection ? { heading: end.heading } : end);
		this.pull(
			'heading' in from && this.isDirection
				? { heading: from.heading + left }
				: 'x' in from
					? { x: from.x + east, y: from.y + north }
					: from
		);
	}

	private async follow(): Promise<void> {
		this.isBusy = true;
		try {
			let from: Nudged | undefined;
			for (let goal = this.goal; goal;) {
				const { leg, knobs, bench } = this;
				const { attempt } = bench.runs.player;
				const circumstances = attempt && circumstancesOf(attempt);
				if (!leg || !circumstances) break;
				const { seed } = circumstances;
				const rehearsal = this.rehearsalOf(circumstances);
				const { stepId, robot } = leg.span;
				const pull = { knobs, robot, leg: { stepId, round: leg.round }, goal, seed, from };
				this.asked = this.pool.pull(rehearsal, pull);
				const pulled = await this.asked.answer;
				if (!this.goal) break;
				if (pulled) {
					[{ found: from, ghost: this.ghost }] = pulled as [Pulled];
					this.found = from;
					if (goal === this.goal) return;
				} else from = undefined;
				goal = this.goal;
			}
		} finally {
			this.isBusy = false;
		}
	}

	private known: Rehearsed | undefined;
	/** The same object for the same plan: workers know it again. */
	private rehearsalOf({ variation, parameters }: Circumstances): Rehearsed {
		const { plan, course } = this.bench;
		const { known } = this;
		const isOfBench = known?.plan === plan && known.course === course;
		const isSame = known?.variation === variation && known.parameters === parameters;
		return isOfBench && isSame ? known : (this.known = { plan, course, variation, parameters });
	}

	/** Nothing was pulled after all. */
	drop(): void {
		this.goal = this.found = this.ghost = null;
		this.asked?.stop();
	}

	/** One edit, and a rehearsal by the same chance, so that it is seen. */
	async take(): Promise<void> {
		// To where the finger was last.
		await this.following;
		const { turned, bench, leg } = this;
		const { attempt } = bench.runs.player;
		this.drop();
		const changed = turned.filter(({ knob, value }) => value !== knob.value);
		if (!leg || changed.length === 0 || attempt?.source.type !== 'rehearsal') return;
		const set = settingsOf(
			changed.map(({ knob }) => knob),
			changed.map(({ value }) => value)
		);
		const key = legKey(leg);
		if (!bench.desk.edit(editOf(bench.plan, set), t('nudge.done', { count: set.length }))) return;
		await bench.runs.rehearse(undefined, attempt.source.seed);
		bench.player.pause();
		bench.player.seek(Infinity);
		await this.refining.look();
		const again = this.refining.legs.find((each) => legKey(each) === key);
		if (again && this.refining.chosen !== again) this.refining.choose(again);
	}
}

type Rehearsed = Omit<Rehearsal, 'seed'>;

const opposites: Readonly<Record<string, string>> = {
	forward: 'back',
	back: 'forward',
	left: 'right',
	right: 'left',
	up: 'down',
	down: 'up'
};

/** Less than nothing to one side is so much to the other. */
function editOf(plan: Workbench['plan'], set: readonly SetValue[]): Edit {
	const edits = set.flatMap(({ step, name, value }): Edit[] => {
		const { direction } = findStep(plan, step)?.values ?? {};
		const isBack = typeof value === 'number' && value < 0 && typeof direction === 'string';
		const other = isBack ? opposites[direction] : undefined;
		const own: Edit = { type: 'setValue', step, name, value: isBack && other ? -value : value };
		return other ? [own, { type: 'setValue', step, name: 'direction', value: other }] : [own];
	});
	return edits.length === 1 ? edits[0]! : { type: 'together', edits };
}
