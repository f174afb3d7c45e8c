/**
 * One figure over time as text: whole numbers of what its unit resolves, as differences, each as a
 * variable-length quantity of base64 digits, as source maps (ECMA-426) have them. Any program reads it
 * in a few lines, and deflated it is a few bits a sample.
 */
import { strToU8, zlibSync } from 'fflate';
import { z } from 'zod';
import type { ColumnUnit } from '../robots/robot';
import type { Type } from '../types';

/** Differences of differences at the most: what moves evenly is a row of noughts then. */
const mostDifferences = 2;
/** In the place of a number that is not known. */
const unknown = '.';
/** Differences of differences of numbers up to this are exact, and so is twice that. */
const most = 0x4000000000000;
/** A digit has five bits, and one that says that another digit follows. */
const digits = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';
const bits = 32;
const valueOfDigit = new Map(Array.from(digits, (digit, value) => [digit, value]));

export const columnSchema = z
	.strictObject({
		perUnit: z
			.number()
			.positive()
			.describe('Whole numbers in one unit: 10000 for a tenth of a millimetre.'),
		differences: z
			.int()
			.min(0)
			.max(mostDifferences)
			.describe('How many times each number was replaced by its difference to the one before.'),
		numbers: z
			.string()
			.regex(/^[A-Za-z0-9+/.]*$/)
			.describe(
				'Each a base64 variable-length quantity: digits of 5 bits, the lowest first, 32 added to ' +
					'all but the last; the lowest bit of the whole is its sign. A point where nothing is known.'
			)
	})
	.describe('One figure over time.');

export type PackedColumn = z.infer<typeof columnSchema>;

/** Any list of numbers; those that are none, or beyond 2^50 in these units, become unknown. */
export function packColumn(values: ArrayLike<number>, perUnit: number): PackedColumn {
	let numbers = Array.from(values, (value) => {
		const whole = Math.round(value * perUnit);
		return Math.abs(whole) <= most ? whole : null;
	});
	let best = { differences: 0, text: textOf(numbers) };
	let least = deflatedLength(best.text);
	for (let differences = 1; differences <= mostDifferences; differences++) {
		numbers = differencesOf(numbers);
		const text = textOf(numbers);
		const length = deflatedLength(text);
		if (length >= least) continue;
		best = { differences, text };
		least = length;
	}
	return { perUnit, differences: best.differences, numbers: best.text };
}

/** Parts of 1 m/s that a column resolves: what is measured of it trembles by more. */
const perSpeed = 100;

/** By the unit of a robot's column: finer than it is shown, and than what it measures is sure of. */
const columnUnits: Readonly<Record<ColumnUnit, number>> = {
	mps: perSpeed,
	metres: 1000,
	degrees: 10,
	part: 1000,
	count: 1,
	colour: 1
};
export const perUnitOfColumn = (unit: ColumnUnit): number => columnUnits[unit];

/** What a reading of this type resolves. */
export function perUnitOfType(type: Type): number {
	if (type.kind === 'truth' || type.kind === 'colour') return 1;
	if (type.kind !== 'number') return 1000;
	if (type.isPart) return 100;
	if (type.metres !== 0 && type.seconds !== 0) return perSpeed;
	return type.degrees !== 0 ? 5 : 1000;
}

const deflatedLength = (text: string): number => zlibSync(strToU8(text, true)).length;

const textOf = (numbers: readonly (number | null)[]): string =>
	numbers.map((number) => (number === null ? unknown : quantity(number))).join('');

function quantity(number: number): string {
	let left = number < 0 ? -2 * number + 1 : 2 * number;
	let text = '';
	for (; left >= bits; left = Math.floor(left / bits)) text += digits[bits + (left % bits)]!;
	return text + digits[left]!;
}

function differencesOf(numbers: readonly (number | null)[]): (number | null)[] {
	let before = 0;
	return numbers.map((number) => {
		if (number === null) return null;
		const difference = number - before;
		before = number;
		return difference;
	});
}

/** @returns NaN for what is not known */
export function unpackColumn({ perUnit, differences, numbers }: PackedColumn): Float64Array {
	const values = Float64Array.from(numbersOf(numbers));
	for (let round = 0; round < differences; round++) {
		let sum = 0;
		for (let i = 0; i < values.length; i++) {
			if (Number.isNaN(values[i]!)) continue;
			sum += values[i]!;
			values[i] = sum;
		}
	}
	return values.map((value) => value / perUnit);
}

function numbersOf(text: string): number[] {
	const numbers: number[] = [];
	let sum = 0;
	let place = 1;
	for (const digit of text) {
		const value = valueOfDigit.get(digit);
		if (value === undefined) {
			numbers.push(NaN);
			continue;
		}
		sum += (value % bits) * place;
		place *= bits;
		if (value >= bits) continue;
		numbers.push((sum % 2 === 0 ? 1 : -1) * Math.floor(sum / 2));
		sum = 0;
		place = 1;
	}
	return numbers;
}
