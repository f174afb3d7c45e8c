import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { planOf } from '../core/testing/sample';
import type { LiveNews } from '../core/live/live-news';

/** What the device does with what is put: takes it, or says that it is full. */
let isFull: boolean;
const news = new Map<number, unknown>();

vi.mock('idb', () => ({
	openDB: () => {
		if (typeof indexedDB === 'undefined') return Promise.reject(new Error('missing'));
		return Promise.resolve({
			put: (store: string, value: { number: number; news: unknown }) => {
				if (isFull) return Promise.reject(new DOMException('full', 'QuotaExceededError'));
				if (store === 'news') news.set(value.number, value.news);
				return Promise.resolve();
			},
			getAllFromIndex: () => Promise.resolve([])
		});
	}
}));

const run = { id: 'r', planId: 'p', courseId: null, at: 1, plan: planOf([]) };
const at = (time: number) => ({ time }) as LiveNews;

async function opened() {
	vi.resetModules();
	return import('./kept');
}

beforeEach(() => {
	vi.useFakeTimers();
	isFull = false;
	news.clear();
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

it('a device without storage says so, and is no reason to fail', async () => {
	const { keepRun, NewsWriter } = await opened();
	expect(await keepRun(run)).toBe(false);
	const unkept = vi.fn();
	new NewsWriter('r', unkept).add(at(1), true);
	await vi.advanceTimersByTimeAsync(1000);
	expect(unkept).toHaveBeenCalled();
});

it('a device that is full in the midst says so, and gets the rest once it has room again', async () => {
	vi.stubGlobal('indexedDB', {});
	const { keepRun, NewsWriter } = await opened();
	expect(await keepRun(run)).toBe(true);
	const unkept = vi.fn();
	const writer = new NewsWriter('r', unkept);
	writer.add(at(1), false);
	await vi.advanceTimersByTimeAsync(1000);
	expect(unkept).not.toHaveBeenCalled();
	isFull = true;
	writer.add(at(2), false);
	await vi.advanceTimersByTimeAsync(1000);
	expect(unkept).toHaveBeenCalled();
	isFull = false;
	writer.add(at(3), true);
	await vi.advanceTimersByTimeAsync(1000);
	expect([...news.entries()]).toEqual([
		[0, [at(1)]],
		[1, [at(2), at(3)]]
	]);
	isFull = true;
	expect(await keepRun(run)).toBe(false);
});
