/** The expression of one value of a step, made ready to give what the step can use. */
import { compileNode, type Environment, type Evaluate, type Find } from '../expressions/evaluate';
import type { Node } from '../expressions/expression';
import type { Datum } from '../types';
import { typeOf, type Scope } from '../expressions/typing';
import { units } from '../expressions/vocabulary';
import type { Quantity, ValueDefinition } from '../steps/definition';
import type { Budget } from './budget';

export interface Computed {
	readonly evaluate: Evaluate;
	/** Nothing but a number can stand in the slot. */
	readonly isNumber: boolean;
	/** What a number becomes in the unit of the slot, if not itself. */
	readonly convert: Convert | undefined;
	/** Range of a number. */
	readonly minimum: number;
	readonly maximum: number;
}

/** A question that is asked anew each time. */
export interface Condition {
	readonly evaluate: Evaluate;
	/** In whole steps. */
	readonly cost: number;
}

/** @returns undefined when there is no such condition */
export function ask(
	condition: Condition | undefined,
	environment: Environment,
	budget: Budget
): Datum | undefined {
	if (!condition) return undefined;
	budget.left -= condition.cost;
	return condition.evaluate(environment);
}

type Convert = (value: number) => number;

/** Where the names in an expression come from, and what they are. */
export interface Naming {
	readonly scope: Scope;
	readonly find?: Find;
	/** m/s of the robot: a speed becomes a part of it. */
	readonly topSpeed: number;
}

export function computedOf(
	tree: Node,
	slot: ValueDefinition,
	{ scope, find, topSpeed }: Naming
): Computed {
	const evaluate = compileNode(tree, find);
	if (slot.type !== 'number') return { ...anything, evaluate };
	const { minimum, maximum, quantity } = slot;
	const type = typeOf(tree, scope);
	const isSpeed =
		quantity === 'power' &&
		type.ok &&
		type.value.kind === 'number' &&
		type.value.metres === units.cmps!.type.metres;
	const convert = isSpeed ? (value: number) => value / topSpeed : conversions[quantity];
	return { evaluate, isNumber: true, convert, minimum, maximum };
}

const anything = { isNumber: false, convert: undefined, minimum: -Infinity, maximum: Infinity };

const conversions: Partial<Record<Quantity, Convert>> = { count: Math.round };

/**
 * The value in the unit of the slot, and perhaps beyond its range.
 * @returns undefined when the expression gives nothing that can be used here
 */
export function workOut(
	{ evaluate, isNumber, convert }: Computed,
	environment: Environment
): Datum | undefined {
	const value = evaluate(environment);
	if (typeof value !== 'number') return isNumber ? undefined : value;
	if (isNumber ? !Number.isFinite(value) : Number.isNaN(value)) return undefined;
	return convert ? convert(value) : value;
}

/** The nearest value within the range: the same, when it is in it. */
export function withinRange({ minimum, maximum }: Computed, value: Datum): Datum {
	if (typeof value !== 'number') return value;
	if (value < minimum) return minimum;
	return value > maximum ? maximum : value;
}
