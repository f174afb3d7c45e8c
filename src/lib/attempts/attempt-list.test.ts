import { beforeEach, expect, it, vi } from 'vitest';
import type { ListedAttempt } from '$core/attempts/kept';
import { AttemptList, type AttemptFilter } from './attempt-list.svelte';
import { keeper } from './keeper';

vi.mock('$workers/kept', () => ({ forget: () => Promise.resolve() }));
vi.mock('./keeper', () => {
	const service = {
		list: vi.fn(),
		listAll: vi.fn(),
		open: vi.fn(),
		mark: vi.fn(),
		remove: vi.fn(),
		bringBack: vi.fn()
	};
	return { keeper: () => service };
});

const service = vi.mocked(keeper());

const row = (id: string, at: number, summary: object = {}, more: object = {}) =>
	({
		id,
		at,
		summary: { kind: 'ended', bumps: 0, source: { type: 'rehearsal' }, robots: [], ...summary },
		...more
	}) as unknown as ListedAttempt;

const first = row('first', 1, { kind: 'finished', reachedFinish: true });
const fallen = row('fallen', 2, { kind: 'fell', bumps: 2, robots: [{ name: 'Wick' }] });
const run = row('run', 3, { source: { type: 'run' } }, { isPinned: true });

let shown: string[];
const stage = {
	planId: 'p',
	courseId: null,
	robotName: 'Wick',
	get shown() {
		return shown.at(-1) ?? null;
	},
	show: ({ row }: { row: ListedAttempt }) => Promise.resolve(Boolean(shown.push(row.id)))
};

beforeEach(() => {
	shown = [];
	service.list.mockResolvedValue([run, fallen, first]);
	service.listAll.mockResolvedValue(null);
	service.remove.mockResolvedValue(first);
	service.open.mockImplementation((id) =>
		Promise.resolve({ ok: true, value: { row: row(id, 0) } } as never)
	);
});

it('shows those that are asked for', async () => {
	const list = new AttemptList(stage);
	await list.read();
	const passing = (filter: AttemptFilter) => {
		list.filter = filter;
		return list.passing.map(({ id }) => id);
	};
	expect(passing('all')).toEqual(['run', 'fallen', 'first']);
	expect(passing('arrived')).toEqual(['first']);
	expect(passing('bumped')).toEqual(['fallen']);
	expect(passing('fell')).toEqual(['fallen']);
	expect(passing('runs')).toEqual(['run']);
	expect(passing('pinned')).toEqual(['run']);
	expect(passing('robot')).toEqual(['fallen']);
});

it('shows the one that was asked for last, however long others take', async () => {
	const list = new AttemptList(stage);
	await list.read();
	let late: (opened: never) => void;
	service.open.mockReturnValueOnce(new Promise((open) => (late = open)) as never);
	const slow = list.show(first);
	await list.show(run);
	late!({ ok: true, value: { row: first } } as never);
	await slow;
	expect(shown).toEqual(['run']);
	expect(list.shown).toBe('run');
	service.open.mockResolvedValueOnce({ ok: false, failure: { key: 'attempt.gone' } });
	await list.show(first);
	expect(list.news).toContain('not on this device');
	expect(list.shown).toBe('run');
});

it('takes in what comes in its place, and brings back what was deleted', async () => {
	const list = new AttemptList(stage);
	await list.read();
	list.put(row('new', 9));
	list.put(row('new', 9, { bumps: 1 }));
	expect(list.rows.map(({ id }) => id)).toEqual(['new', 'run', 'fallen', 'first']);
	await list.remove(fallen);
	expect(list.rows).toHaveLength(3);
	service.bringBack.mockResolvedValueOnce(fallen);
	await list.bringBack();
	expect(list.rows.map(({ id }) => id)).toEqual(['new', 'run', 'fallen', 'first']);
	expect(list.gone).toBeNull();
	// One that only the server has, while it is away.
	service.remove.mockResolvedValueOnce(null);
	await list.remove(fallen);
	service.mark.mockResolvedValueOnce(null);
	await list.mark(fallen, { isPinned: true });
	expect([list.rows.length, list.news]).toEqual([
		4,
		expect.stringContaining('nothing was changed')
	]);
});

it('lays ten over each other, each with a letter that is free', async () => {
	const list = new AttemptList(stage);
	const rows = Array.from({ length: 11 }, (_, i) => row(`r${i}`, i));
	for (const each of rows) await list.lay(each);
	expect(list.laid.map(({ letter }) => letter).join('')).toBe('ABCDEFGHIJ');
	expect(list.news).toContain('10 lie over each other');
	await list.lay(rows[1]!);
	await list.lay(rows[10]!);
	expect(list.laid.at(-1)).toMatchObject({ id: 'r10', letter: 'B' });
	await list.remove(rows[0]!);
	expect(list.laid).toHaveLength(9);
	await Promise.all([list.lay(rows[0]!), list.lay(rows[0]!)]);
	expect(list.laid.filter(({ id }) => id === 'r0')).toHaveLength(1);
});
