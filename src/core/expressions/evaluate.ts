/** Turns the tree of an expression into a function that gives its value while a plan runs. */
import * as exact from '../exact';
import type { Node, Operator } from './expression';
import type { Datum } from '../types';
import { constants, functions, isReading, units } from './vocabulary';

/** One variable of a run. */
export interface Cell {
	/** undefined until it is set. */
	value: Datum | undefined;
}

export interface Environment {
	read(reading: string): Datum;
	/** The variables, by their numbers in the program. */
	readonly cells: readonly Cell[];
	/** Of the routine that is running, by its place. */
	input(index: number): Datum | undefined;
	/** Uniform in [0, 1). */
	chance(): number;
}

type Binary = Extract<Node, { type: 'binary' }>;

export type Evaluate = (environment: Environment) => Datum;

/** Where the value of a variable or of an input comes from. */
export type Find = (name: string) => Evaluate;

const unknown: Find = () => () => NaN;

const remainder = (a: number, b: number): number => a - b * Math.floor(a / b);

/** One function for each operator, so that none has to be looked up while a plan runs. */
const binary: Readonly<Record<Operator, (left: Evaluate, right: Evaluate) => Evaluate>> = {
	and: (left, right) => (e) => left(e) === true && right(e) === true,
	or: (left, right) => (e) => left(e) === true || right(e) === true,
	'==': (left, right) => (e) => areEqual(left(e), right(e)),
	'!=': (left, right) => (e) => !areEqual(left(e), right(e)),
	'<': (left, right) => (e) => toNumber(left(e)) < toNumber(right(e)),
	'<=': (left, right) => (e) => toNumber(left(e)) <= toNumber(right(e)),
	'>': (left, right) => (e) => toNumber(left(e)) > toNumber(right(e)),
	'>=': (left, right) => (e) => toNumber(left(e)) >= toNumber(right(e)),
	'+': (left, right) => (e) => toNumber(left(e)) + toNumber(right(e)),
	'-': (left, right) => (e) => toNumber(left(e)) - toNumber(right(e)),
	'*': (left, right) => (e) => toNumber(left(e)) * toNumber(right(e)),
	'/': (left, right) => (e) => toNumber(left(e)) / toNumber(right(e)),
	mod: (left, right) => (e) => remainder(toNumber(left(e)), toNumber(right(e))),
	'^': (left, right) => (e) => exact.raised(toNumber(left(e)), toNumber(right(e)))
};

/** The same where a number that never changes stands on the right, as in most plans: half the calls. */
const withNumber: Partial<Record<Operator, (left: Evaluate, right: number) => Evaluate>> = {
	'<': (left, right) => (e) => toNumber(left(e)) < right,
	'>': (left, right) => (e) => toNumber(left(e)) > right,
	'+': (left, right) => (e) => toNumber(left(e)) + right,
	'-': (left, right) => (e) => toNumber(left(e)) - right,
	'*': (left, right) => (e) => toNumber(left(e)) * right,
	'/': (left, right) => (e) => toNumber(left(e)) / right
};

/** Half a millionth: numbers nearer than this are called equal, since sums of decimals are not exact. */
const nearlyEqual = 5e-7;

const areEqual = (a: Datum, b: Datum): boolean =>
	typeof a === 'number' && typeof b === 'number' ? Math.abs(a - b) < nearlyEqual : a === b;

/** A value that is missing or of the wrong type counts as NaN; whoever uses it says so. */
const toNumber = (value: Datum | undefined): number => (typeof value === 'number' ? value : NaN);

/** What never changes, such as `40*percent`, is worked out once. */
export function compileNode(node: Node, find: Find = unknown): Evaluate {
	const evaluate = compileParts(node, find);
	if (!isFixed(node)) return evaluate;
	const value = evaluate(nothing);
	return () => value;
}

export const nothing: Environment = {
	read: () => NaN,
	cells: [],
	input: () => undefined,
	chance: () => 0
};

/** Whether a tree gives the same value each time: no readings, variables or chance in it. */
export function isFixed(node: Node): boolean {
	switch (node.type) {
		case 'number':
		case 'text':
			return true;
		case 'name':
			return Object.hasOwn(units, node.name) || Object.hasOwn(constants, node.name);
		case 'unary':
			return isFixed(node.of);
		case 'binary':
			return isFixed(node.left) && isFixed(node.right);
		case 'call':
			return node.name !== 'random' && node.inputs.every(isFixed);
	}
}

function compileParts(node: Node, find: Find): Evaluate {
	switch (node.type) {
		case 'number':
		case 'text': {
			const { value } = node;
			return () => value;
		}
		case 'name':
			return compileName(node.name, find);
		case 'unary': {
			const of = compileNode(node.of, find);
			if (node.operator === 'not') return (environment) => of(environment) !== true;
			return (environment) => -toNumber(of(environment));
		}
		case 'call': {
			const { apply } = functions[node.name]!;
			const inputs = node.inputs.map((input) => compileNode(input, find));
			return (environment) =>
				apply(
					inputs.map((input) => input(environment)),
					() => environment.chance()
				);
		}
		case 'binary':
			return compileBinary(node, find);
	}
}

function compileBinary({ operator, left, right }: Binary, find: Find): Evaluate {
	const leftValue = compileNode(left, find);
	const rightValue = compileNode(right, find);
	const number = isFixed(right) ? rightValue(nothing) : undefined;
	const short = typeof number === 'number' ? withNumber[operator] : undefined;
	return short ? short(leftValue, number as number) : binary[operator](leftValue, rightValue);
}

function compileName(name: string, find: Find): Evaluate {
	if (isReading(name)) return (environment) => environment.read(name);
	const known = Object.hasOwn(units, name) ? units[name]!.factor : constants[name]?.value;
	if (known !== undefined) return () => known;
	return find(name);
}
