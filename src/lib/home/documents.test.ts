/** What the first page says and does when documents are made, deleted and brought back. */
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Listed, Page } from '$lib/saving/answers';
import type { DocumentKind } from '$lib/saving/kinds';

vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {} });
const { Documents } = await import('./documents.svelte');

const listed = (id: string, name: string): Listed => ({
	...{ id, name, owner: null, isSample: false, updatedAt: '2026-11-30', revision: 1 },
	summary: { steps: 1 }
});
const [quay, maze] = [listed('quay', 'Open quay'), listed('maze', 'Reed maze')];

/** On the server. */
let there: Record<DocumentKind, readonly Listed[]>;
let asked: { method: string; path: string; body: unknown }[];
/** What it answers to each path instead of "done": a status and a text. */
let answers: Record<string, { status: number; body: unknown }>;
let wentTo: string[];

beforeEach(() => {
	there = { plan: [maze], course: [quay] };
	asked = [];
	answers = {};
	wentTo = [];
	vi.stubGlobal('fetch', async (path: string, init: { method: string; body?: string }) => {
		asked.push({ method: init.method, path, body: init.body && JSON.parse(init.body) });
		const key = Object.keys(answers).find((start) => path.startsWith(start));
		const { status, body } = key ? answers[key]! : { status: 200, body: {} };
		return new Response(JSON.stringify(body), { status });
	});
});
afterEach(() => vi.unstubAllGlobals());

function documentsThere() {
	const pageOf = (kind: DocumentKind) => (): Page => ({
		rows: there[kind],
		total: there[kind].length
	});
	return new Documents(
		{ plan: pageOf('plan'), course: pageOf('course') },
		{ goTo: async (path) => void wentTo.push(path), reload: async () => {} }
	);
}

it('deletes a course, says who still uses it, and takes it back', async () => {
	const documents = documentsThere();
	answers['/api/documents/quay/uses'] = { status: 200, body: [{}, {}] };
	await documents.remove('course', quay);
	expect(documents.news?.text).toMatch(/“Open quay” was deleted\..*2 plans/);
	documents.news!.undo!();
	await vi.waitFor(() => expect(asked.at(-1)?.body).toEqual({ deleted: false }));
	expect(documents.news).toBe(null);
});

it('tells when what was deleted here came back, since somebody saved it', async () => {
	const documents = documentsThere();
	there = { ...there, plan: [] };
	await documents.remove('plan', maze);
	await documents.refresh();
	expect(documents.news?.text).toContain('was deleted');
	there = { ...there, plan: [maze] };
	await documents.refresh();
	expect(documents.news?.text).toMatch(/Reed maze.*is here again/);
	expect(documents.news?.undo).toBe(undefined);
});

it('says in the server’s words why something was not done, and in its own when nobody answers', async () => {
	const documents = documentsThere();
	answers['/api/documents/maze'] = { status: 409, body: { message: 'There is no room left.' } };
	await documents.rename('maze', 'The maze');
	expect(documents.news?.text).toBe('There is no room left.');
	vi.stubGlobal('fetch', async () => {
		throw new TypeError('away');
	});
	await documents.duplicate(maze);
	expect(documents.news?.text).toContain('did not reach the server');
	expect(wentTo).toEqual([]);
});

it('begins a plan for a rail car on a course that has a rail, and leads there', async () => {
	const documents = documentsThere();
	const rail = listed('ferry', 'Ferry rail');
	answers['/api/documents?'] = { status: 200, body: { rows: [rail], total: 1 } };
	answers['/api/documents/'] = { status: 200, body: { revision: 1, kept: null } };
	await documents.beginPlanFor('rail');
	expect(asked[0]!.path).toContain('suits=rail');
	const sent = asked.find(({ method }) => method === 'PUT')!;
	expect(sent.body).toMatchObject({
		work: { content: { robots: [{ kind: 'rail' }] } },
		bench: { courseId: 'ferry' },
		baseRevision: 0
	});
	expect(wentTo).toEqual([sent.path.replace('/api/documents', '/plans')]);
});

it('counts what went out of tabs that are gone, unless something was refused', async () => {
	const documents = documentsThere();
	await documents.tellSent({ sent: 0, refusals: [] });
	expect(documents.news).toBe(null);
	await documents.tellSent({ sent: 2, refusals: [] });
	expect(documents.news?.text).toContain('2');
	await documents.tellSent({ sent: 1, refusals: ['It is too large.'] });
	expect(documents.news?.text).toContain('It is too large.');
});
