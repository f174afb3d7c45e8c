/**
 * Reading documents that come from anywhere: files, requests, the command line. Text is measured
 * before it is parsed, the parsed value is walked before a schema sees it, and what is wrong is said
 * in one sentence that names the place and what was expected. Text from a document is never run.
 */
import { z } from 'zod';
import { findJsonFault } from './json-fault';
import { failure, success, word, type Result, type Sentence, type Word } from './sentence';

/** Limits of docs/formats: far above what a person makes, far below what hurts. */
export const maximumBytes = 2 * 1024 * 1024;
export const maximumDepth = 32;
/** Lists, what is in them, and groups of fields: a plan with all that it may hold has a tenth of it. */
const maximumParts = 500_000;
export const maximumSteps = 5000;

/** Some programs put it before a text, to say how it is encoded. */
const byteOrderMark = '\ufeff';
/** Options that a sentence names. */
const maximumOptions = 8;

/** Names that mean something else to JavaScript than to a document. */
const forbiddenNames = new Set(['__proto__', 'constructor', 'prototype']);

const characters = new RegExp('^[^\\u0000-\\u001f\\u007f-\\u009f\\u2028\\u2029]*$');

/** Text of a person on one line; may be empty unless `minimum` says otherwise. */
export const textSchema = (maximum: number, minimum = 0) =>
	z.string().min(minimum).max(maximum).regex(characters);

/** A name that people give: shown as text, never as markup. */
export const nameSchema = z
	.string()
	.trim()
	.min(1)
	.max(80)
	.regex(characters)
	.describe('A name, 1 to 80 characters, without line breaks.');

export const identifierSchema = z
	.string()
	.regex(/^[A-Za-z0-9_-]{1,40}$/)
	.describe('An identifier, 1 to 40 letters, digits, "-" or "_".');

/** A place in a document, as a person would write it: `chains[0].steps[3].values.distance`. */
export function placeOf(path: readonly PropertyKey[]): string {
	let place = '';
	for (const part of path) {
		if (typeof part === 'number') place += `[${part}]`;
		else place += `${place === '' ? '' : '.'}${shorten(String(part))}`;
	}
	return place === '' ? 'document' : place;
}

const problem = (
	key: string,
	path: readonly PropertyKey[],
	values: Sentence['values'] = {}
): Result<never> => failure(`document.${key}`, { ...values, place: placeOf(path) });

/** A kind of document, as it is written today. */
export interface DocumentFormat<T> {
	/** As the document itself says it. */
	readonly name: string;
	readonly version: number;
	/** Takes documents of all versions up to this one. */
	readonly schema: z.ZodType<T>;
}

export type Fields = Readonly<Record<string, unknown>>;
/** Makes the next version of a document, as far as it can: what comes out is checked afterwards. */
export type Upgrade = (older: Fields) => Fields;

/**
 * A schema that takes older documents, too.
 * @param upgrades the first makes version 2 of version 1, and so on
 * @param mend of what can be mended in any of them, before it is checked
 */
export const withUpgrades = <T>(
	schema: z.ZodType<T>,
	upgrades: readonly Upgrade[],
	mend: (document: Fields) => Fields = (document) => document
): z.ZodType<T> =>
	z.preprocess((document) => {
		if (!isFields(document) || !Number.isInteger(document.version)) return document;
		const version = Number(document.version);
		if (version < 1) return document;
		const current = upgrades
			.slice(version - 1)
			.reduce((older, upgrade, i) => ({ ...upgrade(older), version: version + i + 1 }), document);
		return mend(current);
	}, schema);

export const isFields = (value: unknown): value is Fields =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

/** Parses the text of a document of this format. */
export function readDocument<T>(text: string, format: DocumentFormat<T>): Result<T> {
	const size = checkSize(text);
	if (!size.ok) return size;
	const value = parseJson(text);
	return value.ok ? checkDocument(value.value, format) : value;
}

