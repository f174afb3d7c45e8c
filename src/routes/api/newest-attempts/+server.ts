import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { idSchema } from '$lib/saving/answers';
import { newestAttempts } from '$lib/server/attempts/attempts';
import { queryOf } from '$lib/server/request';
import type { RequestHandler } from './$types';

/** As many cards a page shows at once. */
const most = 100;

const querySchema = z.strictObject({
	plans: z
		.string()
		.transform((ids) => ids.split(','))
		.pipe(z.array(idSchema).max(most))
});

/** The newest attempt of each of these plans that has one: for the pictures of cards. */
export const GET: RequestHandler = async ({ url, locals }) =>
	json(await newestAttempts(queryOf(url, querySchema).plans, locals.person?.id ?? null));
