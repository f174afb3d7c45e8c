import { error } from '@sveltejs/kit';
import { say, t } from '$lib/i18n';
import { listDocuments, openDocument } from '$lib/server/documents/list';
import type { PageServerLoad } from './$types';

/** To choose from at once; others are sought. */
const offeredCourses = 60;

export const load: PageServerLoad = async ({ params, locals }) => {
	const opened = await openDocument(params.id, 'plan');
	if (!opened) error(404, t('bench.notFound'));
	if (!opened.ok) error(422, t('bench.unreadable', { reason: say(opened.failure) }));
	const { courseId } = opened.value.bench ?? {};
	const course = courseId ? await openDocument(courseId, 'course') : null;
	const { rows, total } = await listDocuments('course', { limit: offeredCourses });
	return {
		person: locals.person,
		opened: opened.value,
		course: course?.ok ? course.value.content : null,
		courses: { rows: rows.map(({ id, name }) => ({ id, name })), total }
	};
};
