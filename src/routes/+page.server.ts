import { shownAtFirst } from '$lib/home/lists';
import { listDocuments } from '$lib/server/documents/list';
import { listPeople } from '$lib/server/people';
import type { PageServerLoad } from './$types';

/** Names to pick from; whoever is not among them types theirs. */
const offeredPeople = 120;

export const load: PageServerLoad = async ({ locals }) => ({
	person: locals.person,
	people: await listPeople(offeredPeople),
	plans: await listDocuments('plan', { limit: shownAtFirst }),
	courses: await listDocuments('course', { limit: shownAtFirst })
});
