import { describe, expect, it } from 'vitest';
import { compileNode, isFixed, type Environment } from './evaluate';
import { parse } from './expression';
import type { Datum } from '../types';

const variables: Readonly<Record<string, Datum>> = { n: 7, text: 'quay', turns: [90, -45, 30] };
const environment: Environment = {
	read: (reading) => (reading === 'distanceAhead' ? 0.3 : NaN),
	cells: [],
	input: (index) => [4, 5][index],
	chance: () => 0.5
};
const find = (name: string) => (e: Environment) =>
	name === 'input' ? (e.input(1) ?? NaN) : (variables[name] ?? NaN);

const treeOf = (text: string) => {
	const tree = parse(text);
	if (!tree.ok) throw new Error(`"${text}" was refused`);
	return tree.value;
};
const valueOf = (text: string) => compileNode(treeOf(text), find)(environment);

describe('what an expression comes out as', () => {
	it.each<[string, Datum]>([
		['2 + 3 * 4 - 6 / 2', 11],
		['(2 + 3) * -4', -20],
		['-7 mod 3', 2],
		['2 ^ 10', 1024],
		['20 * cm + 5 * mm', 0.205],
		['sin(30 * deg)', 0.5],
		['atan(1)', 45],
		['sqrt(n + 2)', 3],
		['max(n, 12, 3) - min(n, 12, 3)', 9],
		['round(2.5) + floor(-0.5) + ceiling(0.2)', 3],
		['item(turns, 2)', -45],
		['length(turns)', 3],
		['random(1, 4)', 3],
		['input + 1', 6],
		['distanceAhead < 30 * cm', false],
		['distanceAhead <= 30 * cm and not (n == 8)', true],
		['0.1 + 0.2 == 0.3', true],
		['text == "quay" or nowhere > 1', true],
		['floorColour == red', false]
	])('%s', (text, expected) => {
		const value = valueOf(text);
		if (typeof expected === 'number') expect(value).toBeCloseTo(expected, 9);
		else expect(value).toEqual(expected);
	});

	it('makes what is missing or of the wrong type count as no number, never as nought', () => {
		for (const text of [
			'nowhere + 1',
			'item(turns, 4)',
			'text * 2',
			'-turns',
			'distanceAhead + text'
		]) {
			expect(valueOf(text)).toBeNaN();
		}
		expect(valueOf('nowhere < 1')).toBe(false);
		expect(valueOf('nowhere >= 1')).toBe(false);
	});

	it.each([
		['26 * percent', true],
		['max(2, 3) * pi', true],
		['random(1, 6)', false],
		['n * 2', false],
		['distanceAhead * 2', false]
	])('knows whether %s can ever change', (text, fixed) => {
		expect(isFixed(treeOf(text))).toBe(fixed);
	});
});

describe('a text that is no expression', () => {
	it.each([
		'',
		'2 +',
		'2 3',
		'(2',
		'sin()',
		'sin(1, 2)',
		'unheard(1)',
		'a.b',
		'a[0]',
		'n = 3',
		'"open',
		`${'abs('.repeat(40)}1${')'.repeat(40)}`,
		`${'1 + '.repeat(200)}1`
	])('is refused with a sentence: %s', (text) => {
		const key = expect.stringMatching(/^expression\./) as string;
		expect(parse(text)).toMatchObject({ ok: false, failure: { key } });
	});
});
