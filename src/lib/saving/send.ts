/** Asks the server, and sends it changes. */

/** The server answered, and it was a no: sending again would not help. */
export class Refused extends Error {}

/** The server answered that it cannot now: sending again may help. */
export class Unable extends Error {}

/** @throws Refused when the server says no, Unable when it cannot; TypeError when it is not reached */
export async function request(method: string, path: string, body?: unknown): Promise<unknown> {
	const response = await fetch(path, {
		method,
		headers: { 'content-type': 'application/json' },
		body: body === undefined ? undefined : JSON.stringify(body)
	});
	if (response.ok) return response.json();
	const text = await response.text();
	if (response.status >= 500) throw new Unable(messageIn(text));
	throw new Refused(messageIn(text));
}

function messageIn(text: string): string {
	try {
		return String((JSON.parse(text) as { message?: unknown }).message ?? text);
	} catch {
		return text;
	}
}
