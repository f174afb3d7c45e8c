import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { nameSchema } from '$core/document';
import { robotModelFormat } from '$core/fitting/robot-model';
import { say } from '$lib/i18n';
import { mayKeepAttempt } from '$lib/server/allowance';
import { bodyOf, queryOf } from '$lib/server/request';
import { forgetRobotModel, keepRobotModel, robotModelOf } from '$lib/server/robot-models';
import type { RequestHandler } from './$types';

const querySchema = z.strictObject({ kind: z.string().max(40), name: nameSchema });
/** Bytes of the largest. */
const maximum = 16_000;

/** What is known of one robot; null where nobody has found anything out. */
export const GET: RequestHandler = async ({ url }) =>
	json({ model: await robotModelOf(queryOf(url, querySchema)) });

export const PUT: RequestHandler = async ({ request, locals, getClientAddress }) => {
	const model = await bodyOf(request, robotModelFormat.schema, maximum);
	if (!mayKeepAttempt(getClientAddress(), locals.person?.id ?? null))
		error(503, say({ key: 'save.tooFast' }));
	await keepRobotModel(model);
	return json({});
};

export const DELETE: RequestHandler = async ({ url }) => {
	await forgetRobotModel(queryOf(url, querySchema));
	return json({});
};
