/**
 * Expressions as a person reads and types them: "distance ahead < 20 cm" for the document's
 * `distanceAhead < 20*cm`. Names of readings, functions and units come from the message files.
 */
import './core';
import { parse, write, type Node, type Style } from '$core/expressions/expression';
import { types, type NumberType, type Type } from '$core/types';
import { withUnits, type Scope } from '$core/expressions/typing';
import { constants, functions, isReading, readings, units } from '$core/expressions/vocabulary';
import { success, type Result } from '$core/sentence';
import type { ValueDefinition } from '$core/steps/definition';
import { wantedType } from '$core/steps/values';
import { checkExpression } from '$core/checks/values';
import { perLanguage, t } from '$lib/i18n';
import { preferences } from '$lib/preferences.svelte';

function wordOf(name: string): string {
	if (isReading(name)) return t(`reading.${name}`);
	if (Object.hasOwn(functions, name)) return t(`function.${name}`);
	if (Object.hasOwn(constants, name)) return t(`constant.${name}`);
	if (Object.hasOwn(units, name)) return t(`unitWord.${name}`);
	return name;
}

const words: Style = {
	number: (value) => String(Number(value.toPrecision(10))),
	text: (value) => `“${value}”`,
	name: wordOf,
	operator: (operator) => t(`operator.${operator}`),
	measure(value, unit) {
		if (!Object.hasOwn(units, unit)) return undefined;
		const word = t(`unitWord.${unit}`);
		const shown = /^[\d.]+$/.test(value) ? value : `(${value})`;
		return word === '°' ? `${shown}${word}` : `${shown} ${word}`;
	}
};

/** The document's text in words; as it is, when it cannot be understood. */
export function showExpression(text: string): string {
	const tree = parse(text);
	return tree.ok ? write(tree.value, words) : text;
}

/** What a person may type, and what it is in a document; longer words first. */
const spellings = perLanguage((): readonly (readonly [RegExp, string])[] => {
	const names = [...Object.keys(readings), ...Object.keys(functions), ...Object.keys(constants)];
	const pairs = names
		.map((name) => [wordOf(name), name] as const)
		.filter(([word, name]) => word !== name)
		.sort(([a], [b]) => b.length - a.length);
	const escape = (word: string) =>
		word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/ /g, '\\s+');
	return pairs.map(([word, name]) => [
		new RegExp(`(?<![\\p{L}\\p{N}_])${escape(word)}(?![\\p{L}\\p{N}_])`, 'giu'),
		name
	]);
});

const unitSpellings = perLanguage((): readonly (readonly [string, string])[] => [
	...Object.keys(units).map((unit) => [t(`unitWord.${unit}`), unit] as const),
	...Object.keys(units).map((unit) => [unit, unit] as const),
	['inches', 'inch'],
	['degrees', 'deg'],
	['seconds', 's']
]);
const unitPattern = perLanguage(
	() =>
		new RegExp(
			`((?<![\\p{L}\\p{N}_.])\\d+(?:\\.\\d+)?|\\))\\s*(${unitSpellings()
				.map(([word]) => word)
				.sort((a, b) => b.length - a.length)
				.join('|')})(?![\\p{L}\\p{N}_/])`,
			'giu'
		)
);

const signs: readonly (readonly [RegExp, string])[] = [
	[/[−–]/g, '-'],
	[/×/g, '*'],
	[/÷/g, '/'],
	[/≠/g, '!='],
	[/≤/g, '<='],
	[/≥/g, '>='],
	[/(?<![<>=!])=(?!=)/g, '=='],
	[/(?<=\d),(?=\d)/g, '.'],
	[/\band\b/gi, 'and'],
	[/\bor\b/gi, 'or'],
	[/\bnot\b/gi, 'not']
];

/** What a person typed, in the document's spelling. Texts in quotes are left as they are. */
export function documentText(typed: string): string {
	return typed
		.replace(/[“”]/g, '"')
		.split(/("[^"]*")/)
		.map((part) => (part.startsWith('"') ? part : spell(part)))
		.join('')
		.trim();
}

function spell(part: string): string {
	let text = part;
	for (const [pattern, sign] of signs) text = text.replace(pattern, sign);
	for (const [pattern, name] of spellings()) text = text.replace(pattern, name);
	return text.replace(unitPattern(), (whole, before: string, word: string) => {
		const unit = unitSpellings().find(([spelling]) => spelling === word.toLowerCase())?.[1];
		if (!unit) return whole;
		return before === ')' ? `)*${unit}` : `(${before}*${unit})`;
	});
}

/** The unit that this person means with a number of this type that has none. */
export function usualUnit(type: Type): string | undefined {
	if (type.kind !== 'number') return undefined;
	const isLike = (other: NumberType) =>
		type.metres === other.metres &&
		type.seconds === other.seconds &&
		type.degrees === other.degrees;
	if (isLike(types.length)) return preferences.lengths;
	if (isLike(types.speed)) return preferences.lengths === 'inch' ? 'inchps' : 'cmps';
	if (isLike(types.duration)) return 's';
	if (isLike(types.angle)) return 'deg';
	if (isLike(types.frequency)) return 'hz';
	return type.isPart ? 'percent' : undefined;
}

/**
 * Reads an expression that a person typed for a slot.
 * @returns its text for the document, with units where the person left them out
 */
export function readExpression(typed: string, slot: ValueDefinition, scope: Scope): Result<string> {
	const tree = parse(documentText(typed));
	if (!tree.ok) return tree;
	const [wanted] = wantedType(slot);
	const complete: Node = withUnits(tree.value, wanted, scope, usualUnit);
	const text = write(complete);
	const checked = checkExpression(text, slot, scope);
	return checked.ok ? success(text) : checked;
}
