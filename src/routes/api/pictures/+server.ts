import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { pictureFormat } from '$core/pictures/picture-document';
import { say } from '$lib/i18n';
import { mayKeepAttempt } from '$lib/server/allowance';
import { shelvedPictures, shelvePicture, unshelvePicture } from '$lib/server/pictures';
import { bodyOf, queryOf } from '$lib/server/request';
import type { RequestHandler } from './$types';

const querySchema = z.strictObject({ id: z.string().regex(/^[0-9a-f]{64}$/) });
/** Bytes of the largest. */
const maximum = 16_000;

/** The shelf. */
export const GET: RequestHandler = async ({ locals }) =>
	json(await shelvedPictures(locals.person?.id ?? null));

export const PUT: RequestHandler = async ({ request, locals, getClientAddress }) => {
	const picture = await bodyOf(request, pictureFormat.schema, maximum);
	const person = locals.person?.id ?? null;
	if (!mayKeepAttempt(getClientAddress(), person)) error(503, say({ key: 'save.tooFast' }));
	await shelvePicture(picture, person);
	return json(await shelvedPictures(person));
};

export const DELETE: RequestHandler = async ({ url, locals }) => {
	const person = locals.person?.id ?? null;
	await unshelvePicture(queryOf(url, querySchema).id, person);
	return json(await shelvedPictures(person));
};
