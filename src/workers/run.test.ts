import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { LinkPort } from '../core/link/link-port';
import type { LiveNews } from '../core/live/live-news';
import { skiff } from '../core/robots/skiff';
import { courseOf, go, planOf, wait } from '../core/testing/sample';
import { RunInProgress, type RunRequest } from './run';

const kept = vi.hoisted(() => ({ news: [] as unknown[], isLast: false }));
vi.mock('./kept', () => ({
	NewsWriter: class {
		add(news: unknown, isLast: boolean) {
			kept.news.push(news);
			kept.isLast = isLast;
		}
	}
}));

/** A run of the model, or of a robot that never says anything. */
function runOf(more: Partial<RunRequest>) {
	const news: LiveNews[] = [];
	const over = vi.fn();
	const request: RunRequest = {
		...{ id: 'run', planId: 'plan', courseId: null, at: 0, robots: ['tallow'] },
		...{ plan: planOf([wait(0.5), go(0.2)]), course: courseOf(), ...more }
	};
	const run = new RunInProgress(request, {
		portFor: (_, ofModel) => ofModel ?? new LinkPort(skiff.devices, () => {}),
		news: (each) => news.push(each),
		unkept: () => {},
		over
	});
	return { run, news, over };
}

beforeEach(() => {
	vi.useFakeTimers();
	Object.assign(kept, { news: [], isLast: false });
});
afterEach(() => vi.useRealTimers());

it('runs the model to its end in its own time, tells of it, and keeps nothing of it', async () => {
	const { run, news, over } = runOf({ model: { variation: 'ideal', seed: 1 } });
	run.begin();
	await vi.advanceTimersByTimeAsync(400);
	expect(news.at(-1)!.outcome.reason.key).toBe('outcome.running');
	expect(news.length).toBeLessThan(400 / 60 + 3);
	await vi.advanceTimersByTimeAsync(10_000);
	expect(over).toHaveBeenCalledTimes(1);
	expect(news.at(-1)!.outcome.reason.key).not.toBe('outcome.running');
	expect(news.at(-1)!.time).toBeGreaterThan(1);
	expect(kept.news).toEqual([]);
	const told = news.length;
	await vi.advanceTimersByTimeAsync(1000);
	expect(news).toHaveLength(told);
});

it.each([
	['a robot that is lost', (run: RunInProgress) => run.lost('tallow'), 'outcome.lost'],
	['nobody who watches any more', (run: RunInProgress) => run.leave(), 'outcome.halted']
])('ends at once with %s, and what was heard is kept', async (_, end, key) => {
	const { run, news, over } = runOf({});
	run.begin();
	await vi.advanceTimersByTimeAsync(300);
	end(run);
	expect(over).toHaveBeenCalledTimes(1);
	expect(news.at(-1)!.outcome.reason.key).toBe(key);
	expect(kept.isLast).toBe(true);
	expect(kept.news).toHaveLength(news.length);
});

it('is not ended by the loss of a robot that does not take part', () => {
	const { run, over } = runOf({});
	run.begin();
	run.lost('wick');
	expect(over).not.toHaveBeenCalled();
	run.leave();
});
