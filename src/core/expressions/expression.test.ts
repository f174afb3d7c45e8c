import { describe, expect, it } from 'vitest';
import { maximumLength, parse, write, type Style } from './expression';

const treeOf = (text: string) => {
	const tree = parse(text);
	if (!tree.ok) throw new Error(`${text}: ${tree.failure.key}`);
	return tree.value;
};

describe('an expression as text', () => {
	it.each([
		'1 + 2 * 3',
		'(1 + 2) * 3',
		'8 - (4 - 2)',
		'8 - 4 - 2',
		'2 ^ 3',
		'-(a + b)',
		'not (a and b)',
		'item(turns, n + 1)',
		'distanceAhead < 20 * cm',
		'"a \\"word\\""'
	])('%s is written as it was read', (text) => {
		expect(parse(write(treeOf(text)))).toEqual(parse(text));
	});

	it('has no brackets that change nothing', () => {
		expect(write(treeOf('((1 * 2) + (3))'))).toBe('1 * 2 + 3');
	});

	it('writes each name once, however long a product is', () => {
		let written = 0;
		const counting: Style = {
			number: String,
			text: String,
			name: (name) => {
				written += 1;
				return name;
			},
			operator: (operator) => operator,
			measure: () => undefined
		};
		const names = Array.from({ length: 20 }, () => 'side');
		expect(write(treeOf(names.join(' * ')), counting)).toBe(names.join(' * '));
		expect(written).toBe(20);
	});

	it.each([
		['a = ', 'expression.'],
		['a[1]', 'expression.'],
		[`${'-'.repeat(30)}1`, 'expression.tooDeep'],
		['a +'.repeat(maximumLength), 'expression.']
	])('refuses %s', (text, key) => {
		const tree = parse(text);
		expect(!tree.ok && tree.failure.key).toContain(key);
	});
});
