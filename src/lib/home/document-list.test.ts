import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Listed, Page } from '$lib/saving/answers';
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
	answers[0]!({ rows: rows(shownAtFirst, shownAtFirst + shownMore), total: 300 });
	await more;
	expect(list.shown).toEqual(rows(0, shownAtFirst + shownMore));
	expect(list.left).toBe(300 - shownAtFirst - shownMore);
});

it('shows the newest too, and all in the end, whoever saves or deletes meanwhile', async () => {
	const list = listOf();
	const more = list.showMore();
	// Three were saved since the page came: all that it shows stands three farther down.
	answers[0]!({ rows: rows(shownAtFirst - 3, shownAtFirst - 3 + shownMore), total: 303 });
	await vi.waitFor(() => expect(asked.length).toBe(2));
	expect([asked[1]!.get('skip'), asked[1]!.get('limit')]).toEqual([
		'0',
		String(shownAtFirst + shownMore)
	]);
	const anew = [row('new-1'), row('new-2'), row('new-3'), ...rows(0, shownAtFirst + shownMore - 3)];
	answers[1]!({ rows: anew, total: 303 });
	await more;
	expect(list.shown).toEqual(anew);
	// One is deleted, and another one saved: as many as before, and yet other ones.
	const others = list.showMore();
	answers[2]!({ rows: rows(shownAtFirst + shownMore - 4, 300), total: 303 });
	await vi.waitFor(() => expect(asked.length).toBe(4));
	answers[3]!({ rows: rows(0, 303), total: 303 });
	await others;
	expect([list.shown.length, list.left]).toEqual([303, 0]);
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
