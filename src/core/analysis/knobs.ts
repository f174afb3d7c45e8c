/**
 * The numbers that say where a leg ends: its step's own, those behind what is worked out, or what it
 * waits for. Each can be turned: by a search, and by who pulls the leg's end.
 */
import type { Leg } from '../attempts/legs';
import {
	eachName,
	parse,
	write,
	type Expression,
	type Node,
	type Operator
} from '../expressions/expression';
import { units } from '../expressions/vocabulary';
import type { SetValue } from '../interpreter/set-values';
import { findStep, locateSteps, stepsIn } from '../plan/places';
import { eachStep, type Plan, type Step } from '../plan/plan';
import { isTurn } from '../reasons/reason';
import { definitionOf } from '../steps/catalogue';
import { isExpression, slotOf, type NumberDefinition, type Quantity } from '../steps/definition';
import { types, type NumberType } from '../types';

/** A number of a step that can be turned. */
export interface Knob {
	readonly step: string;
	readonly name: string;
	readonly value: number;
	readonly definition: NumberDefinition;
	/** Where this one stands in an expression: the how manieth of its numbers it is. */
	readonly within?: Expression & { readonly nth: number };
}

/** Quantities that shape a way; how far a number is changed to see what it does; what people choose. */
const shaping: Readonly<Partial<Record<Quantity, { try: number; grain: number }>>> = {
	length: { try: 0.02, grain: 0.01 },
	angle: { try: 3, grain: 1 },
	duration: { try: 0.1, grain: 0.1 },
	count: { try: 1, grain: 1 }
};
/** Of what a sensor is held against. */
const sensed = { try: 0.05, grain: 0.01 };

const stepOf = ({ value, definition: { quantity } }: Knob) =>
	shaping[quantity] ?? (quantity === 'number' ? stepOfPlain(Math.abs(value)) : sensed);

/** Of a number that may be anything: fine where it is small. */
function stepOfPlain(size: number) {
	const grain = size < 1 ? 0.01 : size < 10 ? 0.1 : 1;
	return { try: 3 * grain, grain };
}

/** Variables of variables that are followed. */
const deepest = 3;

/** What a number in an expression may be, by the unit behind it. */
const measures: readonly (readonly [NumberType, NumberDefinition])[] = [
	[types.length, numberOf('length', 0, 20)],
	[types.angle, numberOf('angle', -3600, 3600)],
	[types.duration, numberOf('duration', 0, 600)],
	[types.part, numberOf('ratio', 0, 1)]
];
const plain = numberOf('number', -1e4, 1e4);

function numberOf(quantity: Quantity, minimum: number, maximum: number): NumberDefinition {
	return { type: 'number', quantity, minimum, maximum, increment: 0.01, initial: 0 };
}

/**
 * What can be turned to pull the end of a leg: its own numbers, and for a place that of the turn just
 * before it, so that it can be pulled anywhere.
 * @param legs those that moved, as they ran
 */
export function knobsFor(plan: Plan, legs: readonly Leg[], leg: Leg): Knob[] {
	const own = knobsOfLeg(plan, leg.span.stepId);
	if (isTurn(leg) || own.length !== 1) return own.slice(0, 2);
	const before = legs[legs.indexOf(leg) - 1];
	const turning = before && isTurn(before) ? knobsOfStep(plan, before.span.stepId) : [];
	const isOther = turning[0] && turning[0].step !== own[0]!.step;
	return isOther ? [turning[0]!, ...own] : own;
}

/** Those of its step; or of what ends it, where it only begins to go, or only stops. */
function knobsOfLeg(plan: Plan, stepId: string): Knob[] {
	const own = knobsOfStep(plan, stepId);
	const located = locateSteps(plan).get(stepId);
	if (own.length > 0 || !located) return own;
	const { place, around } = located;
	const beside = stepsIn(plan, place.holder);
	const list = beside.ok ? beside.value : [];
	const ends = [list[place.index + 1], list[place.index - 1], ...around.toReversed()];
	for (const step of ends) {
		const knobs = step && isWaiting(step) ? knobsOfStep(plan, step.id) : [];
		if (knobs.length > 0) return knobs.slice(0, 1);
	}
	return [];
}

/** It says how long something goes on: by a time, or by what is sensed. */
const isWaiting = ({ kind }: Step): boolean => ['wait', 'waitUntil', 'until'].includes(kind);

