import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { go, planOf } from '$core/testing/sample';
import type { Content, Save } from './protocol';

/** A small store as browsers have them. */
function storage(isFull = () => false): Storage {
	const texts: Record<string, string> = {};
	return Object.defineProperties(texts, {
		getItem: { value: (key: string) => texts[key] ?? null },
		removeItem: { value: (key: string) => delete texts[key] },
		setItem: {
			value: (key: string, text: string) => {
				if (isFull()) throw new DOMException('full', 'QuotaExceededError');
				texts[key] = text;
			}
		}
	}) as unknown as Storage;
}

/** A page, or the same page loaded again, of a browser whose database is missing: what a private window or a policy leaves. */
async function page(local: Storage | 'blocked', session = storage()) {
	vi.resetModules();
	vi.stubGlobal('requestAnimationFrame', (then: () => void) => setTimeout(then, 16));
	vi.stubGlobal('addEventListener', () => {});
	vi.stubGlobal('navigator', {});
	const reload = { type: 'reload' } as unknown as PerformanceEntry;
	vi.spyOn(performance, 'getEntriesByType').mockReturnValue([reload]);
	vi.stubGlobal('sessionStorage', session);
	Object.defineProperty(globalThis, 'localStorage', {
		configurable: true,
		get() {
			if (local === 'blocked') throw new DOMException('no', 'SecurityError');
			return local;
		}
	});
	return (await import('./saver.svelte')).Saver;
}

const work = (metres: number): Content => ({ kind: 'plan', content: planOf([go(metres)]) });
const [first, second] = [work(0.1), work(0.2)];

let received: Save[];
let isAway: boolean;
let refusal: string | null;
let status: number;
/** Milliseconds until the server answers. */
let slow: number;

beforeEach(() => {
	vi.useFakeTimers();
	received = [];
	isAway = false;
	refusal = null;
	status = 409;
	slow = 0;
	vi.stubGlobal('fetch', async (_: string, { body }: { body: string }) => {
		if (isAway) throw new TypeError('away');
		if (refusal) return new Response(JSON.stringify({ message: refusal }), { status });
		received.push(JSON.parse(body) as Save);
		const revision = received.length;
		if (slow > 0) await new Promise((done) => setTimeout(done, slow));
		return new Response(JSON.stringify({ revision, kept: null }));
	});
});
afterEach(() => {
	vi.useRealTimers();
	vi.restoreAllMocks();
	vi.unstubAllGlobals();
	Reflect.deleteProperty(globalThis, 'localStorage');
});

describe('what is said of the work is what holds', () => {
	const places = {
		'with a store': () => storage(),
		'with a full store': () => storage(() => true),
		'with a blocked store': () => 'blocked' as const
	};
	const keeps = (place: string) => place === 'with a store';

	test.each(Object.keys(places) as (keyof typeof places)[])('%s', async (place) => {
		const local = places[place]();
		const session = storage();
		const saver = new (await page(local, session))('reed', 1);
		saver.change(first);
		expect(saver.state).toBe('saving');
		expect(saver.isSafe).toBe(false);
		await vi.advanceTimersByTimeAsync(1000);
		expect([saver.state, saver.isSafe, received.length]).toEqual(['saved', true, 1]);

		isAway = true;
		saver.change(second);
		await vi.advanceTimersByTimeAsync(1000);
		expect(saver.state).toBe(keeps(place) ? 'kept' : 'unkept');
		expect(saver.isSafe).toBe(keeps(place));
		expect(saver.keepAtOnce()).toBe(keeps(place));

		// The page is loaded again.
		const again = new (await page(local, session))('reed', 1);
		expect((await again.restore())?.work).toEqual(keeps(place) ? second : undefined);

		isAway = false;
		saver.hurry();
		await vi.advanceTimersByTimeAsync(1000);
		expect([saver.state, saver.isSafe]).toEqual(['saved', true]);
		expect(received.at(-1)?.work).toEqual(second);
		await vi.advanceTimersByTimeAsync(60_000);
		expect(saver.state, 'and it stays so').toBe('saved');
	});
});

