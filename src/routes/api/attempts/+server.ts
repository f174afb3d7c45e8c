import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { idSchema } from '$lib/saving/answers';
import { listAttempts } from '$lib/server/attempts/attempts';
import { queryOf } from '$lib/server/request';
import type { RequestHandler } from './$types';

const querySchema = z.strictObject({ plan: idSchema });

/** Attempts of a plan, newest first, without what was recorded. */
export const GET: RequestHandler = async ({ url, locals }) =>
	json(await listAttempts(queryOf(url, querySchema).plan, locals.person?.id ?? null));
