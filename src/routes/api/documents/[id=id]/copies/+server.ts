import { json } from '@sveltejs/kit';
import { failure } from '$core/sentence';
import { mayMakeDocument } from '$lib/server/allowance';
import { copyDocument } from '$lib/server/documents/change';
import { answerOf } from '$lib/server/request';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, locals, getClientAddress }) => {
	const person = locals.person?.id ?? null;
	if (!mayMakeDocument(getClientAddress(), person)) answerOf(failure('save.tooFast'));
	return json({ id: answerOf(await copyDocument(params.id, person)) });
};
