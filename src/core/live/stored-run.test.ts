import { describe, expect, it } from 'vitest';
import { Happenings } from '../devices/happenings';
import { Reckoner } from '../link/reckoner';
import { skiff } from '../robots/skiff';
import { Random } from '../random/random';
import { courseOf, go, planOf, repeat, right, step, wait } from '../testing/sample';
import { standingSkiff } from '../testing/standing';
import { LiveRecord, type LiveNews } from './live-news';
import { readNews, writeNews } from './news-text';
import { Store } from './stored-run';

const course = courseOf({ starts: [{ at: [0.5, 0.4], bearing: 0 }] });
const stored = {
	type: 'store',
	place: 2,
	planId: 'p1',
	plan: planOf([go(0.3), right(90)]),
	courseId: 'quay',
	course,
	owner: 'Maren'
} as const;

/** A robot that holds plans, as it stands on a floor. */
function holding(seed = 1) {
	const dice = new Random(seed);
	const { stage, machine } = standingSkiff(course);
	stage.begin();
	const reckoner = new Reckoner(machine, skiff.devices);
	const store = new Store('tallow', () => dice.between(0, 1));
	const pass = (seconds: number) => {
		const until = stage.time + seconds;
		while (stage.time < until) {
			stage.advance();
			reckoner.advance();
			store.tick(stage.time);
		}
	};
	const start = (place: number) =>
		store.start(place, {
			kind: skiff,
			machine,
			happened: new Happenings(),
			reckoner,
			holds: () => true
		});
	return { store, pass, start, pose: stage.crew[0]!.pose };
}

const attemptOf = (news: readonly unknown[]) => {
	const record = new LiveRecord();
	return news.map((each) => record.add(readNews(each)!)).at(-1)!;
};

describe('a plan on the robot', () => {
	it('runs by itself, and the whole attempt waits until somebody comes for it', () => {
		const { store, pass, start, pose } = holding();
		expect(start(2)).toBe(false);
		store.put(stored);
		expect(store.list).toEqual([{ place: 2, name: stored.plan.name, owner: 'Maren' }]);
		// The robot has been on for a while, so that its clock is not that of the run.
		pass(7);
		expect(start(2)).toBe(true);
		pass(6);
		expect(store.isRunning).toBe(false);
		const entries = store.fetch();
		expect(entries.map(({ part }) => part)).toEqual(entries.map((_, index) => index + 1));
		expect([entries[0]!.plan, entries[1]!.plan]).toEqual([stored.plan, undefined]);
		expect(entries.map(({ isLast }) => isLast).lastIndexOf(true)).toBe(entries.length - 1);
		expect(entries[0]!.ago).toBeCloseTo(6, 1);
		const { spans, runs, outcome } = attemptOf(entries.map(({ news }) => news));
		expect(spans.map(({ kind }) => kind)).toEqual(['go', 'turn']);
		expect(outcome.reason.key).toBe('outcome.over');
		expect(runs[0]!.trace.x.at(-1)).toBeCloseTo(pose.x, 2);
		expect(runs[0]!.trace.y.at(-1)).toBeCloseTo(0.7, 2);
		expect(store.fetch()).toEqual([]);
	});

	it('throws dice of its own', () => {
		const log = step('log', { value: { expression: 'random(1, 6)' } });
		const plan = planOf([repeat(20, [log, wait(0.05)])]);
		const thrown = (seed: number) => {
			const { store, pass, start } = holding(seed);
			store.put({ ...stored, plan });
			start(2);
			pass(4);
			return attemptOf(store.fetch().map(({ news }) => news)).log.map(({ value }) => value);
		};
		expect(new Set(thrown(1)).size).toBeGreaterThan(3);
		expect(thrown(1)).not.toEqual(thrown(2));
	});

	it('is halted, erased, and only the newest three runs are kept', () => {
		const { store, pass, start } = holding();
		store.put(stored);
		for (let i = 0; i < 5; i++) {
			start(2);
			pass(0.5);
			store.halt();
		}
		const entries = store.fetch();
		expect(new Set(entries.map(({ run }) => run)).size).toBe(3);
		const last = entries.at(-1)!;
		expect(readNews(last.news)!.outcome.kind).toBe('halted');
		store.erase(2);
		expect([store.list, start(2)]).toEqual([[], false]);
	});
});

describe('news of a run as text', () => {
	it('come back as they were, with what is not known', () => {
		const { store, pass, start } = holding();
		store.put(stored);
		start(2);
		pass(1);
		store.halt();
		const news: LiveNews = readNews(store.fetch()[0]!.news)!;
		const odd = {
			...news,
			runs: news.runs.map((run) => ({ ...run, sensed: { battery: Float64Array.of(NaN, 0.5) } }))
		};
		const back = readNews(JSON.parse(JSON.stringify(writeNews(odd))));
		expect(back!.runs[0]!.sensed.battery).toEqual(Float64Array.of(NaN, 0.5));
		expect(back!.runs[0]!.trace.y).toEqual(news.runs[0]!.trace.y);
	});

	it.each([null, {}, { time: 1 }, { ...{ time: 'late' } }])('%j is none', (value) => {
		expect(readNews(value)).toBeUndefined();
	});
});
