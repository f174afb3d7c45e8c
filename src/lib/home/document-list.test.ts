import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Listed, Page } from '$lib/saving/protocol';
import { DocumentList, type Sought } from './document-list.svelte';
import { shownAtFirst, shownMore } from './lists';

const row = (id: string): Listed => ({
	...{ id, name: id, owner: null, isSample: false, updatedAt: '2026-11-30', revision: 1 },
	summary: { steps: 1 }
});
const rows = (from: number, to: number) =>
	Array.from({ length: to - from }, (_, i) => row(`lamp-${from + i}`));

let asked: URLSearchParams[];
/** What answers: in the order in which they were asked, whenever a test says. */
let answers: ((page: Page) => void)[];

beforeEach(() => {
	asked = [];
	answers = [];
	vi.stubGlobal('fetch', (path: string) => {
		asked.push(new URL(path, 'http://x').searchParams);
		return new Promise<Response>((done) =>
			answers.push((page) => done(new Response(JSON.stringify(page))))
		);
	});
});
afterEach(() => vi.unstubAllGlobals());

const listOf = (sought: Sought = { text: '', whose: 'all' }) =>
	new DocumentList(
		'plan',
		() => ({ rows: rows(0, shownAtFirst), total: 300 }),
		() => sought
	);

it('shows what came with the page, and fetches the next ones behind it', async () => {
	const list = listOf();
	expect([list.shown.length, list.left, asked.length]).toEqual([
		shownAtFirst,
		300 - shownAtFirst,
		0
	]);
	const more = list.showMore();
	// Pressed again before they are here: they are on their way.
	void list.showMore();
	expect(asked.length).toBe(1);
	expect([asked[0]!.get('skip'), asked[0]!.get('limit')]).toEqual([
		String(shownAtFirst),
		String(shownMore)
	]);
	// Somebody saved meanwhile: all of them stand one farther down.
	answers[0]!({ rows: rows(shownAtFirst - 1, shownAtFirst - 1 + shownMore), total: 301 });
	await more;
	expect(new Set(list.shown.map(({ id }) => id)).size).toBe(list.shown.length);
	expect(list.shown.length).toBe(shownAtFirst + shownMore - 1);
	expect(list.left).toBe(301 - list.shown.length);
});

it('shows what was sought last, whichever answer comes last, and all again when nothing is sought', async () => {
	const sought = { text: 'lamp 7', whose: 'all' } as { text: string; whose: Sought['whose'] };
	const list = listOf(sought);
	const first = list.seek();
	sought.text = 'lamp 77';
	const second = list.seek();
	answers[1]!({ rows: [row('lamp-77')], total: 1 });
	await second;
	answers[0]!({ rows: rows(70, 80), total: 10 });
	await first;
	expect(asked.map((query) => query.get('find'))).toEqual(['lamp 7', 'lamp 77']);
	expect(list.shown.map(({ id }) => id)).toEqual(['lamp-77']);
	sought.text = ' ';
	await list.seek();
	expect([list.shown.length, list.left, asked.length]).toEqual([
		shownAtFirst,
		300 - shownAtFirst,
		2
	]);
});

it('asks for what is somebody’s, and anew for as many after a change', async () => {
	const piet = { id: 'p', name: 'Piet' };
	const list = listOf({ text: '', whose: piet });
	const sought = list.seek();
	answers[0]!({ rows: rows(0, 50), total: 50 });
	await sought;
	const followed = list.follow();
	answers[1]!({ rows: rows(0, 49), total: 49 });
	await followed;
	expect(asked.map((query) => query.get('whose'))).toEqual(['p', 'p']);
	expect(asked[1]!.get('limit')).toBe('50');
	expect([list.shown.length, list.left]).toEqual([49, 0]);
});
