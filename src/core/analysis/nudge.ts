/**
 * Finds the numbers of a plan with which a leg ends where somebody pulls it: Gauss-Newton over trials
 * by the same chance, each only as far as that leg. What is asked first is remembered, so that a
 * finger that goes on pulling needs a trial or two each time.
 */
import type { RecordedPose, TrialSummary } from '../simulation/attempt';
import type { Trial } from '../simulation/simulate';
import { wrapAngle } from '../units/angles';
import { clampTo as clamp, roundedValues, settingsOf, tryValue, type Knob } from './knobs';
import type { Search } from './search';

/** Where a leg is to end: its place, or only the direction, radians. */
export type PullGoal = { readonly x: number; readonly y: number } | { readonly heading: number };

export interface Pull {
	readonly knobs: readonly Knob[];
	readonly robot: string;
	readonly leg: { readonly stepId: string; readonly round: number };
	readonly goal: PullGoal;
	/** Of the attempt that is shown: its chance. */
	readonly seed: number;
	/** What the pull before came to, if the same leg is pulled on. */
	readonly from?: Nudged | undefined;
}

export interface Nudged {
	/** In the order of the knobs. */
	readonly values: readonly number[];
	/** Where the leg ends with them; null where it is not reached any more. */
	readonly end: RecordedPose | null;
	/** Metres from the goal, or radians. */
	readonly miss: number;
	readonly isReached: boolean;
	/** The knob that is at its end, where that keeps it from the goal. */
	readonly atEnd: Knob | null;
	/** How the end follows the knobs: a row for each of them. */
	readonly slopes: readonly (readonly number[])[];
}

/** What a pull came to, and the way of each robot with it, rounded. */
export interface Pulled {
	readonly found: Nudged;
	readonly ghost: TrialSummary['ends'];
}

/** Metres, or radians, that are near enough; and rounds until it is as near as it comes. */
const near = { place: 0.001, heading: 0.003 };
const enough = { place: 0.003, heading: 0.0087 };
const rounds = 12;
const few = 3;
/** The part of a step below which a shorter one is no use. */
const least = 0.05;
/** The part of a miss that is left by a step that was of little use: how the end follows is looked at anew. */
const slow = 0.5;
/** So near, metres, it is looked for all around before it is called out of reach: chance is not smooth. */
const nearly = 0.05;
/** Parts of the change that is tried for slopes: of each look, and for each knob in it. */
const looks = [2, 1, 0.5];
const parts = [0, 1, -1, 0.25, -0.25];
/** Metres that a radian of a direction weighs. */
const reach = 0.5;

/** Where a leg ends with other numbers: as far as that leg. */
export const trialOf = ({ knobs, leg, seed }: Pull, values: readonly number[]): Trial => ({
	seed,
	values: settingsOf(knobs, values),
	until: { step: leg.stepId, round: leg.round },
	hasLegs: true
});

export function endIn(summary: TrialSummary, { robot, leg }: Pull): RecordedPose | null {
	const end = summary.ends.find(({ id }) => id === robot);
	const found = end?.legs?.find(
		({ stepId, round }) => stepId === leg.stepId && round === leg.round
	);
	return found?.to ?? null;
}

/** How far an end is from the goal, in metres; one figure where only the direction counts. */
function offOf(end: RecordedPose, goal: PullGoal): number[] {
	if ('heading' in goal) return [reach * wrapAngle(end.heading - goal.heading)];
	return [end.x - goal.x, end.y - goal.y];
}

const sizeOf = (numbers: readonly number[]): number =>
	Math.sqrt(numbers.reduce((sum, each) => sum + each * each, 0));

/** The numbers, and the ghost that follows the hand. */
export function* nudgedWay(pull: Pull): Search<Pulled> {
	const found = yield* nudge(pull);
	const { knobs, seed } = pull;
	const values = settingsOf(knobs, roundedValues(knobs, found.values));
	const [{ ends }] = (yield [{ seed, values, hasPath: true }]) as [TrialSummary];
	return { found, ghost: ends };
}

