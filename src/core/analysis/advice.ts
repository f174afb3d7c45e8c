/**
 * What would help a plan most: changes of it, each tried by its own spread. Mends of what goes wrong in
 * some rehearsals, less speed, standing still before what follows, numbers that are made up for what the
 * robot does on average, turns to a bearing in place of turns by an angle; and what comes of several.
 */
import { isMove, legsIn, type Leg } from '../attempts/legs';
import { turning } from '../devices/turning/device';
import * as exact from '../exact';
import { applyEdit, type Edit } from '../plan/edits';
import { locateSteps } from '../plan/places';
import { eachStep, type Plan, type Step } from '../plan/plan';
import { reasonsIn } from '../reasons';
import { standBefore, type LegMend } from '../reasons/mend';
import { isTurn } from '../reasons/reason';
import { robotKindOf } from '../robots/kinds';
import { canDo } from '../robots/robot';
import type { Sentence } from '../sentence';
import type { Attempt, TrialSummary } from '../simulation/attempt';
import { prepare, simulate, trial, type Rehearsal } from '../simulation/simulate';
import { slotOf } from '../steps/definition';
import { definitionOf } from '../steps/catalogue';
import { bearingOfHeading, degrees, wrapAngle } from '../units/angles';
import { knobsFor, roundedValues } from './knobs';
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

