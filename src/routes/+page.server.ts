import { listDocuments } from '$lib/server/documents';
import { listPeople } from '$lib/server/people';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
	person: locals.person,
	people: await listPeople(),
	plans: await listDocuments('plan'),
	courses: await listDocuments('course')
});