export function* nudge(pull: Pull): Search<Nudged> {
	const { knobs, goal, from } = pull;
	const isHeading = 'heading' in goal;
	const unit = isHeading ? reach : 1;
	const tolerance = unit * (isHeading ? near.heading : near.place);
	const reached = unit * (isHeading ? enough.heading : enough.place);
	let values: readonly number[] = from?.values ?? knobs.map(({ value }) => value);
	let end = from?.end ?? null;
	if (!end) {
		const [summary] = yield [trialOf(pull, values)];
		end = endIn(summary!, pull);
		if (!end) return { values, end, miss: Infinity, isReached: false, atEnd: null, slopes: [] };
	}
	let off = offOf(end, goal);
	let slopes = from?.slopes.map((row) => [...row]) ?? [];
	/** They were found where it stands now. */
	let isFresh = false;
	let size = 1;
	let limited = -1;
	// A finger that goes on pulling does not wait for what it cannot reach.
	const most = from ? few : rounds;
	for (let round = 0; round < most && sizeOf(off) > tolerance; round++) {
		if (slopes.length === 0) {
			slopes = yield* slopesAt(pull, values, off);
			isFresh = true;
		}
		const step = stepOf(slopes, off, knobs, values);
		limited = step.limited;
		const next = values.map((value, index) => clamp(knobs[index]!, value + size * step.by[index]!));
		const change = next.map((value, index) => value - values[index]!);
		if (sizeOf(change) < 1e-6) break;
		const [summary] = yield [trialOf(pull, next)];
		const there = endIn(summary!, pull);
		const offThere = there && offOf(there, goal);
		if (there && offThere && sizeOf(offThere) < sizeOf(off)) {
			improve(slopes, change, off, offThere);
			const isSlow = sizeOf(offThere) > slow * sizeOf(off);
			[values, end, off] = [next, there, offThere];
			[isFresh, size] = [false, Math.min(1, 2 * size)];
			if (isSlow) slopes = [];
		} else if (!isFresh) slopes = [];
		else if (size > least) size /= 4;
		else break;
	}
	for (const part of from || sizeOf(off) > nearly ? [] : looks) {
		if (sizeOf(off) <= reached) break;
		const lists = around(pull, values, part);
		const summaries = yield lists.map((list) => trialOf(pull, list));
		for (const [i, summary] of summaries.entries()) {
			const there = endIn(summary, pull);
			const offThere = there && offOf(there, goal);
			if (!there || !offThere || sizeOf(offThere) >= sizeOf(off)) continue;
			[values, end, off] = [lists[i]!, there, offThere];
		}
	}
	const isReached = sizeOf(off) <= reached;
	const atEnd = !isReached && limited >= 0 ? knobs[limited]! : null;
	return { values, end, miss: sizeOf(off) / unit, isReached, atEnd, slopes };
}

/** Each knob a little more, or less, or as it is. */
function around({ knobs }: Pull, values: readonly number[], part: number): readonly number[][] {
	const choices = values.map((value, index) => {
		const change = part * (tryValue(knobs[index]!, value) - value);
		return parts.map((each) => clamp(knobs[index]!, value + each * change));
	});
	return choices.reduce<readonly number[][]>(
		(lists, each) => lists.flatMap((list) => each.map((value) => [...list, value])),
		[[]]
	);
}

/** How the end follows each knob, found by turning one at a time. */
function* slopesAt(
	pull: Pull,
	values: readonly number[],
	off: readonly number[]
): Generator<readonly Trial[], number[][], readonly TrialSummary[]> {
	const { knobs, goal } = pull;
	const tried = knobs.map((knob, index) => tryValue(knob, values[index]!));
	const lists = tried.map((value, index) => values.with(index, value));
	const summaries = yield lists.map((list) => trialOf(pull, list));
	return summaries.map((summary, index) => {
		const other = endIn(summary, pull);
		const change = tried[index]! - values[index]!;
		return off.map((each, row) => (other ? (offOf(other, goal)[row]! - each) / change : 0));
	});
}

/** Least squares of one or two knobs; one that would go beyond its end stays there. */
function stepOf(
	slopes: readonly (readonly number[])[],
	off: readonly number[],
	knobs: readonly Knob[],
	values: readonly number[]
): { readonly by: number[]; readonly limited: number } {
	const free = knobs.map(() => true);
	let limited = -1;
	for (;;) {
		const by = solved(slopes, off, free);
		const beyond = by.findIndex((each, index) => {
			const { minimum, maximum } = knobs[index]!.definition;
			const isAtEnd = each < 0 ? values[index]! <= minimum : values[index]! >= maximum;
			return free[index] && each !== 0 && isAtEnd;
		});
		if (beyond < 0) {
			const cut = by.findIndex((each, index) => {
				const wanted = values[index]! + each;
				return clamp(knobs[index]!, wanted) !== wanted;
			});
			return { by, limited: limited >= 0 ? limited : cut };
		}
		limited = beyond;
		free[beyond] = false;
	}
}

function solved(
	slopes: readonly (readonly number[])[],
	off: readonly number[],
	free: readonly boolean[]
): number[] {
	const dot = (one: readonly number[], other: readonly number[]) =>
		one.reduce((sum, each, row) => sum + each * other[row]!, 0);
	const used = slopes.map((row, index) => (free[index] ? row : row.map(() => 0)));
	const [a, b] = [used[0] ?? [], used[1]];
	const aa = dot(a, a);
	if (!b) return [aa > 0 ? -dot(a, off) / aa : 0];
	const [ab, bb] = [dot(a, b), dot(b, b)];
	const determinant = aa * bb - ab * ab;
	if (determinant > 1e-9 * aa * bb) {
		const [ra, rb] = [-dot(a, off), -dot(b, off)];
		return [(ra * bb - rb * ab) / determinant, (rb * aa - ra * ab) / determinant];
	}
	// They do the same: the one that does more.
	return aa >= bb ? [aa > 0 ? -dot(a, off) / aa : 0, 0] : [0, -dot(b, off) / bb];
}

/** What a trial has taught of the slopes. Source: C. G. Broyden, Math. Comp. 19 (1965). */
function improve(
	slopes: number[][],
	change: readonly number[],
	before: readonly number[],
	after: readonly number[]
): void {
	const weight = change.reduce((sum, each) => sum + each * each, 0);
	before.forEach((old, row) => {
		const expected = change.reduce((sum, each, index) => sum + each * slopes[index]![row]!, 0);
		const wrong = (after[row]! - old - expected) / weight;
		change.forEach((each, index) => (slopes[index]![row]! += wrong * each));
	});
}
