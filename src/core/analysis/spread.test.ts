import { describe, expect, it } from 'vitest';
import { rehearseAlone } from '../testing/alone';
import { courseOf, go, planOf, repeat, right } from '../testing/sample';
import { Random } from '../random/random';
import type { TrialSummary } from '../simulation/attempt';
import { prepare, trial } from '../simulation/simulate';
import { answer, runnerOf } from './search';
import { secondsOf } from './seconds';
import { intervalOf, spread, spreadOf } from './spread';

const rehearsal = {
	plan: planOf([repeat(4, [go(0.3), right(90)])]),
	course: courseOf({ finish: { at: [0.4, 0.4], radius: 0.02 } }),
	variation: 'classroom' as const
};

describe('a spread of trials', () => {
	it('ends where whole rehearsals of the same seeds end', async () => {
		const { trials, successes, ends } = await answer(spread(20), runnerOf(rehearsal));
		const whole = trials.map(({ seed }) => rehearseAlone({ ...rehearsal, seed }));
		whole.forEach(({ trace, outcome, pathLength, bumps }, index) => {
			const { kind, seconds, ends } = trials[index]!;
			const pose = { x: trace.x.at(-1), y: trace.y.at(-1), heading: trace.heading.at(-1) };
			expect({ kind, seconds }).toEqual({ kind: outcome.kind, seconds: outcome.seconds });
			expect(ends[0]).toEqual({ id: 'robot1', pose, pathLength, height: 0, bumps: bumps.length });
		});
		const reached = whole.filter(({ outcome }) => outcome.reachedFinish).length;
		expect(successes).toBe(reached);
		expect(reached).toBeGreaterThan(0);
		expect(reached).toBeLessThan(20);
		const xs = whole.map(({ trace }) => trace.x.at(-1)!);
		expect(ends[0]!.x).toBeCloseTo(xs.reduce((sum, x) => sum + x) / 20, 12);
		expect(ends[0]!.farthest).toBeGreaterThan(ends[0]!.deviation);
	});

	it('stops between two trials when it is cancelled', async () => {
		let asked = 0;
		const signal = {
			throwIfAborted() {
				asked += 1;
				if (asked === 3) throw new Error('enough');
			}
		};
		await expect(answer(spread(50), runnerOf(rehearsal, signal))).rejects.toThrow('enough');
		expect(asked).toBe(3);
	});

	it('says where legs end as the whole rehearsal does, and ends behind one where it is told to', () => {
		const prepared = prepare(rehearsal);
		const { ends } = trial(prepared, { seed: 3, hasLegs: true });
		const whole = rehearseAlone({ ...rehearsal, seed: 3 });
		const [first] = rehearsal.plan.chains[0]!.steps;
		const [goes, turns] = first!.body!;
		const spans = whole.spans.filter(({ hasBody }) => !hasBody);
		expect(ends[0]!.legs!.map(({ stepId, round }) => [stepId, round])).toEqual(
			[1, 2, 3, 4].flatMap((round) => [
				[goes!.id, round],
				[turns!.id, round]
			])
		);
		expect(ends[0]!.legs!.map(({ to }) => to)).toEqual(spans.map(({ to }) => to));
		const until = { step: turns!.id, round: 2 };
		const { ends: cut, seconds } = trial(prepared, { seed: 3, hasLegs: true, until });
		expect(cut[0]!.legs).toEqual(ends[0]!.legs!.slice(0, 4));
		expect(seconds).toBeLessThan(0.6 * whole.outcome.seconds);
	});

	it('takes the robot to be as a trial says', () => {
		const parameters = { robot1: { wheelDifference: 0.05 } };
		const prepared = prepare(rehearsal);
		const { ends } = trial(prepared, { seed: 3, parameters });
		const { trace } = rehearseAlone({ ...rehearsal, seed: 3, parameters });
		expect(ends[0]!.pose.heading).toBe(trace.heading.at(-1));
		expect(ends[0]!.pose.heading).not.toBe(trial(prepared, { seed: 3 }).ends[0]!.pose.heading);
	});
});

