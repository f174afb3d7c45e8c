/** Sends saves and other changes to the server. */
import { savedSchema, type Save, type Saved } from './protocol';
import { dropDraft, orphans } from './device';

/** The server answered, and it was a no: sending again would not help. */
export class Refused extends Error {}

/** @throws Refused when the server says no; TypeError or Error when it cannot be reached */
export async function request(method: string, path: string, body?: unknown): Promise<unknown> {
	const response = await fetch(path, {
		method,
		headers: { 'content-type': 'application/json' },
		body: body === undefined ? undefined : JSON.stringify(body)
	});
	if (response.ok) return response.json();
	const text = await response.text();
	if (response.status >= 500) throw new Error(text);
	throw new Refused(messageIn(text));
}

function messageIn(text: string): string {
	try {
		return String((JSON.parse(text) as { message?: unknown }).message ?? text);
	} catch {
		return text;
	}
}

export async function sendSave(id: string, save: Save): Promise<Saved> {
	return savedSchema.parse(await request('PUT', `/api/documents/${id}`, save));
}

/**
 * Sends what tabs that are gone have left on the device, as far as the server can be reached.
 * @returns how many were sent, and why others were refused; those stay on the device
 */
export async function sendOrphans(): Promise<{ sent: number; refusals: string[] }> {
	let sent = 0;
	const refusals: string[] = [];
	for (const { id, tab, save } of await orphans()) {
		try {
			await sendSave(id, save);
			await dropDraft(id, tab, save.saveId);
			sent += 1;
		} catch (error) {
			if (!(error instanceof Refused)) break;
			refusals.push(error.message);
		}
	}
	return { sent, refusals };
}
