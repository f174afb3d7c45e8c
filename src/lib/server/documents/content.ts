/** The content of a stored document: read back, and summed up for lists. */
import type { Course } from '$core/course/course';
import { suitedKinds } from '$core/robots/suits';
import { checkDocument, parseJson } from '$core/document';
import { documentFormats } from '$core/documents';
import { eachStep, type Plan } from '$core/plan/plan';
import { success, type Result } from '$core/sentence';
import type { DocumentKind } from '$lib/saving/kinds';
import { summarySchema, type Summary } from '$lib/saving/answers';
import { benchSchema, type Bench, type Content } from '$lib/saving/protocol';

export interface Contents {
	plan: Plan;
	course: Course;
}

/** What is stored was sound when it came; a schema that has become stricter may refuse it today. */
export function readContent<K extends DocumentKind>(kind: K, text: string): Result<Contents[K]> {
	const value = parseJson(text);
	if (!value.ok) return value;
	return checkDocument<unknown>(value.value, documentFormats[kind]) as Result<Contents[K]>;
}

/** A workbench that cannot be read any more is no reason to refuse its plan. */
export function readBench(text: string | null): Bench | null {
	const value = text === null ? undefined : parseJson(text);
	if (!value?.ok) return null;
	const read = benchSchema.safeParse(value.value);
	return read.success ? read.data : null;
}

export function summaryOf({ kind, content }: Content): Summary {
	if (kind === 'course') return { ...content.size, suits: [...suitedKinds(content)] };
	let steps = 0;
	for (const chain of content.chains) eachStep(chain.steps, () => (steps += 1));
	return { steps };
}

/** For a row whose content may not be readable. */
export function summaryOfText(kind: DocumentKind, text: string): Summary {
	const read = readContent(kind, text);
	if (!read.ok) return { isUnreadable: true };
	return summaryOf({ kind, content: read.value } as Content);
}

export const readSummary = (text: string | null): Summary | null =>
	text === null ? null : summarySchema.parse(JSON.parse(text));

/** The columns that hold a content. */
export const columnsOf = (content: Content) => ({
	name: content.content.name,
	content: JSON.stringify(content.content),
	summary: JSON.stringify(summaryOf(content))
});

/** The same content under another name. */
export const contentNamed = (content: Content, name: string): Content =>
	({ ...content, content: { ...content.content, name } }) as Content;

export const contentOf = (kind: DocumentKind, text: string): Result<Content> => {
	const read = readContent(kind, text);
	return read.ok ? success({ kind, content: read.value } as Content) : read;
};

/** Leaves room for " (second version)" within the 80 characters of a name. */
export const shorten = (name: string): string => name.slice(0, 60).trim();
