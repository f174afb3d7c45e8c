/** What can stand in an expression, as the person reads it: for completing and for tapping. */
import { constants, functions, readings } from '$core/expressions/vocabulary';
import type { Level } from '$core/levels';
import { t } from '$lib/i18n';
import type { Figures } from '$lib/timeline/player.svelte';
import { showSensed } from '$lib/words/sensed';

export interface Suggestion {
	readonly word: string;
	/** What tapping puts in; functions come with their bracket. */
	readonly inserted: string;
	/** How it is used, where the word alone does not say. */
	readonly use?: string;
	/** What the sensor says at the moment that is shown. */
	readonly figure?: string | undefined;
}

export interface SuggestionGroup {
	readonly name: string;
	readonly pieces: readonly Suggestion[];
}

const piece = (word: string): Suggestion => ({ word, inserted: word });

/**
 * @param variables names of variables and inputs
 * @param figures what the sensors say
 */
export function groupsFor(
	level: Level,
	variables: readonly string[],
	figures: Figures
): SuggestionGroup[] {
	const isFull = level === 'full';
	const sensed = Object.keys(readings).filter(
		(reading) => isFull || readings[reading]!.level !== 'full'
	);
	const readingPiece = (reading: string): Suggestion => {
		const figure = figures[reading];
		const shown = figure === undefined ? undefined : showSensed(readings[reading]!.type, figure);
		return { ...piece(t(`reading.${reading}`)), figure: shown };
	};
	const signs = isFull ? allSigns : fewSigns;
	return [
		{ name: 'variables', pieces: variables.map(piece) },
		{ name: 'readings', pieces: sensed.map(readingPiece) },
		{ name: 'signs', pieces: signs.map((sign) => piece(t(`operator.${sign}`))).concat(brackets) },
		{ name: 'words', pieces: Object.keys(constants).map((name) => piece(t(`constant.${name}`))) },
		{ name: 'functions', pieces: isFull ? Object.keys(functions).map(functionPiece) : [] }
	].filter(({ pieces }) => pieces.length > 0);
}

const fewSigns = ['<', '>', '==', 'and', 'or', 'not', '+', '-', '*', '/'];
const allSigns = [
	'+',
	'-',
	'*',
	'/',
	'mod',
	'^',
	'<',
	'<=',
	'>',
	'>=',
	'==',
	'!=',
	'and',
	'or',
	'not'
];
const brackets = ['(', ')'].map(piece);

function functionPiece(name: string): Suggestion {
	const word = t(`function.${name}`);
	return { word, inserted: `${word}(`, use: t(`function.${name}.use`) };
}

/** The part of a text before the cursor that may be the beginning of a word. */
export const wordBefore = (text: string, cursor: number): string =>
	/[\p{L}][\p{L}\p{N}_ ]*$/u.exec(text.slice(0, cursor))?.[0] ?? '';

/** Pieces that a word begun before the cursor may become, and how much of the text they replace. */
export function completionsFor(
	groups: readonly SuggestionGroup[],
	text: string,
	cursor: number
): { readonly pieces: readonly Suggestion[]; readonly replaced: number } {
	let begun = wordBefore(text, cursor);
	while (begun.trim()) {
		const start = begun.trimStart().toLowerCase();
		const pieces = groups
			.flatMap(({ pieces }) => pieces)
			.filter(({ word }) => {
				const known = word.toLowerCase();
				return (
					known !== start.trim() &&
					known.split(' ').some((_, index, parts) => parts.slice(index).join(' ').startsWith(start))
				);
			});
		if (pieces.length > 0) return { pieces: pieces.slice(0, 6), replaced: start.length };
		begun = begun.includes(' ') ? begun.slice(begun.indexOf(' ') + 1) : '';
	}
	return { pieces: [], replaced: 0 };
}
