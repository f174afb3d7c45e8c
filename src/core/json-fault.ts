/**
 * Where a text stops being JSON, and what could have stood there. Asked only after JSON.parse has
 * refused it: what engines say of the place differs, and is often missing. One pass, and no recursion,
 * so that no depth of brackets can end it.
 */
import { word, type Word } from './sentence';

export interface JsonFault {
	/** From 1; a column counts characters. */
	readonly line: number;
	readonly column: number;
	/** The text ends before it is whole. */
	readonly isCutOff: boolean;
	/** The character that should not stand there. */
	readonly found: string;
	readonly expected: Word;
}

type Expected =
	'value' | 'valueOrEnd' | 'name' | 'nameOrEnd' | 'colon' | 'more' | 'nothing' | 'text';

const space = /[ \t\n\r]*/y;
const number = /-?(?:0|[1-9]\d*)(?:\.\d+)?(?:[eE][+-]?\d+)?/y;
const constant = /true|false|null/y;
const escape = /\\(?:["\\/bfnrt]|u[0-9a-fA-F]{4})/y;

/** @returns the end of what the pattern finds just here, or `at` when it is not there */
function endOf(pattern: RegExp, text: string, at: number): number {
	pattern.lastIndex = at;
	return pattern.test(text) ? pattern.lastIndex : at;
}

const wordEnd = (text: string, at: number): number =>
	Math.max(endOf(number, text, at), endOf(constant, text, at));

/** @returns the place behind a text in quotes, and whether it is sound up to there */
function scanString(text: string, start: number): { at: number; isSound: boolean } {
	let at = start + 1;
	while (at < text.length) {
		const code = text.charCodeAt(at);
		if (code === 0x22) return { at: at + 1, isSound: true };
		if (code < 0x20) return { at, isSound: false };
		if (code !== 0x5c) at += 1;
		else {
			const end = endOf(escape, text, at);
			if (end === at) return { at: Math.min(at + 1, text.length), isSound: false };
			at = end;
		}
	}
	return { at, isSound: false };
}

/** The first fault of a text; undefined when it is JSON. */
export function findJsonFault(text: string): JsonFault | undefined {
	const open: ('{' | '[')[] = [];
	let expected: Expected = 'value';
	let at = 0;
	const fault = (place: number, wanted = expected): JsonFault => ({
		...placeIn(text, place),
		isCutOff: place >= text.length,
		found: String.fromCodePoint(text.codePointAt(place) ?? 0x20),
		expected: word(`json.${wanted}`)
	});
	const afterValue = (): Expected => (open.length > 0 ? 'more' : 'nothing');

	for (;;) {
		at = endOf(space, text, at);
		const character = text[at];
		if (character === undefined) return expected === 'nothing' ? undefined : fault(at);
		const isClosing = character === (open.at(-1) === '{' ? '}' : ']') && open.length > 0;
		if (isClosing && ['more', 'valueOrEnd', 'nameOrEnd'].includes(expected)) {
			open.pop();
			expected = afterValue();
			at += 1;
		} else if (expected === 'more' && character === ',') {
			expected = open.at(-1) === '{' ? 'name' : 'value';
			at += 1;
		} else if (expected === 'colon' && character === ':') {
			expected = 'value';
			at += 1;
		} else if (expected === 'name' || expected === 'nameOrEnd') {
			if (character !== '"') return fault(at);
			const scanned = scanString(text, at);
			if (!scanned.isSound) return fault(scanned.at, 'text');
			at = scanned.at;
			expected = 'colon';
		} else if (expected === 'value' || expected === 'valueOrEnd') {
			if (character === '{' || character === '[') {
				open.push(character);
				expected = character === '{' ? 'nameOrEnd' : 'valueOrEnd';
				at += 1;
				continue;
			}
			const scanned =
				character === '"' ? scanString(text, at) : { at: wordEnd(text, at), isSound: true };
			if (!scanned.isSound) return fault(scanned.at, 'text');
			if (scanned.at === at) return fault(at);
			at = scanned.at;
			expected = afterValue();
		} else return fault(at);
	}
}

function placeIn(text: string, place: number): { line: number; column: number } {
	const lines = text.slice(0, place).split(/\r\n|\r|\n/);
	return { line: lines.length, column: Array.from(lines.at(-1) ?? '').length + 1 };
}
