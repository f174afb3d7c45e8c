/** What a page knows of robots, by what the worker tells it. */
import { beforeEach, expect, it, vi } from 'vitest';
import type { Greeting } from '$core/link/frames';
import type { Watcher } from '$workers/live';
import { Robots } from './robots.svelte';

let watcher: Watcher;
const service = { connect: vi.fn(), letGo: vi.fn() };
vi.mock('./radio', () => ({
	radio: (told: Watcher) => {
		watcher = told;
		return service;
	}
}));

const greeting = { id: 'tallow', name: 'Tallow', kind: 'skiff' } as Greeting;
const paired = { phase: 'paired', greeting, token: 'ab', odd: [] } as const;
const ready = { id: 'tallow', name: 'Tallow', state: 'ready', signal: 1 } as never;

beforeEach(() => {
	vi.useFakeTimers();
	vi.stubGlobal('localStorage', { getItem: () => null, setItem() {}, removeItem() {} });
	vi.clearAllMocks();
});

function opened(): Robots {
	const robots = new Robots();
	robots.open({ id: 'maren', name: 'Maren' });
	return robots;
}

it('a robot that was given up does not come back by what was said of it before', () => {
	const robots = opened();
	robots.connect('tallow');
	robots.forget('tallow');
	watcher.link('tallow', paired);
	watcher.battery('tallow', 0.5, false);
	expect([robots.links, robots.mine, robots.paired]).toEqual([{}, [], []]);
	robots.connect('tallow');
	watcher.link('tallow', paired);
	expect([robots.mine.map(({ id }) => id), robots.paired]).toEqual([['tallow'], [greeting]]);
});

it('one that is awaited is asked for once it is free, and only then', () => {
	const robots = opened();
	robots.await('tallow');
	watcher.near({ ...(ready as object), state: 'busy' } as never);
	expect(service.connect).not.toHaveBeenCalled();
	watcher.near(ready);
	watcher.near(ready);
	expect(service.connect).toHaveBeenCalledTimes(1);
	expect(robots.links.tallow?.state.phase).toBe('connecting');
	vi.advanceTimersByTime(4000);
	expect(robots.advertOf('tallow')).toBeUndefined();
});
