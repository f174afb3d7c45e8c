import { error, json } from '@sveltejs/kit';
import { t } from '$lib/i18n';
import { changeSchema, saveSchema } from '$lib/saving/protocol';
import { mayMakeDocument } from '$lib/server/allowance';
import { renameDocument, setDeleted } from '$lib/server/documents/change';
import { textOf } from '$lib/server/documents/list';
import { saveDocument } from '$lib/server/documents/save';
import { answerOf, bodyOf, smallBodyOf } from '$lib/server/request';
import type { RequestHandler } from './$types';

/**
 * The content of a document as it is stored, even when it cannot be read any more. Whoever names the
 * revision may keep the answer: that content never changes.
 */
export const GET: RequestHandler = async ({ params, url }) => {
	const found = await textOf(params.id);
	if (!found) error(404, t('request.noDocument'));
	const isCurrent = url.searchParams.get('revision') === String(found.revision);
	const cache = isCurrent ? 'private, max-age=604800, immutable' : 'no-cache';
	return new Response(found.text, {
		headers: { 'content-type': 'application/json', 'cache-control': cache }
	});
};

/** Saves a document; see $lib/server/documents/save for what a conflict does. */
export const PUT: RequestHandler = async ({ params, request, locals, getClientAddress }) => {
	const save = await bodyOf(request, saveSchema);
	const person = locals.person?.id ?? null;
	const mayMake = () => mayMakeDocument(getClientAddress(), person);
	return json(answerOf(await saveDocument(params.id, save, person, mayMake)));
};

/** Renames, deletes, or takes a deletion back. */
export const PATCH: RequestHandler = async ({ params, request, locals }) => {
	const change = await smallBodyOf(request, changeSchema);
	const person = locals.person?.id ?? null;
	const done =
		'name' in change
			? await renameDocument(params.id, change.name, person)
			: await setDeleted(params.id, change.deleted);
	answerOf(done);
	return json({});
};
