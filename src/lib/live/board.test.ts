import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { planHistory } from '$core/plan/history';
import { go, planOf } from '$core/testing/sample';
import { Desk } from '$lib/desk/desk.svelte';
import { Voice } from '$lib/desk/voice.svelte';
import { robots } from '$lib/robots/robots.svelte';
import '$lib/robots/words';
import { BoardHand } from './board.svelte';
import { BoardThings } from './board-things.svelte';
import type { LiveDesk } from './live-desk.svelte';

vi.mock('$lib/robots/robots.svelte', () => ({
	robots: { press: vi.fn(), set: vi.fn(), order: vi.fn() }
}));

function liveDesk() {
	const plan = planOf([go(0.3)]);
	const desk = new Desk(plan, planHistory, new Voice(), { changed: () => {}, save: () => {} });
	const live = {
		isRunning: false,
		roles: [],
		launch: vi.fn(() => Promise.resolve((live.isRunning = true))),
		halt: vi.fn(() => (live.isRunning = false)),
		isReady: () => false,
		bench: {
			desk,
			variation: 'ideal',
			get plan() {
				return desk.document;
			}
		}
	};
	return live as unknown as LiveDesk & typeof live;
}

beforeEach(() => {
	vi.useFakeTimers();
	vi.clearAllMocks();
});
afterEach(() => vi.useRealTimers());

it('lays things, puts them in order, names them and takes them away, and each can be undone', () => {
	const live = liveDesk();
	const things = new BoardThings(() => live.bench);
	for (const type of ['button', 'stick', 'slider'] as const) things.add(type);
	// There is no variable that a slider could set.
	expect(things.list.map(({ type }) => type)).toEqual(['button', 'stick']);
	const [button, stick] = things.list;
	things.move(stick!.id, 0);
	things.move(stick!.id, -1);
	things.change(button!.id, { label: 'Out to the lamp' });
	expect(things.list.map((thing) => things.nameOf(thing))).toEqual(['Stick', 'Out to the lamp']);
	things.remove(stick!.id);
	expect(things.list).toHaveLength(1);
	live.bench.desk.undo();
	expect(things.list).toHaveLength(2);
});

it('begins with the first press, tells the variables first, and halts when it works with something else', async () => {
	const live = liveDesk();
	const hand = new BoardHand(live);
	const slider = { type: 'slider', id: 's', variable: 'n', from: 0, to: 10 } as const;
	await hand.slide(slider, 4);
	await hand.press({ type: 'button', id: 'b', chain: 'c', label: '' });
	expect(live.launch).toHaveBeenCalledTimes(1);
	expect(vi.mocked(robots.set).mock.calls).toEqual([
		['n', 4],
		['n', 4]
	]);
	expect(robots.press).toHaveBeenCalledWith('c');
	hand.use(false);
	expect(live.halt).toHaveBeenCalledTimes(1);
	// No robot is ready: nothing is pressed.
	await hand.press({ type: 'button', id: 'b', chain: 'c', label: '' });
	expect(robots.press).toHaveBeenCalledTimes(1);
});

it('orders no more often than a robot can follow, and the last one always', async () => {
	const hand = new BoardHand(liveDesk());
	const stick = { type: 'stick', id: 's' } as const;
	for (let i = 1; i <= 20; i++) {
		void hand.pull(stick, 0, i / 20);
		await vi.advanceTimersByTimeAsync(10);
	}
	void hand.pull(stick, 0, 0);
	await vi.advanceTimersByTimeAsync(200);
	const { calls } = vi.mocked(robots.order).mock;
	expect(calls.length).toBeGreaterThan(1);
	expect(calls.length).toBeLessThanOrEqual(5);
	expect(calls.at(-1)![1].values).toEqual({ isCoasting: false });
});
