import { error, json } from '@sveltejs/kit';
import { t } from '$lib/i18n';
import { copyDocument } from '$lib/server/documents';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, locals }) => {
	const id = await copyDocument(params.id, locals.person?.id ?? null);
	if (!id) error(404, t('request.noDocument'));
	return json({ id });
};
