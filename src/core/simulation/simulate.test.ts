import { describe, expect, it } from 'vitest';
import { readingsOf } from '../robots/robot';
import { skiff, skiffLite } from '../robots/skiff';
import {
	courseOf,
	go,
	lamp,
	left,
	planFor,
	planOf,
	repeat,
	right,
	step,
	tone,
	wait,
	wall
} from '../testing/sample';
import { degrees } from '../units/angles';
import { wallCorners } from '../world/walls';
import type { Plan } from '../plan/plan';
import { legsOf } from './attempt';
import type { Rehearsal } from './simulate';
import { tickRate } from '../time';
import { displayTicks, maximumInstants } from './settings';
import { rehearseAlone, type Alone } from '../testing/alone';
import { drawnOf } from '../testing/drawn';

const course = courseOf();
const square = planOf([repeat(4, [go(0.5), right(90)])]);

const rehearsed = (plan: Plan, more: Partial<Rehearsal> = {}): Alone =>
	rehearseAlone({ plan, course, variation: 'ideal', seed: 1, ...more });

const endOf = ({ trace }: Alone) => ({
	x: trace.x.at(-1)!,
	y: trace.y.at(-1)!,
	heading: trace.heading.at(-1)!
});

const closingError = (attempt: Alone) => {
	const { x, y } = endOf(attempt);
	return Math.hypot(x - attempt.trace.x[0]!, y - attempt.trace.y[0]!);
};

describe('Skiff without variation', () => {
	it.each([
		[0.6, 0.4],
		[0.01, 0.05],
		[2, 1],
		[-0.35, 0.7]
	])('goes %d m at %d within 2 mm, and ends still', (distance, speed) => {
		const attempt = rehearsed(planOf([go(distance, speed)]));
		const end = endOf(attempt);
		expect(Math.abs(end.y - 0.4 - distance)).toBeLessThan(0.002);
		expect(Math.abs(end.x - 0.4)).toBeLessThan(0.0001);
		expect(legsOf(attempt, attempt)[0]!.speedAtEnd).toBeLessThan(0.005);
	});

	it('takes as long as its trapezoid: distance / speed + speed / acceleration', () => {
		const attempt = rehearsed(planOf([go(0.6)]));
		const trapezoid = 0.6 / 0.2 + 0.2 / 0.8;
		expect(attempt.outcome.seconds).toBeGreaterThan(trapezoid);
		expect(attempt.outcome.seconds).toBeLessThan(trapezoid + 0.1);
	});

	it('closes a square', () => {
		const attempt = rehearsed(square);
		expect(closingError(attempt)).toBeLessThan(0.005);
		expect(Math.abs(degrees(endOf(attempt).heading) + 270)).toBeLessThan(0.5);
	});
});

describe('Skiff in a classroom', () => {
	it('misses the start of a square by 5 to 120 mm, differently for each seed', () => {
		const errors = Array.from({ length: 20 }, (_, seed) =>
			closingError(rehearsed(square, { variation: 'classroom', seed }))
		);
		for (const error of errors) {
			expect(error).toBeGreaterThan(0.005);
			expect(error).toBeLessThan(0.12);
		}
		expect(new Set(errors).size).toBe(20);
		expect(Math.max(...errors) - Math.min(...errors)).toBeGreaterThan(0.01);
	});

	it('gives identical bytes for the same seed', () => {
		const plan = planOf([go(1.2, 1), right(30), go(0.5)]);
		const walled = courseOf({ walls: [wall([0, 1], [2, 1.2])] });
		const bytes = () => {
			const { trace, ...rest } = rehearsed(plan, { course: walled, variation: 'worn', seed: 7 });
			const { columns: own, ...pose } = trace;
			const columns = Object.values({ ...pose, ...own }).map((column) =>
				Buffer.from(column.buffer).toString('hex')
			);
			return JSON.stringify(rest) + columns.join();
		};
		expect(bytes()).toBe(bytes());
	});

	it('has a character that stays with its name', () => {
		expect(drawnOf(skiff, 'Wick', 'classroom')).toEqual(drawnOf(skiff, 'Wick', 'classroom'));
		expect(drawnOf(skiff, 'Wick', 'classroom')).not.toEqual(drawnOf(skiff, 'Ember-6', 'classroom'));
	});

	it('drives an arc where its wheels differ: length times difference over axle', () => {
		const { wheelDifference } = drawnOf(skiff, 'Tallow', 'classroom');
		const turned = Array.from({ length: 20 }, (_, seed) => {
			const { trace } = rehearsed(planOf([go(1)]), { variation: 'classroom', seed });
			return trace.heading.at(-1)! - trace.heading[0]!;
		});
		const mean = turned.reduce((sum, angle) => sum + angle, 0) / turned.length;
		expect(mean).toBeCloseTo(wheelDifference! / 0.112, 2);
	});
});

