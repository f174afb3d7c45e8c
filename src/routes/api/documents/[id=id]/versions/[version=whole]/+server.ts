import { json } from '@sveltejs/kit';
import { goBack, openVersion } from '$lib/server/documents/versions';
import { answerOf } from '$lib/server/request';
import type { RequestHandler } from './$types';

/** One earlier content. */
export const GET: RequestHandler = async ({ params }) =>
	json(answerOf(await openVersion(params.id, Number(params.version))).content);

/** Goes back to it. */
export const POST: RequestHandler = async ({ params, locals }) => {
	answerOf(await goBack(params.id, Number(params.version), locals.person?.id ?? null));
	return json({});
};
