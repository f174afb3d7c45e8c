import { longestSound, sampleRate, wavBytes } from '$core/sounds/limits';
import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { failure } from '$core/sentence';

import { say } from '$lib/i18n';
import { mayKeepAttempt } from '$lib/server/allowance';
import { answerOf, bodyOf } from '$lib/server/request';
import { fetchSound, storeSound } from '$lib/server/sounds';
import type { RequestHandler } from './$types';

const bodySchema = z.strictObject({ wav: z.base64() });
/** Bytes of the longest, in base64. */
const maximum = Math.ceil((wavBytes(longestSound * sampleRate) * 4) / 3) + 100;

export const GET: RequestHandler = async ({ params }) => {
	const wav = await fetchSound(params.id);
	if (!wav) error(404, say({ key: 'sound.gone' }));
	return new Response(new Uint8Array(wav), {
		headers: {
			'content-type': 'audio/wav',
			// It is what its hash says: it never changes.
			'cache-control': 'private, max-age=31536000, immutable'
		}
	});
};

export const PUT: RequestHandler = async ({ params, request, locals, getClientAddress }) => {
	const { wav } = await bodyOf(request, bodySchema, maximum);
	if (!mayKeepAttempt(getClientAddress(), locals.person?.id ?? null))
		return answerOf(failure('save.tooFast'));
	answerOf(await storeSound(params.id, Buffer.from(wav, 'base64')));
	return new Response(null, { status: 204 });
};