describe('walls', () => {
	/** How far any corner of the one polygon is inside the other, metres. */
	function depthInside(
		points: readonly (readonly [number, number])[],
		polygon: [number, number][]
	) {
		return Math.max(
			...points.map(([x, y]) =>
				Math.min(
					...polygon.map(([x1, y1], index) => {
						const [x2, y2] = polygon[(index + 1) % polygon.length]!;
						return ((x2 - x1) * (y - y1) - (y2 - y1) * (x - x1)) / Math.hypot(x2 - x1, y2 - y1);
					})
				)
			)
		);
	}

	it.each(Array.from({ length: 36 }, (_, index) => index * 10))(
		'keep the outline out at full speed, bearing %d',
		(bearing) => {
			const barrier = wall([0, 0.5], [3, 0.5], 0.02);
			const post = wall([1.5, -0.4], [1.5, -0.35], 0.01);
			const attempt = rehearsed(planOf([go(2, 1), right(90), go(0.6, 1), left(200), go(1, 1)]), {
				course: courseOf({ starts: [{ at: [1.5, 0], bearing }], walls: [barrier, post] }),
				seed: bearing
			});
			const { x, y, heading } = attempt.trace;
			let deepest = -Infinity;
			for (let i = 0; i < x.length; i++) {
				const cos = Math.cos(heading[i]!);
				const sin = Math.sin(heading[i]!);
				const outline = skiff.outline.map(([a, b]): [number, number] => [
					x[i]! + a * cos - b * sin,
					y[i]! + a * sin + b * cos
				]);
				for (const corners of [barrier, post].map(
					(each) => [...wallCorners(each)] as [number, number][]
				)) {
					const depth = Math.max(depthInside(outline, corners), depthInside(corners, outline));
					deepest = Math.max(deepest, depth);
				}
			}
			expect(deepest).toBeLessThan(0.001);
		}
	);

	it('stop a car that meets one head on, and the step is named', () => {
		const attempt = rehearsed(planOf([lamp('#ff0000'), wait(0.2), go(1)]), {
			course: courseOf({ walls: [wall([0, 1], [2, 1])] }),
			variation: 'classroom',
			seed: 3
		});
		expect(attempt.outcome.kind).toBe('halted');
		expect(attempt.outcome.reason).toEqual({
			key: 'outcome.stoppedBy.wall',
			values: { number: 3 }
		});
		expect(attempt.bumps).toMatchObject([{ number: 3 }]);
		expect(endOf(attempt).y).toBeCloseTo(0.99 - 0.08, 2);
	});

	it('are slid along when met at a small angle', () => {
		const attempt = rehearsed(planOf([go(1.4, 0.6)]), {
			course: courseOf({
				starts: [{ at: [0.3, 0.3], bearing: 10 }],
				walls: [wall([0.42, 0], [0.42, 3])]
			})
		});
		expect(attempt.outcome.kind).toBe('ended');
		expect(degrees(endOf(attempt).heading)).toBeGreaterThan(84);
		expect(endOf(attempt).y).toBeGreaterThan(1.5);
	});
});

