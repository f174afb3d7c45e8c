/**
 * What would help a plan most: changes of it, each tried by its own spread, and what comes of several.
 */
import * as exact from '../exact';
import { applyEdit, type Edit } from '../plan/edits';
import type { Plan } from '../plan/plan';
import type { TrialSummary } from '../simulation/attempt';
import { prepare, trial, type Rehearsal } from '../simulation/simulate';
import { candidatesFor, type PlanChange, type What } from './changes';
import { intervalOf } from './spread';

export interface Arrivals {
	readonly successes: number;
	readonly count: number;
	/** Between which parts of all the true part lies, with 95 of 100. */
	readonly interval: readonly [number, number];
}

export interface Advice {
	/** What it does: more than one where they help together. */
	readonly changes: readonly What[];
	/** All of it in one, for the plan as it was. */
	readonly edit: Edit;
	readonly plan: Plan;
	readonly arrivals: Arrivals;
}

export interface Advised {
	/** Of the plan as it is. */
	readonly now: Arrivals;
	/** Best first, three at the most; none where nothing that is known helps for sure. */
	readonly advice: readonly Advice[];
}

interface Candidate {
	readonly changes: readonly What[];
	readonly edits: readonly Edit[];
	readonly plan: Plan;
}

interface Tried extends Candidate {
	readonly arrivals: Arrivals;
	/** Metres from the middle of the finish ring, on average: of two that arrive as often, the nearer counts. */
	readonly away: number;
}

/** Rehearsals of a first look, and of what is said. */
const few = 16;
const many = 100;
/** Changes on top of each other, and pieces of advice. */
const deepest = 3;
const mostAdvice = 3;
/** The part that is good enough. */
const sure = 0.95;
/** Seeds of first looks and of what is said are other ones: else chance would choose. */
const firstSeed = 1;
const saidSeed = 1001;

/**
 * @param rehearsal on a course with a finish ring
 * @param onProgress told the part that is done, 0 to 1
 */
export function advise(
	rehearsal: Omit<Rehearsal, 'seed'>,
	onProgress: (part: number) => void = () => {}
): Advised {
	const { plan } = rehearsal;
	let looked = 0;
	const tell = (): void => onProgress(Math.min(0.99, (looked += 1) / expected));
	const attempt = (candidate: Candidate, count: number, from: number): Tried => {
		tell();
		return { ...candidate, ...arrivalsOf(rehearsal, candidate.plan, count, from) };
	};
	const asItIs: Candidate = { changes: [], edits: [], plan };
	let best = attempt(asItIs, few, firstSeed);
	const promising: Tried[] = [];
	for (let depth = 0; depth < deepest && partOf(best) < sure; depth++) {
		const tried = candidatesFor({ ...rehearsal, plan: best.plan })
			.map((more) => on(best, more))
			.filter((candidate) => candidate !== null)
			.map((candidate) => attempt(candidate, few, firstSeed))
			.filter((candidate) => isBetter(candidate, best))
			.toSorted(byArrivals);
		if (tried.length === 0) break;
		promising.push(...tried.slice(0, depth === 0 ? mostAdvice : 1));
		best = tried[0]!;
	}
	const now = attempt(asItIs, many, saidSeed).arrivals;
	const said = promising
		.map((candidate) => attempt(candidate, many, saidSeed))
		.filter(({ arrivals }) => arrivals.interval[0] > now.interval[1])
		.toSorted(byArrivals)
		.filter((each, _, all) => !all.some((other) => isSimpler(other, each)))
		.slice(0, mostAdvice);
	onProgress(1);
	return {
		now,
		advice: said.map(({ changes, edits, plan, arrivals }) => ({
			...{ changes: onceEach(changes), plan, arrivals },
			edit: edits.length === 1 ? edits[0]! : { type: 'together', edits: [...edits] }
		}))
	};
}

/** It changes less, and no fewer arrive. */
const isSimpler = (one: Tried, other: Tried): boolean =>
	one.changes.length < other.changes.length && partOf(one) >= partOf(other);

/** What was done again on top of others is said once, as it was done last. */
const onceEach = (changes: readonly What[]): What[] =>
	changes.filter(
		({ number, sentence }, index) =>
			!changes
				.slice(index + 1)
				.some((later) => later.number === number && later.sentence.key === sentence.key)
	);

/** Looks that are taken as a rule. */
const expected = 40;

const partOf = ({ arrivals }: Pick<Tried, 'arrivals'>): number =>
	arrivals.successes / arrivals.count;

const byArrivals = (a: Tried, b: Tried): number => partOf(b) - partOf(a) || a.away - b.away;

/** More of them arrive; or as many do, and end visibly nearer. */
const isBetter = (one: Tried, other: Tried): boolean =>
	partOf(one) > partOf(other) || (partOf(one) === partOf(other) && one.away < 0.8 * other.away);

function on(before: Candidate, { what, edit }: PlanChange): Candidate | null {
	const applied = applyEdit(before.plan, edit);
	if (!applied.ok) return null;
	return {
		changes: [...before.changes, what],
		edits: [...before.edits, edit],
		plan: applied.value.document
	};
}

function arrivalsOf(
	rehearsal: Omit<Rehearsal, 'seed'>,
	plan: Plan,
	count: number,
	from: number
): Pick<Tried, 'arrivals' | 'away'> {
	const prepared = prepare({ ...rehearsal, plan });
	const found = Array.from({ length: count }, (_, index) =>
		trial(prepared, { seed: from + index })
	);
	const successes = found.filter(({ reachedFinish }) => reachedFinish).length;
	const away = found.reduce((sum, each) => sum + awayIn(each, rehearsal), 0) / count;
	return { arrivals: { successes, count, interval: intervalOf(successes, count) }, away };
}

function awayIn({ ends }: TrialSummary, { course: { finish } }: Omit<Rehearsal, 'seed'>): number {
	if (!finish) return 0;
	const [x, y] = finish.at;
	return Math.min(...ends.map(({ pose }) => exact.lengthOf(pose.x - x, pose.y - y)));
}
