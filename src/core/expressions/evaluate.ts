/** Turns the tree of an expression into a function that gives its value while a plan runs. */
import type { Node, Operator } from './expression';
import type { Datum } from './types';
import { constants, functions, isReading, units, type Reading } from './vocabulary';

export interface Environment {
	read(reading: Reading): Datum;
	/** undefined when it was never set. */
	variable(name: string): Datum | undefined;
	/** Uniform in [0, 1). */
	chance(): number;
}

export type Evaluate = (environment: Environment) => Datum;

const arithmetic: Partial<Record<Operator, (a: number, b: number) => Datum>> = {
	'<': (a, b) => a < b,
	'<=': (a, b) => a <= b,
	'>': (a, b) => a > b,
	'>=': (a, b) => a >= b,
	'+': (a, b) => a + b,
	'-': (a, b) => a - b,
	'*': (a, b) => a * b,
	'/': (a, b) => a / b,
	mod: (a, b) => a - b * Math.floor(a / b),
	'^': (a, b) => a ** b
};

/** Half a millionth: numbers nearer than this are called equal, since sums of decimals are not exact. */
const nearlyEqual = 5e-7;

const areEqual = (a: Datum, b: Datum): boolean =>
	typeof a === 'number' && typeof b === 'number' ? Math.abs(a - b) < nearlyEqual : a === b;

/** A value that is missing or of the wrong type counts as NaN; whoever uses it says so. */
const toNumber = (value: Datum | undefined): number => (typeof value === 'number' ? value : NaN);

/** What never changes, such as `40*percent`, is worked out once. */
export function compileNode(node: Node): Evaluate {
	const evaluate = compileParts(node);
	if (!isFixed(node)) return evaluate;
	const value = evaluate(nothing);
	return () => value;
}

const nothing: Environment = { read: () => NaN, variable: () => undefined, chance: () => 0 };

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

function compileParts(node: Node): Evaluate {
	switch (node.type) {
		case 'number':
		case 'text': {
			const { value } = node;
			return () => value;
		}
		case 'name':
			return compileName(node.name);
		case 'unary': {
			const of = compileNode(node.of);
			if (node.operator === 'not') return (environment) => of(environment) !== true;
			return (environment) => -toNumber(of(environment));
		}
		case 'call': {
			const { apply } = functions[node.name]!;
			const inputs = node.inputs.map(compileNode);
			return (environment) =>
				apply(
					inputs.map((input) => input(environment)),
					() => environment.chance()
				);
		}
		case 'binary':
			return compileBinary(node.operator, compileNode(node.left), compileNode(node.right));
	}
}

function compileName(name: string): Evaluate {
	if (isReading(name)) return (environment) => environment.read(name);
	const known = Object.hasOwn(units, name) ? units[name]!.factor : constants[name]?.value;
	if (known !== undefined) return () => known;
	return (environment) => environment.variable(name) ?? NaN;
}

function compileBinary(operator: Operator, left: Evaluate, right: Evaluate): Evaluate {
	if (operator === 'and') return (e) => left(e) === true && right(e) === true;
	if (operator === 'or') return (e) => left(e) === true || right(e) === true;
	if (operator === '==') return (e) => areEqual(left(e), right(e));
	if (operator === '!=') return (e) => !areEqual(left(e), right(e));
	const apply = arithmetic[operator]!;
	return (e) => apply(toNumber(left(e)), toNumber(right(e)));
}
