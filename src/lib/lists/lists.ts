/** Lists of what is on the server. */
import type { Listing, Page } from '$lib/saving/answers';
import { request } from '$lib/saving/send';

export async function fetchPage(listing: Listing): Promise<Page> {
	const query = new URLSearchParams();
	for (const [name, value] of Object.entries(listing))
		if (value !== undefined && value !== '') query.set(name, String(value));
	const answer = await request('GET', `/api/documents?${query.toString()}`);
	const { pageSchema } = await import('$lib/saving/answers');
	return pageSchema.parse(answer);
}
