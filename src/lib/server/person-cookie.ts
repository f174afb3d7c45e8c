/** Which person this browser is. A name, not a login: it opens nothing that is closed to others. */
import type { Cookies } from '@sveltejs/kit';
import { idSchema } from '$lib/saving/answers';

const name = 'lantern-person';
const year = 365 * 24 * 3600;

/** What no id can be is nobody. */
export const personIn = (cookies: Cookies): string | undefined =>
	idSchema.safeParse(cookies.get(name)).data;

/** Not "secure": a school serves this from a laptop in its own network, without a certificate. */
export const rememberPerson = (cookies: Cookies, id: string): void =>
	cookies.set(name, id, {
		path: '/',
		httpOnly: true,
		sameSite: 'lax',
		secure: false,
		maxAge: year
	});