/** The numbers of a step that shape its way. */
function knobsOfStep(plan: Plan, stepId: string): Knob[] {
	const step = findStep(plan, stepId);
	if (!step) return [];
	return Object.entries(step.values).flatMap(([name, value]): Knob[] => {
		const definition = slotOf(definitionOf(step.kind), name);
		const isShaping = definition.type === 'number' && definition.quantity in shaping;
		if (isShaping && typeof value === 'number') return [{ step: stepId, name, value, definition }];
		const isWorked = isExpression(value) && (isShaping || definition.type === 'condition');
		return isWorked ? behind(plan, { step: stepId, name }, value, deepest) : [];
	});
}

/** The number behind what is worked out: what is measured there, the variable's own, or the first one. */
function behind(
	plan: Plan,
	at: Pick<Knob, 'step' | 'name'>,
	{ expression }: Expression,
	deep: number
): Knob[] {
	const tree = parse(expression);
	if (!tree.ok || deep === 0) return [];
	const numbers = [...numbersIn(tree.value)];
	const knobOf = (number: Placed): Knob => ({
		...at,
		value: number.value,
		definition: measures.find(([each]) => each === number.type)?.[1] ?? plain,
		within: { expression, nth: numbers.indexOf(number) }
	});
	const measured = numbers.find(({ type }) => measures.some(([each]) => each === type));
	if (measured) return [knobOf(measured)];
	const names: string[] = [];
	eachName(tree.value, (name) => names.push(name));
	for (const name of names) {
		const found = setting(plan, name);
		if (!found) continue;
		const { value } = found.values;
		const place = { step: found.id, name: 'value' };
		if (typeof value === 'number') return [{ ...place, value, definition: plain }];
		const more = isExpression(value) ? behind(plan, place, value, deep - 1) : [];
		if (more.length > 0) return more;
	}
	const bare = numbers.find(({ type }) => type === null);
	return bare ? [knobOf(bare)] : [];
}

/** The one step that says what a variable is; none where it changes later. */
function setting(plan: Plan, variable: string): Step | undefined {
	const naming: Step[] = [];
	for (const { steps } of plan.chains)
		eachStep(steps, (step) => {
			if (step.values.variable === variable) naming.push(step);
		});
	return naming.length === 1 && naming[0]!.kind === 'set' ? naming[0] : undefined;
}

/** A number where it stands in a tree. */
interface Placed {
	/** In the unit of documents. */
	readonly value: number;
	/** What it measures; null for a plain one. */
	readonly type: NumberType | null;
	/** The whole tree with another one there. */
	readonly put: (value: number) => Node;
}

/** What is equal, left over or raised does not go on evenly with its number. */
const uneven: readonly Operator[] = ['==', '!=', 'mod', '^'];

function* numbersIn(node: Node, whole = (node: Node): Node => node): Generator<Placed> {
	if (node.type === 'number') {
		const { value } = node;
		yield { value, type: null, put: (other) => whole({ type: 'number', value: other }) };
	} else if (node.type === 'unary') yield* numbersIn(node.of, (of) => whole({ ...node, of }));
	else if (node.type === 'binary' && !uneven.includes(node.operator)) {
		const { operator, left, right } = node;
		const unit = operator === '*' && right.type === 'name' ? units[right.name] : undefined;
		if (unit && left.type === 'number') {
			const put = (other: number) =>
				whole({ ...node, left: { type: 'number', value: tidied(other / unit.factor) } });
			yield { value: left.value * unit.factor, type: unit.type, put };
			return;
		}
		yield* numbersIn(left, (part) => whole({ ...node, left: part }));
		yield* numbersIn(right, (part) => whole({ ...node, right: part }));
	}
}

const tidied = (value: number): number => Number(value.toFixed(6));

/** As a person would: whole centimetres and degrees, tenths of seconds. */
export function roundedValues(knobs: readonly Knob[], values: readonly number[]): number[] {
	return knobs.map((knob, index) => {
		const { grain } = stepOf(knob);
		return clampTo(knob, tidied(Math.round(values[index]! / grain) * grain));
	});
}

export const settingsOf = (knobs: readonly Knob[], values: readonly number[]): SetValue[] =>
	knobs.map(({ step, name, within }, index) => {
		const value = values[index]!;
		return { step, name, value: within ? reworded(within, value) : value };
	});

/** The expression with another number in that place. */
function reworded({ expression, nth }: NonNullable<Knob['within']>, value: number): Expression {
	const tree = parse(expression);
	const number = tree.ok ? [...numbersIn(tree.value)][nth] : undefined;
	return { expression: number ? write(number.put(value)) : expression };
}

export const clampTo = ({ definition: { minimum, maximum } }: Knob, value: number): number =>
	Math.max(minimum, Math.min(maximum, value));

/** Another value from which it shows what a number does. */
export function tryValue(knob: Knob, value: number): number {
	const change = stepOf(knob).try;
	return value + change <= knob.definition.maximum ? value + change : value - change;
}
