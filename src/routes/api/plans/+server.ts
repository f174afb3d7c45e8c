import { json } from '@sveltejs/kit';
import type { ListedPlan } from '$lib/saving/protocol';
import { listDocuments } from '$lib/server/documents';
import type { RequestHandler } from './$types';

/** All plans by name, newest first. */
export const GET: RequestHandler = async () => {
	const plans = await listDocuments('plan');
	return json(
		plans.map(({ id, name, owner }): ListedPlan => ({ id, name, owner: owner?.name ?? null }))
	);
};
