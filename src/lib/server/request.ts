/** The border to the outside: bodies are read, and results answered, each with one sentence at most. */
import './words';
import { error, isHttpError } from '@sveltejs/kit';
import type { z } from 'zod';
import { checkValue, maximumDepth, parseJson } from '$core/document';
import type { Result } from '$core/sentence';
import { say, t } from '$lib/i18n';

/** A save wraps its documents: this deep at the most. */
const wrapping = 4;

/** Bytes of what is no document, such as a name. */
const small = 1024;

/** Of what is small. @throws the answer that says what was expected instead */
export const smallBodyOf = <T>(request: Request, schema: z.ZodType<T>): Promise<T> =>
	bodyOf(request, schema, small);

/** @param maximum bytes; the adapter has a limit for all @throws the answer that says what was expected instead */
export async function bodyOf<T>(
	request: Request,
	schema: z.ZodType<T>,
	maximum = Infinity
): Promise<T> {
	const value = parseJson(await textOf(request, maximum));
	const read = value.ok ? checkValue(value.value, schema, maximumDepth + wrapping) : value;
	if (!read.ok) error(400, say(read.failure));
	return read.value;
}

async function textOf(request: Request, maximum: number): Promise<string> {
	// Nothing of what is too long is read.
	if (Number(request.headers.get('content-length') ?? Infinity) > maximum)
		error(413, t('request.tooLong', { maximum }));
	try {
		return await request.text();
	} catch (reason) {
		// The adapter counts the bytes; anything else is a sender who went away.
		const isTooLarge = isHttpError(reason, 413) || (reason as { status?: number }).status === 413;
		error(isTooLarge ? 413 : 400, t(isTooLarge ? 'request.tooLarge' : 'request.cutOff'));
	}
}

/** @throws the answer that says what was expected in the address */
export function queryOf<T>(url: URL, schema: z.ZodType<T>): T {
	const read = checkValue(Object.fromEntries(url.searchParams), schema, 1);
	if (!read.ok) error(400, say(read.failure));
	return read.value;
}

/** What was found or done. @throws the answer that says why not */
export function answerOf<T>(result: Result<T> | null): T {
	if (result === null) error(404, t('request.noDocument'));
	// What may work in a while is worth another try.
	if (!result.ok) error(result.failure.key === 'save.tooFast' ? 503 : 409, say(result.failure));
	return result.value;
}