/** Whether a text is as short as a document must be. */
export function checkSize(text: string): Result<void> {
	if (text.length <= maximumBytes / 3) return success(undefined);
	const bytes = utf8Length(text);
	return bytes <= maximumBytes
		? success(undefined)
		: failure('document.tooLarge', { bytes, maximum: maximumBytes });
}

/** Parses JSON; a byte order mark before it is passed over. */
export function parseJson(text: string): Result<unknown> {
	const json = text.startsWith(byteOrderMark) ? text.slice(1) : text;
	try {
		return success(JSON.parse(json));
	} catch (error) {
		if (!(error instanceof SyntaxError)) throw error;
	}
	const fault = findJsonFault(json);
	if (!fault) return failure('document.invalid', { place: placeOf([]) });
	const { line, column, found, expected } = fault;
	if (fault.isCutOff) return failure('document.cutOff', { line, column });
	return failure('document.notJson', { line, column, found: shorten(found), expected });
}

/** Checks a value that is already parsed. */
export function checkDocument<T>(value: unknown, format: DocumentFormat<T>): Result<T> {
	const shape = checkShape(value, maximumDepth, { left: maximumParts });
	if (shape) return shape;
	const head = z.looseObject({ format: z.string(), version: z.number() }).safeParse(value);
	if (!head.success) return problem('noFormat', [], { format: format.name });
	if (head.data.format !== format.name) {
		const found = shorten(head.data.format);
		return problem('otherFormat', ['format'], { format: format.name, found });
	}
	const { version } = head.data;
	if (!Number.isInteger(version) || version < 1)
		return problem('noVersion', ['version'], { found: String(version), version: format.version });
	if (version > format.version)
		return problem('otherVersion', ['version'], { found: version, version: format.version });
	return parseWith(format.schema, value);
}

/** Checks a value that is no document itself, such as what a request carries. @param depth levels */
export function checkValue<T>(value: unknown, schema: z.ZodType<T>, depth: number): Result<T> {
	return checkShape(value, depth, { left: maximumParts }) ?? parseWith(schema, value);
}

function parseWith<T>(schema: z.ZodType<T>, value: unknown): Result<T> {
	const parsed = schema.safeParse(value);
	return parsed.success ? success(parsed.data) : sayIssue(parsed.error.issues[0], value);
}

/**
 * The first thing wrong with the shape that no schema should have to see: depth, names, and how many
 * parts there are: a list of millions would keep everybody waiting.
 * @param path where it is; the same list on the way in and out
 */
function checkShape(
	value: unknown,
	maximum: number,
	parts: { left: number },
	path: PropertyKey[] = []
): Result<never> | undefined {
	if (typeof value !== 'object' || value === null) return undefined;
	if (path.length >= maximum) return problem('tooDeep', path.slice(0, 6), { maximum });
	const isList = Array.isArray(value);
	parts.left -= isList ? value.length + 1 : 1;
	if (parts.left < 0) return problem('tooManyParts', path.slice(0, 6), { maximum: maximumParts });
	for (const name in value) {
		if (forbiddenNames.has(name)) return problem('forbiddenName', path, { name });
		const inner = (value as Record<string, unknown>)[name];
		if (typeof inner !== 'object') continue;
		path.push(isList ? Number(name) : name);
		const fault = checkShape(inner, maximum, parts, path);
		if (fault) return fault;
		path.pop();
	}
	return undefined;
}

type Issue = z.core.$ZodIssue;

