import { json } from '@sveltejs/kit';
import { listingSchema } from '$lib/saving/answers';
import { emptyBin } from '$lib/server/documents/change';
import { listDocuments } from '$lib/server/documents/list';
import { queryOf } from '$lib/server/request';
import type { RequestHandler } from './$types';

/** Documents of a kind, newest first, without their contents; the deleted ones with `deleted=yes`. */
export const GET: RequestHandler = async ({ url }) => {
	const { kind, deleted, ...choice } = queryOf(url, listingSchema);
	return json(await listDocuments(kind, { ...choice, isDeleted: deleted === 'yes' }));
};

/** Destroys what was deleted. */
export const DELETE: RequestHandler = async () => {
	await emptyBin();
	return json({});
};
