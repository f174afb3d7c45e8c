/** Lists of what is on the server. */
import { pageSchema, type Listing, type Page } from '$lib/saving/protocol';
import { request } from '$lib/saving/send';

export async function fetchPage(listing: Listing): Promise<Page> {
	const query = new URLSearchParams();
	for (const [name, value] of Object.entries(listing))
		if (value !== undefined && value !== '') query.set(name, String(value));
	return pageSchema.parse(await request('GET', `/api/documents?${query.toString()}`));
}
