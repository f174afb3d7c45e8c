import '$lib/server/words';
import '$lib/words/core';
import type { Handle, HandleServerError, ServerInit } from '@sveltejs/kit';
import { version } from '$app/environment';
import { say, t } from '$lib/i18n';
import { backUp } from '$lib/server/database/backup';
import { closeDatabase, database, dataFolder } from '$lib/server/database/database';
import { diskTrouble, soundnessSentence } from '$lib/server/database/soundness';
import { readAll, lookAfter } from '$lib/server/documents/upkeep';
import { serverLog } from '$lib/server/log';
import { findPerson } from '$lib/server/people';
import { personIn } from '$lib/server/person-cookie';
import { fillWithSamples } from '$lib/server/samples';

/** Milliseconds between two tidy-ups. */
const tidyInterval = 10 * 60_000;

export const init: ServerInit = async () => {
	try {
		await database();
		if (process.env.LANTERN_DEMO) await fillWithSamples();
	} catch (error) {
		const sentence = soundnessSentence(error, dataFolder());
		if (!sentence) throw error;
		// Nothing is served from what cannot be opened; started again, it would be the same.
		console.error(`serve: ${say(sentence)}`);
		process.exit(2);
	}
	process.once('sveltekit:shutdown', () => void closeDatabase().finally(() => process.exit(0)));
	// What this build makes of the documents is worked out while it already serves.
	inBackground('reading all documents', readAll(version));
	const tidy = () => {
		inBackground('tidying up', lookAfter());
		inBackground('keeping a copy', backUp());
	};
	tidy();
	setInterval(tidy, tidyInterval).unref();
};

const inBackground = (what: string, work: Promise<unknown>): void =>
	void work.catch((error: unknown) => serverLog.failed(error, what));

export const handle: Handle = async ({ event, resolve }) => {
	event.locals.person = await findPerson(personIn(event.cookies));
	const mode = event.cookies.get('lantern-mode');
	return resolve(event, {
		transformPageChunk: ({ html }) =>
			html.replace('%mode%', mode === 'light' || mode === 'dark' ? mode : '')
	});
};

/** What a visitor did wrong was answered already; the rest is ours, and is written down. */
export const handleError: HandleServerError = ({ error, event, status, message }) => {
	if (status < 500) return { message: status === 404 ? t('error.notFound') : message };
	serverLog.failed(error, `${event.request.method} ${event.route.id ?? event.url.pathname}`);
	const trouble = diskTrouble(error);
	return { message: t(trouble ? `error.disk.${trouble}` : 'error.ours') };
};
