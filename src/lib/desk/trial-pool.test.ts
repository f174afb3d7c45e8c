import { describe, expect, it, vi } from 'vitest';
import type { TrialSummary } from '$core/simulation/attempt';
import type { Rehearsal, Trial } from '$core/simulation/simulate';
import { TrialPool, type TrialHand } from './trial-pool';

const rehearsalOf = (name: string) => ({ plan: { name } }) as unknown as Omit<Rehearsal, 'seed'>;
const summaryOf = ({ seed }: Trial) => ({ seed }) as TrialSummary;
const seeds = (count: number): Trial[] => Array.from({ length: count }, (_, seed) => ({ seed }));

/** Hands that work when they are told to, one batch each. */
function workshop() {
	const waiting: { trials: readonly Trial[]; done: (reason?: Error) => void }[] = [];
	const told: string[] = [];
	let ended = 0;
	const spawn = (): TrialHand => {
		let opened = '';
		return {
			open: async ({ plan }) => void (opened = plan.name),
			run: (trials) =>
				new Promise((answer, fail) => {
					told.push(`${opened} ${trials.map(({ seed }) => seed).join(' ')}`);
					const done = (reason?: Error) => (reason ? fail(reason) : answer(trials.map(summaryOf)));
					waiting.push({ trials, done });
				}),
			pull: () => Promise.reject(new Error('nobody pulls')),
			end: () => void (ended += 1)
		};
	};
	const settle = () => new Promise((done) => setImmediate(done));
	return {
		spawn,
		told,
		settle,
		get ended() {
			return ended;
		},
		/** Whoever works is done. */
		async step(reason?: Error) {
			await settle();
			for (const { done } of waiting.splice(0)) done(reason);
			await settle();
		}
	};
}

describe('a pool of trials', () => {
	it('answers in the order of the trials, and tells of some before', async () => {
		const shop = workshop();
		const some: number[] = [];
		const { answer } = new TrialPool(shop.spawn, 2).ask(rehearsalOf('a'), seeds(30), {
			onSome: (found) => some.push(found.length)
		});
		for (let i = 0; i < 30; i++) await shop.step();
		expect((await answer)?.map(({ seed }) => seed)).toEqual(seeds(30).map(({ seed }) => seed));
		expect(shop.told.slice(0, 2)).toEqual(['a 0', 'a 1']);
		expect(some[0]).toBe(1);
		expect(some.at(-1)).toBe(30);
	});

	it('takes what a finger waits for before the rest', async () => {
		const shop = workshop();
		const pool = new TrialPool(shop.spawn, 1);
		const slow = pool.ask(rehearsalOf('table'), seeds(40));
		await shop.settle();
		const urgent = pool.ask(rehearsalOf('finger'), seeds(1), { isUrgent: true });
		await shop.step();
		await shop.step();
		expect((await urgent.answer)?.length).toBe(1);
		expect(shop.told[1]).toBe('finger 0');
		for (let i = 0; i < 40; i++) await shop.step();
		expect((await slow.answer)?.length).toBe(40);
	});

	it('ends the worker of a long trial that is not wanted any more, and goes on with another', async () => {
		const shop = workshop();
		const pool = new TrialPool(shop.spawn, 1);
		const { answer, stop } = pool.ask(rehearsalOf('long'), seeds(5));
		await shop.settle();
		vi.useFakeTimers({ toFake: ['setTimeout'] });
		stop();
		expect(await answer).toBeNull();
		const next = pool.ask(rehearsalOf('next'), seeds(1));
		expect(shop.ended).toBe(0);
		vi.advanceTimersByTime(100);
		vi.useRealTimers();
		expect(shop.ended).toBe(1);
		await shop.step();
		await shop.step();
		expect((await next.answer)?.length).toBe(1);
		expect(shop.told.at(-1)).toBe('next 0');
	});

	it('says why where a worker fails, and ends what is open when it is closed', async () => {
		const shop = workshop();
		const pool = new TrialPool(shop.spawn, 1);
		const failing = pool.ask(rehearsalOf('a'), seeds(2));
		const refused = expect(failing.answer).rejects.toThrow('no such thing');
		await shop.step(new Error('no such thing'));
		await refused;
		const open = pool.ask(rehearsalOf('b'), seeds(2));
		pool.close();
		expect(await open.answer).toBeNull();
		expect(await pool.ask(rehearsalOf('c'), []).answer).toEqual([]);
	});
});
