import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parse } from '$core/expressions/expression';
import { types, type Type } from '$core/types';
import { definitionOf } from '$core/steps/catalogue';
import { say } from '$lib/i18n';
import { readExpression, showExpression } from './expression-words';
import { runs } from '$core/testing/runs';

const known = new Map<string, Type>([
	['sides', types.plain],
	['side', types.length],
	['turns', types.list],
	['word', types.text]
]);
const scope = (name: string) => known.get(name);
const readFor = (slot: string, typed: string) => {
	const [kind, name] = slot.split('.') as [string, string];
	return readExpression(typed, definitionOf(kind).values[name]!, scope);
};

describe('an expression as it is typed', () => {
	it.each([
		['turn.angle', '360 / sides', '360 / sides * deg', '(360 ÷ sides)°'],
		['go.speed', '20 + 5', '(20 + 5) * percent', '(20 + 5) %'],
		[
			'when.condition',
			'distance ahead < 20 cm',
			'distanceAhead < 20 * cm',
			'distance ahead < 20 cm'
		],
		['when.condition', 'Distance  Ahead < 20', 'distanceAhead < 20 * cm', 'distance ahead < 20 cm'],
		[
			'when.condition',
			'floor brightness ≥ 40 %',
			'brightness >= 40 * percent',
			'floor brightness ≥ 40 %'
		],
		[
			'when.condition',
			'not bumped and floor colour = red',
			'not bumped and floorColour == red',
			'not bumped and floor colour = red'
		],
		[
			'when.condition',
			'item(turns, 2) > 1 or length(turns) = 0',
			'item(turns, 2) > 1 or length(turns) == 0',
			'item(turns, 2) > 1 or length(turns) = 0'
		],
		['go.distance', 'side + 5', 'side + 5 * cm', 'side + 5 cm'],
		['go.distance', '1,5 m − side × 2', '1.5 * m - side * 2', '1.5 m − side × 2'],
		['go.speed', '10 cm/s', '10 * cmps', '10 cm/s'],
		['go.speed', 'cruising speed', 'cruise', 'cruising speed'],
		['repeat.times', 'round down(sides / 2)', 'floor(sides / 2)', 'round down(sides ÷ 2)'],
		['log.value', '“cm ahead”', '"cm ahead"', '“cm ahead”'],
		['log.value', 'sin(30°) * 2', 'sin(30 * deg) * 2', 'sin(30°) × 2']
	])('%s: %s', (slot, typed, document, shown) => {
		const read = readFor(slot, typed);
		expect(read.ok ? read.value : say(read.failure)).toBe(document);
		expect(showExpression(document)).toBe(shown);
		expect(readFor(slot, shown)).toEqual({ ok: true, value: document });
	});

	it.each([
		['go.distance', 'sides +', 'Not understood near “sides +”.'],
		['go.distance', 'foo', 'Nothing is called “foo”. No step sets it.'],
		['go.distance', '2 s', 'a length was expected here, but this gives a time.'],
		['go.distance', 'side + 2 s', 'a length was expected, but this is a time.'],
		['when.condition', '20 cm', 'yes or no was expected here, but this gives a length.'],
		['when.condition', 'word and bumped', 'yes or no was expected, but this is a text.'],
		['turn.angle', 'cow(2)', 'There is no function called “cow”.'],
		['turn.angle', 'smallest(2)', 'smallest needs 2 values in its brackets.'],
		[
			'go.distance',
			'side sides',
			'Two values stand side by side. Put something between them, such as + or “and”.'
		],
		['go.distance', 'side[0]', 'Only numbers, names, readings and what joins them can stand here.'],
		['go.distance', 'constructor', 'Nothing is called “constructor”. No step sets it.'],
		['go.distance', '__proto__ + toString()', 'There is no function called “toString”.'],
		['go.distance', '', 'Something is missing here.']
	])('%s refuses "%s"', (slot, typed, sentence) => {
		const read = readFor(slot, typed);
		expect(read.ok ? read.value : say(read.failure)).toBe(sentence);
	});

	it('never throws, whatever is typed', () => {
		const pieces = fc.constantFrom(
			'2',
			'.5',
			'side',
			'(',
			')',
			' + ',
			' and ',
			'"',
			'cm',
			'°',
			',',
			'[',
			'=',
			'item',
			';',
			'{',
			'`',
			'\\'
		);
		fc.assert(
			fc.property(fc.array(pieces, { maxLength: 12 }), (parts) => {
				const typed = parts.join('');
				readFor('go.distance', typed);
				showExpression(typed);
				parse(typed);
			}),
			{ numRuns: runs(500, 3000), seed: 2026 }
		);
	});
});
