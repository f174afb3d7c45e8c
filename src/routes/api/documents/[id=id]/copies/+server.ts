import { json } from '@sveltejs/kit';
import { copyDocument } from '$lib/server/documents/change';
import { answerOf } from '$lib/server/request';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, locals }) =>
	json({ id: answerOf(await copyDocument(params.id, locals.person?.id ?? null)) });
