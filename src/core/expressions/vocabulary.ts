/** The names that every expression knows: units, readings, constants, functions. */
import * as exact from '../exact';
import { floorColours } from '../colours';
import type { ReadingDefinition } from '../devices/device';
import { devices } from '../devices/list';
import { types, type Datum, type NumberType, type Type } from '../types';

/** Factor to the unit of documents, and what it measures. */
export const units: Readonly<Record<string, { factor: number; type: NumberType }>> = {
	m: { factor: 1, type: types.length },
	cm: { factor: 0.01, type: types.length },
	mm: { factor: 0.001, type: types.length },
	inch: { factor: 0.0254, type: types.length },
	s: { factor: 1, type: types.duration },
	ms: { factor: 0.001, type: types.duration },
	deg: { factor: 1, type: types.angle },
	percent: { factor: 0.01, type: types.part },
	cmps: { factor: 0.01, type: types.speed },
	inchps: { factor: 0.0254, type: types.speed },
	hz: { factor: 1, type: types.frequency }
};

/** What the interpreter itself knows. */
export const ownReadings: Readonly<Record<string, ReadingDefinition>> = {
	time: { type: types.duration, level: 'further' },
	cruise: { type: types.part, level: 'full' },
	/** Longer than a variable's name may be: no plan from before can have used the word. */
	valueThatCameWithTheMessage: { type: types.anything, level: 'full' }
};

/** What robots of all kinds can sense, in the order in which it is offered. */
export const readings: Readonly<Record<string, ReadingDefinition>> = Object.assign(
	{},
	...devices.map(({ readings }) => readings),
	ownReadings
);

export const isReading = (name: string): boolean => Object.hasOwn(readings, name);

export const constants: Readonly<Record<string, { value: Datum; type: Type }>> = {
	pi: { value: Math.PI, type: types.plain },
	yes: { value: true, type: types.truth },
	no: { value: false, type: types.truth },
	...Object.fromEntries(
		Object.entries(floorColours).map(([name, value]) => [name, { value, type: types.colour }])
	)
};

const degrees = 180 / Math.PI;

/** How a function's result follows from its inputs; the unit rules stand in ./typing. */
export interface FunctionDefinition {
	readonly least: number;
	readonly most: number;
	readonly unit: 'ofAngle' | 'angle' | 'same' | 'root' | 'list' | 'length' | 'plain';
	/** @param chance uniform in [0, 1) */
	readonly apply: (inputs: readonly Datum[], chance: () => number) => Datum;
}

const numberFrom = (value: Datum | undefined): number => (typeof value === 'number' ? value : NaN);
const first = (f: (x: number) => number) => (inputs: readonly Datum[]) => f(numberFrom(inputs[0]));
const listFrom = (value: Datum | undefined): readonly Datum[] =>
	Array.isArray(value) ? value : [];

export const functions: Readonly<Record<string, FunctionDefinition>> = {
	sin: { least: 1, most: 1, unit: 'ofAngle', apply: first((x) => exact.sin(x / degrees)) },
	cos: { least: 1, most: 1, unit: 'ofAngle', apply: first((x) => exact.cos(x / degrees)) },
	tan: { least: 1, most: 1, unit: 'ofAngle', apply: first((x) => exact.tan(x / degrees)) },
	asin: { least: 1, most: 1, unit: 'angle', apply: first((x) => exact.asin(x) * degrees) },
	acos: { least: 1, most: 1, unit: 'angle', apply: first((x) => exact.acos(x) * degrees) },
	atan: { least: 1, most: 1, unit: 'angle', apply: first((x) => exact.atan(x) * degrees) },
	sqrt: { least: 1, most: 1, unit: 'root', apply: first(Math.sqrt) },
	abs: { least: 1, most: 1, unit: 'same', apply: first(Math.abs) },
	round: { least: 1, most: 1, unit: 'plain', apply: first(Math.round) },
	floor: { least: 1, most: 1, unit: 'plain', apply: first(Math.floor) },
	ceiling: { least: 1, most: 1, unit: 'plain', apply: first(Math.ceil) },
	min: { least: 2, most: 8, unit: 'same', apply: (x) => Math.min(...x.map(numberFrom)) },
	max: { least: 2, most: 8, unit: 'same', apply: (x) => Math.max(...x.map(numberFrom)) },
	random: {
		least: 2,
		most: 2,
		unit: 'same',
		apply: ([low, high], chance) => {
			const [from, to] = [numberFrom(low), numberFrom(high)];
			const isWhole = Number.isInteger(from) && Number.isInteger(to);
			return isWhole
				? from + Math.floor(chance() * (to - from + 1))
				: from + chance() * (to - from);
		}
	},
	item: {
		least: 2,
		most: 2,
		unit: 'list',
		apply: ([list, index]) => listFrom(list)[Math.round(numberFrom(index)) - 1] ?? NaN
	},
	length: { least: 1, most: 1, unit: 'length', apply: ([list]) => listFrom(list).length }
};

/** Whether an expression knows this name without the plan; variables cannot be called so. */
const isReserved = (name: string): boolean =>
	Object.hasOwn(units, name) ||
	Object.hasOwn(readings, name) ||
	Object.hasOwn(constants, name) ||
	Object.hasOwn(functions, name) ||
	['or', 'and', 'not', 'mod', 'routine'].includes(name);

/** Names of inputs and variables are words that expressions can tell from all others. */
const namePattern = /^[\p{L}][\p{L}\p{N}_]{0,23}$/u;
export const isVariableName = (word: string): boolean =>
	namePattern.test(word) && !isReserved(word);
