import { listPeople } from '$lib/server/people';
import type { PageServerLoad } from './$types';

/** Names to pick from; whoever is not among them types theirs. */
const offeredPeople = 120;

export const load: PageServerLoad = async ({ locals }) => ({
	person: locals.person,
	people: locals.person ? [] : await listPeople(offeredPeople)
});
