import { json } from '@sveltejs/kit';
import { plansOn } from '$lib/server/documents/uses';
import type { RequestHandler } from './$types';

/** The plans that are tried on a course. */
export const GET: RequestHandler = async ({ params }) => json(await plansOn(params.id));
