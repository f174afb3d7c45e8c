import { describe, expect, it } from 'vitest';
import './refusals';
import { say } from './index';
import { courseFormat } from '../../core/course/course';
import { readDocument, writeDocument } from '../../core/document';
import { planFormat } from '../../core/plan/plan';
import { courseOf, go, planOf, step } from '../../core/testing/sample';

const good = writeDocument(planOf([go(0.3)]));
const sentenceFor = (text: string): string => {
	const read = readDocument(text, planFormat);
	return read.ok ? 'fine' : say(read.failure);
};
const sentenceForCourse = (changes: object): string => {
	const text = JSON.stringify({ ...courseOf(), ...changes });
	const read = readDocument(text, courseFormat);
	return read.ok ? 'fine' : say(read.failure);
};

describe('a fault of JSON', () => {
	it.each([
		['{"a": 1,\n "b" 2}', 2, 6, 'a colon'],
		['{"a": 1,\n}', 2, 1, 'a name in double quotes'],
		['[1, 2,]', 1, 7, 'a value'],
		['[1 2]', 1, 4, 'a comma or a closing bracket'],
		['{"a": tru}', 1, 7, 'a value'],
		['{"ä🤖": x}', 1, 8, 'a value'],
		['{}\r\n\r\nx', 3, 1, 'the end of the text'],
		['["a\tb"]', 1, 4, 'a text that goes on to its closing quote']
	])('%s is found at line %i, column %i', (text, line, column, expected) => {
		const sentence = sentenceFor(text);
		expect(sentence).toContain(`Line ${line}, column ${column}: `);
		expect(sentence).toContain(`${expected} was expected`);
	});

	it('is said to be the end where the text is cut off, however deep', () => {
		for (let length = 1; length < good.trimEnd().length; length++) {
			expect(sentenceFor(good.slice(0, length)), `${length}`).toMatch(
				/^Line \d+, column \d+: (the text ends here|.* was expected, but this is "[.etfalsrun0-9-]")/
			);
		}
		expect(sentenceFor('['.repeat(1_000_000))).toContain('column 1000001: the text ends here');
	});
});

describe('a sentence about a document', () => {
	it('passes over a byte order mark', () => {
		expect(sentenceFor(`\ufeff${good}`)).toBe('fine');
		expect(sentenceFor(`\ufeff{"a" 1}`)).toContain('Line 1, column 6');
	});

	it('refuses a call with ninety thousand inputs', () => {
		const inputs = Object.fromEntries(Array.from({ length: 90_000 }, (_, i) => [`a${i}`, 1]));
		const call = step('call', { routine: 'side', ...inputs });
		expect(sentenceFor(JSON.stringify(planOf([call])))).toBe(
			'chains[0].steps[0].values: at most 30 values were expected.'
		);
	});

	it('refuses a list of millions before any schema sees it', () => {
		const many = `[${Array(600_000).fill('{}').join()}]`;
		const sentence = sentenceFor(good.replace('"Tallow"', many));
		expect(sentence).toContain('more than 500,000 lists, fields and values in all');
	});

	it('says what is wrong with a version, and with a number beyond all', () => {
		const version = (found: string) =>
			sentenceFor(good.replace(`"version": ${planFormat.version}`, `"version": ${found}`));
		expect(version('99')).toContain('a newer Lantern Step may have written it');
		for (const found of ['0', '-1', '1.5'])
			expect(version(found)).toBe(
				`version: a version from 1 to ${planFormat.version} was expected, but this is ${found}.`
			);
		const size = '"size":{"width":1e999,"height":2}';
		const text = JSON.stringify(courseOf()).replace(/"size":\{[^}]*\}/, size);
		const read = readDocument(text, courseFormat);
		expect(read.ok || say(read.failure)).toBe(
			'size.width: this number is larger than any that can be reckoned with.'
		);
	});

	it('says bounds that are not reached themselves as such', () => {
		expect(sentenceForCourse({ starts: [{ at: [0, 0], bearing: 360 }] })).toBe(
			'starts[0].bearing: less than 360 was expected, but this is 360.'
		);
	});

	it('never shows an object, the words of a package, or a line of options', () => {
		const wrong = (before: string, after: string) => sentenceFor(good.replace(before, after));
		const sentences = [
			wrong('"go"', '{"a": 1}'),
			wrong('"go"', '"leap"'),
			wrong('0.3', '{"a": 1}'),
			wrong('"forward"', '["x"]'),
			wrong('"Tallow"', '{}'),
			wrong('"Tallow"', '"\\u0000"'),
			wrong('"skiff"', '7'),
			wrong('"distance"', `"${'x'.repeat(500)}"`),
			wrong('0.3', '1e999'),
			sentenceFor('[]'),
			sentenceFor('null')
		];
		for (const sentence of sentences) {
			expect(sentence).not.toMatch(/\[object|undefined|NaN|Invalid|Unrecognized|Too (big|small)/);
			expect(sentence.length, sentence).toBeLessThan(260);
		}
		expect(sentences[1]).toContain('one of go, turn');
	});

	it('shows a text as it is, whatever message it could name', () => {
		const format = '@type.text';
		expect(sentenceFor(good.replace(planFormat.name, format))).toContain(`this is "${format}"`);
	});
});
