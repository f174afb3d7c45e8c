import { json } from '@sveltejs/kit';
import { mayTakeName } from '$lib/server/allowance';
import { personSchema } from '$lib/saving/protocol';
import { takeName } from '$lib/server/people';
import { rememberPerson } from '$lib/server/person-cookie';
import { answerOf, smallBodyOf } from '$lib/server/request';
import type { RequestHandler } from './$types';

/** Picks a name; from now on this browser is that person. */
export const POST: RequestHandler = async ({ request, cookies, getClientAddress }) => {
	const { name } = await smallBodyOf(request, personSchema);
	const person = answerOf(await takeName(name, () => mayTakeName(getClientAddress())));
	rememberPerson(cookies, person.id);
	return json(person);
};
