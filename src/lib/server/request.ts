/** Reads the body of a request, or answers with one sentence that says what was expected. */
import { error } from '@sveltejs/kit';
import type { z } from 'zod';
import { placeOf } from '$core/document';
import { t } from '$lib/i18n';

export async function bodyOf<T>(request: Request, schema: z.ZodType<T>): Promise<T> {
	let body: unknown;
	try {
		body = await request.json();
	} catch (reason) {
		if (!(reason instanceof SyntaxError)) throw reason;
		error(400, t('request.notJson'));
	}
	const parsed = schema.safeParse(body);
	if (parsed.success) return parsed.data;
	const [issue] = parsed.error.issues;
	error(
		400,
		t('request.invalid', { place: placeOf(issue?.path ?? []), detail: issue?.message ?? '' })
	);
}