function sayIssue(issue: Issue | undefined, document: unknown): Result<never> {
	if (!issue) return problem('invalid', []);
	const { path } = issue;
	const found = show(valueAt(document, path));
	switch (issue.code) {
		case 'invalid_type':
			if (valueAt(document, path) === Infinity || valueAt(document, path) === -Infinity)
				return problem('beyondAll', path);
			return problem('wrongType', path, {
				expected: word(`type.json.${nameOfExpected(issue.expected)}`),
				found: word(`type.json.${nameType(valueAt(document, path))}`)
			});
		case 'too_big':
			return problem(boundKey('tooBig', issue), path, { maximum: Number(issue.maximum), found });
		case 'too_small':
			return problem(boundKey('tooSmall', issue), path, { minimum: Number(issue.minimum), found });
		case 'unrecognized_keys':
			return problem('unknownField', path, { name: shorten(issue.keys[0] ?? '') });
		case 'invalid_value':
			return problem('notOneOf', path, { options: list(issue.values.map(String)), found });
		case 'invalid_union': {
			const discriminator = 'discriminator' in issue ? String(issue.discriminator) : undefined;
			const options = 'options' in issue && Array.isArray(issue.options) ? issue.options : [];
			if (!discriminator) return sayNearest(issue, document);
			const inside = path.at(-1) === discriminator ? path : [...path, discriminator];
			return problem('notOneOf', inside, {
				options: list(options.map(String)),
				found: show(valueAt(document, inside))
			});
		}
		case 'invalid_format':
			return problem('wrongPattern', path, { found });
		case 'custom':
			return problem(String(issue.params?.key ?? 'invalid'), path, issue.params?.values);
		default:
			return problem('invalid', path);
	}
}

/** Of several kinds of content, speaks of the one that was meant: whose type is right. */
function sayNearest(issue: Issue & { code: 'invalid_union' }, document: unknown): Result<never> {
	const meant = issue.errors.map(([first]) => first).find((first) => !isOtherType(first));
	if (!meant) return problem('invalid', issue.path);
	return sayIssue({ ...meant, path: [...issue.path, ...meant.path] }, document);
}

const isOtherType = (issue: Issue | undefined): boolean =>
	!issue || (issue.path.length === 0 && ['invalid_type', 'invalid_value'].includes(issue.code));

function boundKey(
	key: 'tooBig' | 'tooSmall',
	{ origin, inclusive }: { origin: string; inclusive?: boolean | undefined }
): string {
	if (origin === 'string') return key === 'tooBig' ? 'tooLong' : 'tooShort';
	if (origin === 'array') return key === 'tooBig' ? 'tooMany' : 'tooFew';
	if (inclusive === false) return key === 'tooBig' ? 'notLess' : 'notMore';
	return key;
}

function valueAt(document: unknown, path: readonly PropertyKey[]): unknown {
	return path.reduce<unknown>(
		(value, part) =>
			typeof value === 'object' && value !== null ? Reflect.get(value, part) : undefined,
		document
	);
}

function nameType(value: unknown): string {
	if (value === undefined) return 'nothing';
	if (value === null) return 'null';
	return Array.isArray(value) ? 'array' : typeof value;
}

const expectedTypes = ['string', 'number', 'int', 'boolean', 'object', 'array', 'tuple', 'null'];
const nameOfExpected = (type: string): string => (expectedTypes.includes(type) ? type : 'other');

/** What stands at a place, as a person sees it in the file. */
function show(value: unknown): string | Word {
	if (typeof value === 'string') return `"${shorten(value)}"`;
	if (typeof value === 'number') return String(value);
	return word(`type.json.${nameType(value)}`);
}

/** The options as far as a sentence can hold them. */
function list(options: readonly string[]): string {
	const shown = options.slice(0, maximumOptions).map((option) => shorten(option));
	return options.length > maximumOptions ? `${shown.join(', ')} …` : shown.join(', ');
}

/** On one line, and short enough to be read. */
function shorten(text: string, length = 40): string {
	const line = text.replace(/[\p{Cc}\p{Zl}\p{Zp}]+/gu, ' ');
	return line.length > length ? `${line.slice(0, length - 1)}…` : line;
}

function utf8Length(text: string): number {
	let bytes = text.length;
	for (let i = 0; i < text.length; i++) {
		const code = text.charCodeAt(i);
		if (code > 0x7f) bytes += code > 0x7ff ? 2 : 1;
		if (code >= 0xd800 && code <= 0xdbff) bytes -= 2;
	}
	return bytes;
}

/** The text of a document, the same for the same document. */
export const writeDocument = (document: unknown): string =>
	`${JSON.stringify(document, null, '\t')}\n`;
