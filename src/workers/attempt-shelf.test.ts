import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { pack } from '../core/attempts/packed';
import { simulate } from '../core/simulation/simulate';
import { courseOf, go, planOf, right } from '../core/testing/sample';
import { AttemptShelf, fileOf } from './attempt-shelf';
import { usualLimits } from './attempt-limits';
import type { Keeping } from './attempt-store';

const plan = planOf([go(0.3), right(90)]);
const course = courseOf();
const attempt = simulate({ plan, course, variation: 'classroom', seed: 2, isWatched: true });

let count = 0;
const keeping = (changes: Partial<Keeping> = {}): Keeping => {
	count += 1;
	return { id: `a${count}`, planId: 'p', courseId: 'c', at: count, plan, course, ...changes };
};
const place = () => ({ id: `f${(count += 1)}`, planId: 'p', courseId: null });

beforeEach(() => vi.stubGlobal('indexedDB', new IDBFactory()));
afterEach(() => {
	vi.unstubAllGlobals();
	vi.useRealTimers();
	vi.restoreAllMocks();
});

const idsOf = async (shelf: AttemptShelf, planId = 'p') =>
	(await shelf.list(planId)).map(({ id }) => id);

describe('what this device keeps of attempts', () => {
	it('is the whole attempt, its plan and its course, found again by another page', async () => {
		const first = keeping();
		const row = await new AttemptShelf().keep(first, attempt);
		expect(row!.summary).toMatchObject({ kind: attempt.outcome.kind, bumps: 0 });
		expect(row!.summary.robots[0]!.path).toMatch(/^40,40 .* \d+,\d+$/);
		expect(row!.bytes).toBe(pack(attempt).length);
		const opened = await new AttemptShelf().open(first.id);
		if (!opened.ok) throw new Error(opened.failure.key);
		expect(opened.value).toMatchObject({ plan, course, row });
		expect(pack(opened.value.attempt)).toEqual(pack(attempt));
	});

	it('is listed by plan, newest first, with what a person wrote to it', async () => {
		const shelf = new AttemptShelf();
		const [one, two, other] = [keeping(), keeping(), keeping({ planId: 'q' })];
		for (const each of [two, one, other]) await shelf.keep(each, attempt);
		expect(await idsOf(shelf)).toEqual([two.id, one.id]);
		await shelf.mark(one.id, { name: 'The straight one', isPinned: true });
		expect((await shelf.list('p'))[1]).toMatchObject({ name: 'The straight one', isPinned: true });
		expect(await shelf.mark('nobody', { name: 'x' })).toBeNull();
	});

	it('comes back after it was deleted, within an hour', async () => {
		const shelf = new AttemptShelf();
		const [one, two] = [keeping(), keeping()];
		for (const each of [one, two]) await shelf.keep(each, attempt);
		await shelf.remove(one.id);
		expect(await idsOf(shelf)).toEqual([two.id]);
		await shelf.bringBack(one.id);
		expect(await idsOf(shelf)).toEqual([two.id, one.id]);
		await shelf.remove(one.id);
		vi.spyOn(Date, 'now').mockReturnValue(Date.now() + 3_700_000);
		await shelf.keep(keeping(), attempt);
		expect(await shelf.bringBack(one.id)).toBeNull();
	});

	it('is the newest of each plan, and all that are pinned', async () => {
		const shelf = new AttemptShelf();
		const other = keeping({ planId: 'q' });
		await shelf.keep(other, attempt);
		const all = Array.from({ length: usualLimits.count + 3 }, () => keeping());
		await shelf.keep(all[0]!, attempt);
		await shelf.mark(all[0]!.id, { isPinned: true });
		for (const each of all.slice(1)) await shelf.keep(each, attempt);
		const ids = await idsOf(shelf);
		expect(ids).toHaveLength(usualLimits.count + 1);
		expect(ids).toContain(all[0]!.id);
		expect(ids).not.toContain(all[1]!.id);
		expect(await idsOf(shelf, 'q')).toEqual([other.id]);
		expect((await shelf.open(all[1]!.id)).ok).toBe(false);
	});

	it('takes over what was kept elsewhere, once, and not what was deleted since', async () => {
		const shelf = new AttemptShelf();
		const run = keeping({ courseMark: 7 });
		for (let i = 0; i < 2; i++) await shelf.takeOver(run, attempt);
		expect((await shelf.list('p')).map(({ courseMark }) => courseMark)).toEqual([7]);
		await shelf.remove(run.id);
		await shelf.takeOver(run, attempt);
		expect(await idsOf(shelf)).toEqual([]);
	});

	it('makes room where the device is full, and says so where there is none', async () => {
		const shelf = new AttemptShelf();
		const old = keeping();
		await shelf.keep(old, attempt);
		const put = vi.spyOn(IDBObjectStore.prototype, 'put');
		put.mockImplementationOnce(() => {
			throw new DOMException('full', 'QuotaExceededError');
		});
		expect(await shelf.keep(keeping(), attempt)).not.toBeNull();
		put.mockImplementation(() => {
			throw new DOMException('full', 'QuotaExceededError');
		});
		expect(await shelf.keep(keeping(), attempt)).toBeNull();
	});

	it('takes no more room than somebody chose, the oldest go first', async () => {
		const shelf = new AttemptShelf();
		shelf.limits = { count: 50, megabytes: (2.5 * pack(attempt).length) / 1_000_000 };
		const all = ['p', 'q', 'p'].map((planId, i) => keeping({ planId, at: 1000 * (i + 1) }));
		for (const each of all) await shelf.keep(each, attempt);
		expect(await idsOf(shelf)).toEqual([all[2]!.id]);
		expect(await idsOf(shelf, 'q')).toEqual([all[1]!.id]);
	});

	it('is nothing, without a fault, where a browser keeps nothing', async () => {
		vi.stubGlobal('indexedDB', undefined);
		const shelf = new AttemptShelf();
		expect(await shelf.keep(keeping(), attempt)).toBeNull();
		expect(await shelf.list('p')).toEqual([]);
		expect(await shelf.open('a')).toEqual({ ok: false, failure: { key: 'attempt.gone' } });
	});

	it('goes out as a file and comes in again, pinned; what is no attempt is refused', async () => {
		const shelf = new AttemptShelf();
		const one = keeping({ at: Date.UTC(2026, 10, 30) });
		await shelf.keep(one, attempt, { name: 'First try' });
		const opened = await shelf.open(one.id);
		if (!opened.ok) throw new Error(opened.failure.key);
		const file = fileOf(opened.value);
		const taken = await shelf.takeFile(file, place());
		expect(taken).toMatchObject({
			ok: true,
			value: { name: 'First try', isPinned: true, at: one.at }
		});
		const broken = file.replace(/"numbers": "[^"]/, '"numbers": "?');
		expect(await shelf.takeFile(broken, place())).toMatchObject({ ok: false });
		expect(await shelf.takeFile('{}', place())).toMatchObject({ ok: false });
	});
});
