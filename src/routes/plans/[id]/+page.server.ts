import { error } from '@sveltejs/kit';
import { t } from '$lib/i18n';
import { listDocuments, openPlan } from '$lib/server/documents';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
	const opened = await openPlan(params.id);
	if (!opened) error(404, t('bench.notFound'));
	const courses = await listDocuments('course');
	const choices = courses.map(({ id, content }) => ({ id, content }));
	return { opened, courses: choices };
};
