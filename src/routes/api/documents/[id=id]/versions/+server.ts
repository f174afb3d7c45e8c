import { error, json } from '@sveltejs/kit';
import { t } from '$lib/i18n';
import { listVersions } from '$lib/server/documents/versions';
import type { RequestHandler } from './$types';

/** Earlier contents of a document, newest first. */
export const GET: RequestHandler = async ({ params }) => {
	const versions = await listVersions(params.id);
	if (!versions) error(404, t('request.noDocument'));
	return json(versions);
};