describe('what many trials come to', () => {
	const summaryAt = (x: number, y: number, reachedFinish = false): TrialSummary => {
		const [from, to] = [
			{ x: 0, y: 0, heading: 0 },
			{ x, y, heading: 0 }
		];
		const legs = [{ stepId: 's', round: 1, from, to }];
		const end = { id: 'robot1', pose: to, height: 0, bumps: 0, pathLength: 0, legs };
		return { seed: 1, kind: 'ended', seconds: 1, reachedFinish, lampPosts: 0, ends: [end] };
	};

	it('has an interval as Wilson gives it', () => {
		// With 0 of n its upper end is z² / (n + z²), with all of n the lower one is n / (n + z²).
		const square = 1.96 * 1.96;
		expect(intervalOf(0, 20)).toEqual([0, expect.closeTo(square / (20 + square), 12)]);
		expect(intervalOf(20, 20)).toEqual([
			expect.closeTo(20 / (20 + square), 12),
			expect.closeTo(1, 12)
		]);
		const [low, high] = intervalOf(100, 200);
		expect((low + high) / 2).toBeCloseTo(0.5, 12);
		expect(high - low).toBeCloseTo(
			(2 * 1.96 * Math.sqrt(0.25 / 200)) / Math.sqrt(1 + square / 200),
			12
		);
		expect(intervalOf(0, 0)).toEqual([0, 1]);
	});

	it('has bands that hold half and nine tenths, along the way in which points scatter', () => {
		const chance = new Random(5);
		const turned = Math.PI / 6;
		const points = Array.from({ length: 400 }, () => {
			const [along, across] = [0.2 * chance.chance(), 0.02 * chance.chance()];
			return [
				1 + along * Math.cos(turned) - across * Math.sin(turned),
				2 + along * Math.sin(turned) + across * Math.cos(turned)
			] as const;
		});
		const { band, scatter } = spreadOf(points.map(([x, y]) => summaryAt(x, y))).ends[0]!.legs[0]!;
		expect(band.angle).toBeCloseTo(turned, 1);
		expect(scatter).toBeCloseTo(Math.hypot(0.2, 0.02), 1);
		const inside = ([long, short]: readonly [number, number]) =>
			points.filter(([x, y]) => {
				const [dx, dy] = [x - band.x, y - band.y];
				const [cos, sin] = [Math.cos(band.angle), Math.sin(band.angle)];
				return Math.hypot((dx * cos + dy * sin) / long, (dy * cos - dx * sin) / short) <= 1 + 1e-9;
			}).length;
		expect(inside(band.half)).toBe(200);
		expect(inside(band.most)).toBe(360);
		expect(band.half[0]).toBeGreaterThan(5 * band.half[1]);
	});

	it('has no band that is not a number where all end at one place, or none has run', () => {
		const { band } = spreadOf([summaryAt(1, 1), summaryAt(1, 1)]).ends[0]!.legs[0]!;
		for (const value of [...band.half, ...band.most, band.angle]) expect(value).toBeLessThan(1e-6);
		expect(spreadOf([])).toEqual({ trials: [], successes: 0, interval: [0, 1], ends: [] });
	});

	it('has bars of seconds that hold every trial, however long a few of them took', () => {
		const took = [...Array.from({ length: 99 }, (_, i) => 20 + (i % 10) * 0.1), 120];
		const trials = took.map((seconds, i) => ({ ...summaryAt(0, 0, i % 3 > 0), seconds }));
		const bins = secondsOf(trials);
		expect(bins.length).toBeGreaterThan(5);
		expect(bins.length).toBeLessThanOrEqual(16);
		expect(bins.reduce((sum, { arrived, others }) => sum + arrived + others, 0)).toBe(100);
		expect(bins.reduce((sum, { arrived }) => sum + arrived, 0)).toBe(66);
		expect(bins.at(-1)!.to).toBeLessThan(22);
		expect(secondsOf([])).toEqual([]);
	});
});