/** One change, in words; with the number of its step where it is of one. */
export interface What {
	readonly number?: number;
	readonly sentence: Sentence;
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
/** Attempts whose reasons are looked at. */
const lookedAt = 4;
/** Changes on top of each other, and pieces of advice. */
const deepest = 3;
const mostAdvice = 3;
/** The part that is good enough. */
const sure = 0.95;
/** Seeds of first looks and of what is said are other ones: else chance would choose. */
const firstSeed = 1;
const saidSeed = 1001;

/** By which all speeds are lowered, and steps in which people choose them. */
const slower = 0.6;
const speedStep = 0.05;
const leastSpeed = 0.15;

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

function on(before: Candidate, { what, edit }: Change): Candidate | null {
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

// --- what may help ---

interface Change {
	readonly what: What;
	readonly edit: Edit;
}

interface Looked {
	readonly plan: Plan;
	/** Legs of all robots that move, in some rehearsals. */
	readonly legs: readonly (readonly Leg[])[];
	readonly mends: readonly { readonly number: number; readonly mend: LegMend }[];
}

function candidatesFor(rehearsal: Omit<Rehearsal, 'seed'>): readonly Change[] {
	const looked = lookAt(rehearsal);
	return [
		numbersMadeUp(looked),
		standing(looked),
		slowDown(looked),
		toBearings(looked),
		...mends(looked)
	].filter((change) => change !== null);
}

function lookAt(rehearsal: Omit<Rehearsal, 'seed'>): Looked {
	const { plan, course, touches } = rehearsal;
	const intended = simulate({ plan, course, touches, variation: 'ideal', seed: 1 });
	const attempts = Array.from({ length: lookedAt }, (_, index) =>
		simulate({ ...rehearsal, seed: firstSeed + index, isWatched: true })
	);
	const looks = attempts.flatMap((attempt) => looksIn(attempt, intended));
	return { plan, legs: looks.map(({ legs }) => legs), mends: looks.flatMap(({ mends }) => mends) };
}

const looksIn = (attempt: Attempt, intended: Attempt) =>
	attempt.runs.map((run) => {
		const legs = legsIn(attempt, run, intended);
		const look = reasonsIn({ attempt, run, legs, intended });
		const moving = legs.filter(isMove);
		const mends = moving.flatMap((leg) =>
			look(leg).flatMap(({ mend }) => (mend ? [{ number: leg.span.number, mend }] : []))
		);
		return { legs: moving, mends };
	});

/** Each mend that the reasons of some rehearsals have, once. */
function mends({ plan, mends }: Looked): Change[] {
	const known = new Set<string>();
	return mends.flatMap(({ number, mend }): Change[] => {
		const edit = mend.edit(plan, idsFor(plan));
		const key = JSON.stringify(edit);
		if (!edit || known.has(key)) return [];
		known.add(key);
		return [{ what: { number, sentence: mend.sentence }, edit }];
	});
}

/** The robot stands before each move but the first. */
function standing({ plan, legs }: Looked): Change | null {
	const newId = idsFor(plan);
	const done = new Set<string>();
	const edits: Edit[] = [];
	let edited = plan;
	for (const leg of legs.flatMap((each) => each.slice(1))) {
		if (done.has(leg.span.stepId)) continue;
		done.add(leg.span.stepId);
		const edit = standBefore(leg).edit(edited, newId);
		const applied = edit && applyEdit(edited, edit);
		if (!applied?.ok) continue;
		edits.push(edit!);
		edited = applied.value.document;
	}
	return together('advice.stand', edits);
}

function slowDown({ plan }: Looked): Change | null {
	const edits: Edit[] = [];
	for (const step of stepsOf(plan)) {
		const { speed } = step.values;
		const slot = slotOf(definitionOf(step.kind), 'speed');
		const isTimed = definitionOf(step.kind).isTimed;
		if (typeof speed !== 'number' || slot.type !== 'number' || isTimed) continue;
		const value = Math.max(leastSpeed, Math.round((speed * slower) / speedStep) * speedStep);
		const tidy = Number(value.toFixed(2));
		if (tidy < speed) edits.push({ type: 'setValue', step: step.id, name: 'speed', value: tidy });
	}
	return together('advice.slower', edits);
}

/** Lengths and angles are changed by what they miss on average. */
function numbersMadeUp({ plan, legs }: Looked): Change | null {
	const misses = new Map<
		string,
		{ readonly leg: Leg; readonly by: number[]; own: readonly Leg[] }
	>();
	for (const own of legs)
		for (const leg of own) {
			const by = missOf(leg);
			if (by === undefined) continue;
			const known = misses.get(leg.span.stepId);
			if (known) known.by.push(by);
			else misses.set(leg.span.stepId, { leg, by: [by], own });
		}
	const edits: Edit[] = [];
	for (const { leg, by, own } of misses.values()) {
		const knob = knobsFor(plan, own, leg).at(-1);
		const isOwn = knob?.step === leg.span.stepId && !knob.worded;
		if (!isOwn || knob.definition.quantity !== (isTurn(leg) ? 'angle' : 'length')) continue;
		const mean = by.reduce((sum, each) => sum + each, 0) / by.length;
		const [value] = roundedValues([knob], [knob.value - Math.sign(knob.value || 1) * mean]);
		const { step, name } = knob;
		if (value !== knob.value) edits.push({ type: 'setValue', step, name, value: value! });
	}
	return together('advice.numbers', edits);
}

/** Metres by which a straight went too far, or degrees by which a turn ends too far on, with what it began with. */
function missOf(leg: Leg): number | undefined {
	const { added, inherited, meant } = leg;
	if (!added || !meant) return undefined;
	if (!isTurn(leg)) return added.ahead * Math.sign(meant.ahead || 1);
	// Where it points afterwards counts: so a turn makes up for what drove askew before it.
	const off = wrapAngle(added.turn + (leg.round === 1 ? (inherited?.turn ?? 0) : 0));
	return degrees(off) * Math.sign(meant.turn || 1);
}

/** Turns by an angle that run once become turns to the bearing that they mean. */
function toBearings({ plan, legs }: Looked): Change | null {
	const [some = []] = legs;
	const repeated = new Set(some.flatMap(({ span, round }) => (round > 1 ? [span.stepId] : [])));
	const edits = some.flatMap((leg): Edit[] => {
		const { span, inherited, meant } = leg;
		const robot = plan.robots.find(({ id }) => id === span.robot);
		const isAble = robot && canDo(robotKindOf(robot.kind), [turning]);
		if (span.kind !== 'turn' || repeated.has(span.stepId) || !isAble || !meant) return [];
		const place = locateSteps(plan).get(span.stepId)?.place;
		if (!place || !inherited) return [];
		const heading = span.from.heading - inherited.turn + meant.turn;
		const bearing = Math.round(bearingOfHeading(heading)) % 360;
		const step: Step = { id: span.stepId, kind: 'turnTo', values: { bearing } };
		return [
			{ type: 'remove', ...place, count: 1 },
			{ type: 'insert', ...place, steps: [step] }
		];
	});
	return together('advice.bearings', edits);
}

const together = (key: string, edits: readonly Edit[]): Change | null =>
	edits.length === 0
		? null
		: {
				what: { sentence: { key, values: { count: edits.length } } },
				edit: { type: 'together', edits: [...edits] }
			};

function stepsOf({ chains }: Plan): Step[] {
	const all: Step[] = [];
	for (const { steps } of chains) eachStep(steps, (step) => all.push(step));
	return all;
}

/** Identifiers that the plan does not have yet. */
function idsFor(plan: Plan): () => string {
	const taken = new Set(stepsOf(plan).map(({ id }) => id));
	let count = 0;
	return () => {
		do count += 1;
		while (taken.has(`advice${count}`));
		return `advice${count}`;
	};
}
