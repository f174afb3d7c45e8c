import { error, json } from '@sveltejs/kit';
import { t } from '$lib/i18n';
import { changeSchema, idSchema, saveSchema } from '$lib/saving/protocol';
import { openPlan, renameDocument, saveDocument, setDeleted } from '$lib/server/documents';
import { bodyOf } from '$lib/server/request';
import type { RequestHandler } from './$types';

/** The plan with this id. */
export const GET: RequestHandler = async ({ params }) => {
	const opened = await openPlan(params.id);
	if (!opened) error(404, t('request.noDocument'));
	return json(opened.plan);
};

/** Saves a document; see $lib/server/documents for what a conflict does. */
export const PUT: RequestHandler = async ({ params, request, locals }) => {
	if (!idSchema.safeParse(params.id).success) error(400, t('request.noDocument'));
	const save = await bodyOf(request, saveSchema);
	return json(await saveDocument(params.id, save, locals.person?.id ?? null));
};

/** Renames, deletes, or takes a deletion back. */
export const PATCH: RequestHandler = async ({ params, request }) => {
	const change = await bodyOf(request, changeSchema);
	const isDone =
		'name' in change
			? await renameDocument(params.id, change.name)
			: await setDeleted(params.id, change.deleted);
	if (!isDone) error(404, t('request.noDocument'));
	return json({});
};
