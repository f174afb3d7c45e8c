import 'fake-indexeddb/auto';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { simulate } from '$core/simulation/simulate';
import { courseOf, go, planOf } from '$core/testing/sample';
import { AttemptShelf } from '$workers/attempt-shelf';

beforeEach(() => {
	vi.resetModules();
	vi.stubGlobal('indexedDB', new IDBFactory());
	vi.stubGlobal('fetch', fetched.mockReset().mockResolvedValue(Response.error()));
});
afterEach(() => vi.unstubAllGlobals());

const fetched = vi.fn();
const newestOf = async (planId: string) => (await import('./newest')).newestOf(planId);

it('is the newest of that plan, here or on the server, but no deleted one', async () => {
	const [plan, course] = [planOf([go(0.2)]), courseOf()];
	const attempt = simulate({ plan, course, variation: 'ideal', seed: 1 });
	const shelf = new AttemptShelf();
	const of = { planId: 'p', courseId: null, plan, course };
	for (const [id, at] of [
		['b', 2],
		['c', 3],
		['a', 1]
	] as const)
		await shelf.keep({ ...of, id, at }, attempt);
	expect((await newestOf('p'))!.id).toBe('c');
	await shelf.remove('c');
	expect((await newestOf('p'))!.id).toBe('b');
	expect(await newestOf('q')).toBeNull();
	// Another device has sent a newer one: all cards ask at once, and in one request.
	await shelf.keep({ ...of, id: 'd', planId: 'q', at: 4 }, attempt);
	const there = [
		{ id: 'e', planId: 'p', at: 9 },
		{ id: 'f', planId: 'q', at: 3 }
	];
	fetched.mockReset().mockImplementation(async () => Response.json(there));
	const all = await Promise.all(['p', 'q', 'r'].map(newestOf));
	expect(all.map((row) => row?.id)).toEqual(['e', 'd', undefined]);
	expect(fetched.mock.calls).toEqual([['/api/newest-attempts?plans=p,q,r']]);
});

it('is none where the browser keeps nothing', async () => {
	vi.stubGlobal('indexedDB', undefined);
	expect(await newestOf('p')).toBeNull();
});