test('what is changed while a save is on its way is sent after it, made from its revision', async () => {
	slow = 2000;
	const saver = new (await page(storage()))('reed', 1);
	saver.change(first);
	await vi.advanceTimersByTimeAsync(1000);
	expect(received.length).toBe(1);
	saver.change(second);
	await vi.advanceTimersByTimeAsync(1800);
	expect([saver.state, saver.isSafe]).toEqual(['saving', true]);
	await vi.advanceTimersByTimeAsync(3000);
	expect([saver.state, received.length]).toEqual(['saved', 2]);
	expect(received[1]).toMatchObject({ work: second, baseRevision: 1 });
});

test('an edit is kept by a page that goes at once', async () => {
	const [local, session] = [storage(), storage()];
	const saver = new (await page(local, session))('reed', 1);
	await vi.advanceTimersByTimeAsync(1000);
	saver.change(second);
	expect(saver.keepAtOnce()).toBe(true);
	const again = new (await page(local, session))('reed', 1);
	expect((await again.restore())?.work).toEqual(second);
	await vi.advanceTimersByTimeAsync(1000);
	expect(again.state).toBe('saved');
	const third = new (await page(local, session))('reed', 2);
	expect(await third.restore(), 'and is sent once').toBeNull();
});

test('a store that has room again is told', async () => {
	let isFull = true;
	const saver = new (await page(storage(() => isFull)))('reed', 1);
	isAway = true;
	saver.change(first);
	await vi.advanceTimersByTimeAsync(1000);
	expect(saver.state).toBe('unkept');
	isFull = false;
	saver.change(second);
	await vi.advanceTimersByTimeAsync(1000);
	expect(saver.state).toBe('kept');
});

test('a document opened again takes over what only the page has', async () => {
	const Saver = await page('blocked');
	isAway = true;
	const before = new Saver('reed', 1);
	before.change(first);
	await vi.advanceTimersByTimeAsync(1000);
	before.dispose();
	const after = new Saver('reed', 1);
	expect((await after.restore())?.work).toEqual(first);
	isAway = false;
	await vi.advanceTimersByTimeAsync(20_000);
	expect(received.map((save) => save.work)).toEqual([first]);
	expect([before.isSafe, after.isSafe, after.state]).toEqual([true, true, 'saved']);
});

test('what a tab that is gone had not sent is gone on with; what a living one has is its own', async () => {
	isAway = true;
	const local = storage();
	const drafts = () => Object.keys(local).filter((key) => key.startsWith('lantern-draft'));
	const closed = new (await page(local))('reed', 1);
	closed.change(first);
	await vi.advanceTimersByTimeAsync(1000);
	expect(closed.state).toBe('kept');
	const beside = new (await page(local))('reed', 1);
	expect(await beside.restore()).toBeNull();

	// Both are closed, and beat no more.
	vi.clearAllTimers();
	vi.setSystemTime(Date.now() + 80_000);
	const after = new (await page(local))('reed', 1);
	expect((await after.restore())?.work).toEqual(first);
	expect(drafts()).toHaveLength(1);
	isAway = false;
	await vi.advanceTimersByTimeAsync(1000);
	expect([after.state, received.length]).toEqual(['saved', 1]);
	expect(received[0]?.work).toEqual(first);
	expect(drafts()).toEqual([]);
});

test('what the server refuses is said with its reason, and stays on the device', async () => {
	const saver = new (await page(storage()))('reed', 1);
	refusal = 'There is no room.';
	saver.change(first);
	await vi.advanceTimersByTimeAsync(1000);
	expect([saver.state, saver.refusal, saver.isSafe]).toEqual(['refused', refusal, true]);
});

test('what the server cannot take now is said with its reason, and sent again', async () => {
	const saver = new (await page(storage()))('reed', 1);
	[refusal, status] = ['The disk of the server is full.', 500];
	saver.change(first);
	await vi.advanceTimersByTimeAsync(1000);
	expect([saver.state, saver.refusal, saver.isSafe]).toEqual(['kept', refusal, true]);
	refusal = null;
	await vi.advanceTimersByTimeAsync(20_000);
	expect([saver.state, received.length]).toEqual(['saved', 1]);
});
