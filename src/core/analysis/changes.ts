/**
 * Changes that may help a plan: mends of what goes wrong in some rehearsals, less speed, standing still
 * before what follows, numbers that are made up for what the robot does on average, turns to a bearing
 * in place of turns by an angle.
 */
import { isMove, legsIn, type Leg } from '../attempts/legs';
import { turning } from '../devices/turning/device';
import { applyEdit, type Edit } from '../plan/edits';
import { locateSteps } from '../plan/places';
import { eachStep, type Plan, type Step } from '../plan/plan';
import { reasonsIn } from '../reasons';
import { standBefore, type LegMend } from '../reasons/mend';
import { isTurn } from '../reasons/reason';
import { robotKindOf } from '../robots/kinds';
import { canDo } from '../robots/robot';
import type { Sentence } from '../sentence';
import type { Attempt } from '../simulation/attempt';
import { simulate, type Rehearsal } from '../simulation/simulate';
import { slotOf } from '../steps/definition';
import { definitionOf } from '../steps/catalogue';
import { bearingOfHeading, degrees, wrapAngle } from '../units/angles';
import { knobsFor, roundedValues } from './knobs';

/** One change, in words; with the number of its step where it is of one. */
export interface What {
	readonly number?: number;
	readonly sentence: Sentence;
}

/** Attempts whose reasons are looked at, and the seed of the first. */
const lookedAt = 4;
const firstSeed = 1;

/** By which all speeds are lowered, and steps in which people choose them. */
const slower = 0.6;
const speedStep = 0.05;
const leastSpeed = 0.15;

/** What it does to the plan. */
export interface PlanChange {
	readonly what: What;
	readonly edit: Edit;
}

interface Looked {
	readonly plan: Plan;
	/** Legs of all robots that move, in some rehearsals. */
	readonly legs: readonly (readonly Leg[])[];
	readonly mends: readonly { readonly number: number; readonly mend: LegMend }[];
}

/** Those that what some rehearsals show suggests. */
export function candidatesFor(rehearsal: Omit<Rehearsal, 'seed'>): readonly PlanChange[] {
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
function mends({ plan, mends }: Looked): PlanChange[] {
	const known = new Set<string>();
	return mends.flatMap(({ number, mend }): PlanChange[] => {
		const edit = mend.edit(plan, idsFor(plan));
		const key = JSON.stringify(edit);
		if (!edit || known.has(key)) return [];
		known.add(key);
		return [{ what: { number, sentence: mend.sentence }, edit }];
	});
}

/** The robot stands before each move but the first. */
function standing({ plan, legs }: Looked): PlanChange | null {
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

function slowDown({ plan }: Looked): PlanChange | null {
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
function numbersMadeUp({ plan, legs }: Looked): PlanChange | null {
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
		const isOwn = knob?.step === leg.span.stepId && !knob.within;
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
function toBearings({ plan, legs }: Looked): PlanChange | null {
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

const together = (key: string, edits: readonly Edit[]): PlanChange | null =>
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
