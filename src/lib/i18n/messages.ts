/**
 * Looks up and fills in messages (ICU MessageFormat). No Svelte and no DOM here: the interface and
 * the mission runner both speak through it.
 */
import { IntlMessageFormat } from 'intl-messageformat';
import type { Sentence } from '../../core/sentence';

export const language = 'en';
const texts = new Map<string, string>();
const formats = new Map<string, IntlMessageFormat>();

type Fill = Readonly<Record<string, unknown>>;

/** By their keys. */
export type Messages = Readonly<Record<string, string>>;

export function addMessages(messages: Messages): void {
	for (const [key, text] of Object.entries(messages)) texts.set(key, text);
}

export const hasMessage = (key: string): boolean => texts.has(key);

function textOf(key: string): string {
	const text = texts.get(key);
	if (text === undefined) throw new Error(`No message has the key "${key}".`);
	return text;
}

function formatOf(key: string): IntlMessageFormat {
	const known = formats.get(key);
	if (known) return known;
	const text = textOf(key);
	const format = new IntlMessageFormat(text, language, undefined, { ignoreTag: true });
	formats.set(key, format);
	return format;
}

/** What may stand for something else in a message. */
const marks = /[{}']/;

/** The message with this key, filled in. @throws when no message has this key */
export function t(key: string, values?: Fill): string {
	const text = textOf(key);
	// Most are said as they stand: a format for each would be a tenth of a page's beginning.
	return marks.test(text) ? String(formatOf(key).format(values as Record<string, string>)) : text;
}

/**
 * The words of a sentence that the core wants said. It may come from a robot, by a link or out of what
 * it wrote down: what we have no words for is shown as its own.
 */
export function say(sentence: Sentence): string {
	const { key, values = {} } = sentence;
	const words = Object.fromEntries(
		Object.entries(values).map(([name, value]) => [
			name,
			typeof value === 'object' ? (filled(value.message, {}) ?? value.message) : value
		])
	);
	const dot = key.lastIndexOf('.');
	const own = { ...words, word: key.slice(dot + 1) };
	const family = `${key.slice(0, Math.max(0, dot))}.own`;
	return filled(key, words) ?? filled(family, own) ?? t('sentence.own', own);
}

/** @returns undefined where there is no such message, or something that it asks for is missing */
function filled(key: string, values: Fill): string | undefined {
	try {
		return texts.has(key) ? t(key, values) : undefined;
	} catch {
		return undefined;
	}
}

export type MessagePart = { readonly text: string } | { readonly slot: string };

/** A message split at its placeholders, for a tag that shows its values as chips. */
export function messageParts(key: string, slots: readonly string[]): MessagePart[] {
	const markers = Object.fromEntries(slots.map((slot) => [slot, { slot }]));
	return formatOf(key)
		.formatToParts(markers as unknown as Record<string, string>)
		.map((part) =>
			typeof part.value === 'object'
				? (part.value as { slot: string })
				: { text: String(part.value) }
		);
}

/** What is computed from words: made once, when it is asked for first, never while modules load. */
export function perLanguage<Made>(make: () => Made): () => Made {
	let made: { readonly it: Made } | undefined;
	return () => (made ??= { it: make() }).it;
}
