/** What a workbench does with real robots, by what the worker of links tells and is asked. */
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Greeting } from '$core/link/frames';
import type { LiveNews } from '$core/live/live-news';
import { sampleRobot } from '$core/robots/robot-document';
import { ball } from '$core/robots/ball';
import { skiff } from '$core/robots/skiff';
import type { RobotKind } from '$core/robots/robot';
import { courseOf, go, planFor, planOf } from '$core/testing/sample';
import { robots } from '$lib/robots/robots.svelte';
import type { Watcher } from '$workers/live';
import type { LiveStand } from './live-stand';
import { LiveDesk } from './live-desk.svelte';

const told = vi.hoisted(() => ({ watcher: undefined as unknown }));
const service = vi.hoisted(() => ({
	...{ connect: vi.fn(), letGo: vi.fn(), send: vi.fn(), order: vi.fn(), halt: vi.fn() },
	...{ run: vi.fn(), goOn: vi.fn() }
}));
vi.mock('$lib/robots/radio', () => ({
	radio: (watcher: unknown) => {
		told.watcher = watcher;
		return service;
	}
}));

/** A plan's desk, before which a robot of its kind has paired. */
function deskWith(kind: RobotKind = skiff) {
	const said: string[] = [];
	const voice = { announce: (text: string) => said.push(text), refuse: vi.fn() };
	const runs = {
		beginLive: vi.fn(),
		endLive: vi.fn(),
		follow: vi.fn(),
		outcome: { text: 'Over.' }
	};
	const plan = planFor(kind, planOf([go(0.3)]));
	const bench = {
		...{ plan, course: courseOf(), courseId: 'quay', variation: 'ideal', voice, runs },
		...{ player: { attempt: null }, robot: plan.robots[0], saver: { id: 'plan' } },
		...{ arrived: Promise.resolve(), leaves: { opened: {} } }
	};
	const live = new LiveDesk(bench as unknown as LiveStand, { id: 'maren', name: 'Maren' });
	const watcher = told.watcher as Watcher;
	const greeting: Greeting = {
		...{ type: 'greeting', version: 3, id: 'tallow', firmware: '1', proof: '' },
		...{ ...sampleRobot(kind), devices: kind.devices.map(({ id }) => id) }
	};
	robots.connect('tallow');
	watcher.link('tallow', { phase: 'paired', greeting, token: 'ab', odd: [] });
	const missing = () => live.needs.map(({ key }) => key.split(' ')[1]);
	return { live, watcher, runs, bench, said, missing };
}

const outcome = (key: string) => ({ status: 'completed', reason: { key, values: {} } }) as const;
const news = (key: string, more: Partial<LiveNews> = {}): LiveNews =>
	({
		...{ time: 1, age: 0, runs: [], spans: [], open: [], log: [], notes: [] },
		...{ outcome: outcome(key), ...more }
	}) as unknown as LiveNews;
/** As the run's worker tells it. */
const tell = (each: LiveNews) => (service.run.mock.lastCall![1] as (news: LiveNews) => void)(each);

beforeEach(() => {
	vi.useFakeTimers();
	vi.clearAllMocks();
	vi.stubGlobal('localStorage', { getItem: () => null, setItem() {}, removeItem() {} });
	service.run.mockResolvedValue(true);
});
afterEach(() => {
	robots.forget('tallow');
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

it('asks for what is missing, tells the robot where it stands, and runs what was asked for', async () => {
	const { live, runs, missing } = deskWith();
	await live.run('square');
	expect([live.isAsked, missing(), service.run.mock.calls]).toEqual([true, ['place'], []]);
	live.setPlaced('tallow');
	await live.runAsked();
	expect([live.isAsked, live.isRunning]).toEqual([false, true]);
	const [request] = service.run.mock.lastCall!;
	expect(request).toMatchObject({ planId: 'plan', robots: ['tallow'], only: 'square' });
	expect(service.send.mock.lastCall).toMatchObject(['tallow', { type: 'lineUp' }]);
	tell(news('outcome.running'));
	expect([live.isRunning, runs.follow.mock.lastCall![1]]).toEqual([true, false]);
	tell(news('outcome.ended'));
	expect([live.isRunning, runs.follow.mock.lastCall![1]]).toEqual([false, true]);
	expect(missing()).toEqual([]);
});

it('a robot that was lost on its way has to be set back, one on another course set down', async () => {
	const { live, bench, missing } = deskWith();
	live.setPlaced('tallow');
	await live.run();
	tell(news('outcome.lost'));
	expect([live.wasLost, missing()]).toEqual([true, ['setBack']]);
	live.setPlaced('tallow');
	await live.run();
	tell(news('outcome.ended'));
	expect(live.wasLost).toBe(false);
	bench.courseId = 'loft';
	live.isAsked = false;
	await live.run();
	expect(live.isAsked).toBe(true);
});

it.each([
	['is not there any more', () => Promise.resolve(false), undefined],
	['makes no sense to whoever runs it', () => Promise.reject(new Error('no')), 'live.cannotBegin']
])('nothing runs of what %s', async (_, run, sentence) => {
	const { live, runs, said } = deskWith();
	live.setPlaced('tallow');
	service.run.mockImplementation(run);
	await live.run();
	expect([live.isRunning, live.isAsked, runs.endLive.mock.calls.length]).toEqual([false, true, 1]);
	expect(said.length).toBe(sentence ? 1 : 0);
});

it('halting is said of a run only, and whoever leaves the desk halts it', async () => {
	const { live, said } = deskWith();
	expect([live.halt(), live.halts, service.halt.mock.calls.length, said]).toEqual([
		false,
		1,
		1,
		[]
	]);
	live.setPlaced('tallow');
	await live.run();
	expect([live.halt(), said.length]).toEqual([true, 1]);
	live.dispose();
	expect(service.halt).toHaveBeenCalledTimes(3);
});

it('a ball is lined up: it is told which way it went, and turns to where it should point', async () => {
	const { live, bench, missing } = deskWith(ball);
	const { robot } = live.roles[0]!;
	live.setPlaced('tallow');
	expect(missing()).toEqual(['lineUp']);
	live.lineUp(robot!);
	expect([live.isSteered, live.isTurnedByHand(bench.robot!.id)]).toEqual([true, false]);
	const { at } = live.startOf(robot!);
	live.point(at[0] + 1, at[1]);
	live.finishLining(robot!);
	expect(service.send.mock.lastCall).toMatchObject(['tallow', { at: { bearing: 90 } }]);
	expect(service.order.mock.lastCall![1]).toMatchObject({ name: 'turnTo' });
	expect([missing(), live.isSteered]).toEqual([[], false]);
});

it('a run that the robot makes by itself is followed from its first news to its last', () => {
	const { live, watcher, runs } = deskWith();
	const first = news('outcome.running', { runs: [{ from: 0 }] as never });
	watcher.journal('tallow', 'another plan', first, false);
	expect(runs.follow).not.toHaveBeenCalled();
	watcher.journal('tallow', 'plan', news('outcome.running'), false);
	expect([live.isRunning, runs.follow.mock.calls.length]).toEqual([true, 1]);
	watcher.journal('tallow', 'plan', news('outcome.ended'), true);
	expect([live.isRunning, runs.follow.mock.lastCall![1]]).toEqual([false, true]);
});
