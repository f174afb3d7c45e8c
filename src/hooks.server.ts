import type { Handle, ServerInit } from '@sveltejs/kit';
import { database } from '$lib/server/database/database';
import { fillWithSamples } from '$lib/server/samples';
import { findPerson } from '$lib/server/people';
import { personIn } from '$lib/server/person-cookie';

export const init: ServerInit = async () => {
	await database();
	if (process.env.LANTERN_DEMO) await fillWithSamples();
};

export const handle: Handle = async ({ event, resolve }) => {
	event.locals.person = await findPerson(personIn(event.cookies));
	const mode = event.cookies.get('lantern-mode');
	return resolve(event, {
		transformPageChunk: ({ html }) =>
			html.replace('%mode%', mode === 'light' || mode === 'dark' ? mode : '')
	});
};
