import { json } from '@sveltejs/kit';
import { listingSchema } from '$lib/saving/protocol';
import { listDocuments } from '$lib/server/documents/list';
import { queryOf } from '$lib/server/request';
import type { RequestHandler } from './$types';

/** All documents of a kind, newest first, without their contents; the deleted ones with `deleted=yes`. */
export const GET: RequestHandler = async ({ url }) => {
	const { kind, deleted } = queryOf(url, listingSchema);
	const { rows } = await listDocuments(kind, { isDeleted: deleted === 'yes' });
	return json(rows);
};