describe('an attempt', () => {
	it('counts lamp posts in their order only, where they have one', () => {
		const far = { id: 'far', at: [0.4, 1] as [number, number], reach: 0.1 };
		const near = { id: 'near', at: [0.4, 0.7] as [number, number], reach: 0.1 };
		const lit = (lampPosts: (typeof far)[], isInOrder: boolean) =>
			rehearsed(planOf([go(0.6)]), {
				course: courseOf({ lampPosts, isInOrder })
			}).outcome.lampPosts.map(({ id }) => id);
		expect(lit([far, near], false)).toEqual(['near', 'far']);
		expect(lit([near, far], true)).toEqual(['near', 'far']);
		// What was passed before it was its turn does not count.
		expect(lit([far, near], true)).toEqual(['far']);
	});

	it('records lamp, tones, legs, lamp posts and the finish', () => {
		const attempt = rehearsed(planOf([lamp('#20c0ff'), tone(440, 0.5), go(0.5), lamp('#000000')]), {
			course: courseOf({
				finish: { at: [0.4, 0.9], radius: 0.1 },
				lampPosts: [
					{ id: 'a', at: [0.5, 0.6], reach: 0.15 },
					{ id: 'b', at: [1.5, 0.6], reach: 0.15 }
				]
			}),
			variation: 'classroom',
			seed: 5
		});
		expect(attempt.outcome).toMatchObject({ kind: 'finished', reachedFinish: true });
		expect(attempt.outcome.lampPosts.map((post) => post.id)).toEqual(['a']);
		expect(attempt.tones).toEqual([{ time: 0, pitch: 440, length: 0.5, volume: 0.6 }]);
		expect(attempt.trace.columns.leftLamp![10]).toBe(0x20c0ff);
		expect(attempt.trace.columns.rightLamp!.at(-1)).toBe(0);
		const legs = legsOf(attempt, attempt);
		expect(legs.map((leg) => leg.number)).toEqual([2, 3]);
		expect(legs[1]!.from).toEqual(legs[0]!.to);
		expect(attempt.pathLength).toBeCloseTo(0.5, 1);
	});

	it('keeps every tick for a minute and fewer after', () => {
		const { trace } = rehearsed(planOf([wait(90)]));
		expect(trace.time.length).toBe(60 * 120 + 1 + 30 * 10);
		expect(trace.time.at(-1)).toBe(90);
	});
});

describe('what is recorded', () => {
	const plan = planOf([
		repeat(300, [step('set', { variable: 'n', value: { expression: 'brightness' } })]),
		lamp('#38d39f'),
		go(0.3)
	]);
	const input = { plan, course, variation: 'worn', seed: 5 } as const;
	const attempt = rehearseAlone(input);

	it('a busy step does not hide the others', () => {
		const kinds = attempt.spans.map(({ kind }) => kind);
		expect(kinds.filter((kind) => kind === 'set')).toHaveLength(maximumInstants);
		expect(kinds).toContain('lamp');
		expect(kinds).toContain('go');
	});

	it('somebody who watches changes nothing, and sees what the plan does not read', () => {
		const { unread, runs, ...watched } = rehearseAlone({ ...input, isWatched: true });
		expect(runs).toHaveLength(1);
		expect({ ...watched, unread: {}, runs: attempt.runs }).toEqual(attempt);
		expect(Object.keys(attempt.sensed)).toEqual(['brightness']);
		expect(Object.keys({ ...watched.sensed, ...unread }).toSorted()).toEqual(
			[...readingsOf(skiff)].toSorted()
		);
		const { time, battery } = unread;
		expect(time).toHaveLength(Math.floor(attempt.ticks / displayTicks) + 1);
		expect(time![10]).toBeCloseTo((10 * displayTicks) / tickRate, 9);
		expect(battery!.at(-1)).toBeLessThan(battery![0]!);
	});

	it('a robot without a gyro and counters shows none', () => {
		const lite = planFor(skiffLite, plan);
		const { unread } = rehearseAlone({ ...input, plan: lite, isWatched: true });
		expect(unread).not.toHaveProperty('heading');
		expect(unread).toHaveProperty('tilt');
	});
});
