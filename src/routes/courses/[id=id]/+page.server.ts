import { error } from '@sveltejs/kit';
import { say, t } from '$lib/i18n';
import { openDocument } from '$lib/server/documents/list';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => {
	const opened = await openDocument(params.id, 'course');
	if (!opened) error(404, t('courses.notFound'));
	if (!opened.ok) error(422, t('courses.unreadable', { reason: say(opened.failure) }));
	return { person: locals.person, opened: opened.value };
};
