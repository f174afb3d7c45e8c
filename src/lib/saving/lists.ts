/** Lists of what is on the server. */
import { z } from 'zod';
import { listedSchema, type DocumentKind, type Listed } from './protocol';
import { request } from './send';

export async function fetchList(kind: DocumentKind, isDeleted = false): Promise<Listed[]> {
	const query = `kind=${kind}${isDeleted ? '&deleted=yes' : ''}`;
	return z.array(listedSchema).parse(await request('GET', `/api/documents?${query}`));
}
