import { error, json } from '@sveltejs/kit';
import { changedAttemptSchema, sentAttemptSchema } from '$core/attempts/kept';
import { say, t } from '$lib/i18n';
import { mayKeepAttempt } from '$lib/server/allowance';
import { changeAttempt, fetchAttempt, keepAttempt } from '$lib/server/attempts/attempts';
import { answerOf, bodyOf } from '$lib/server/request';
import type { RequestHandler } from './$types';

/** One whole: what was recorded, its plan and its course as they were. */
export const GET: RequestHandler = async ({ params, locals }) => {
	const found = await fetchAttempt(params.id, locals.person?.id ?? null);
	if (!found) error(404, t('request.noAttempt'));
	return json(found);
};

/** Keeps one, or says which contents are missing for it. */
export const PUT: RequestHandler = async ({ params, request, locals, getClientAddress }) => {
	const sent = await bodyOf(request, sentAttemptSchema);
	const person = locals.person?.id ?? null;
	if (!mayKeepAttempt(getClientAddress(), person)) error(503, say({ key: 'save.tooFast' }));
	return json({ missing: answerOf(await keepAttempt(params.id, sent, person)) });
};

/** What a person writes to one, and that it is deleted. */
export const PATCH: RequestHandler = async ({ params, request }) => {
	const change = await bodyOf(request, changedAttemptSchema, 64_000);
	if (!(await changeAttempt(params.id, change))) error(404, t('request.noAttempt'));
	return json({});
};
