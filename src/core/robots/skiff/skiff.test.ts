import { describe, expect, it } from 'vitest';
import type { Course } from '../../course/course';
import { tick } from '../../time';
import { rehearseAlone } from '../../testing/alone';
import { checkPlan } from '../../checks';
import { initialValues } from '../../steps/catalogue';
import type { Values } from '../../steps/definition';
import { courseOf, go, planOf, points, step, wait, wall } from '../../testing/sample';
import type { Variation } from '../robot';
import { arrivedSpeed, mass, motorLag, rollingDrag } from './settings';

const make = (kind: string, values: Values = {}) =>
	step(kind, { ...initialValues(kind), ...values });
const read = (expression: string) => make('log', { value: { expression } });
const run = (
	steps: ReturnType<typeof make>[],
	course: Course = courseOf(),
	variation: Variation = 'ideal'
) => rehearseAlone({ plan: planOf(steps), course, variation, seed: 1, limit: 30 });
const logged = (...input: Parameters<typeof run>) => run(...input).log.map(({ value }) => value);

describe('stopping', () => {
	const speed = 0.2;
	const stopped = (ending: string) =>
		run([make('start', { speed: 0.4 }), wait(2), make('stop', { ending })]);
	const wayAfterStop = (ending: string) => {
		const { trace } = stopped(ending);
		const at = trace.time.findIndex((time) => time >= 2);
		return trace.y.at(-1)! - trace.y[at]!;
	};

	it('by rolling out takes v²/2a', () => {
		const wanted = speed ** 2 / (2 * rollingDrag);
		expect(Math.abs(wayAfterStop('coast') - wanted)).toBeLessThan(speed * tick);
	});

	it('by braking takes v times the lag of the motors', () => {
		// Less the way of one tick, and what is left when it counts as still.
		const near = speed * tick + arrivedSpeed * motorLag;
		expect(Math.abs(wayAfterStop('brake') - speed * motorLag)).toBeLessThan(near);
	});
});

describe('an arc', () => {
	it('bends as told at any power, with a full battery and with one that is nearly flat', () => {
		const floor = courseOf({ size: { width: 9, height: 9 } });
		for (const speed of [0.5, 0.95, 1])
			for (const radius of [0.2, 3]) {
				const { trace } = run([make('arc', { radius, angle: 90, speed })], floor);
				expect(Math.abs(trace.x.at(-1)! - trace.x[0]! - radius), `${speed}`).toBeLessThan(0.001);
				expect(Math.abs(trace.y.at(-1)! - trace.y[0]! - radius), `${speed}`).toBeLessThan(0.001);
			}
	});
});

describe('a crate', () => {
	const course = (kilograms: number) =>
		courseOf({
			crates: [{ id: 'k', at: [0.4, 0.9], bearing: 0, width: 0.2, depth: 0.2, mass: kilograms }]
		});

	it('that is too heavy for its motors stays where it is, and is said to be what stopped it', () => {
		const { crates, outcome } = run([go(1)], course(1));
		const at = (time: number) => crates[0]!.moments.findLast((one) => one.time <= time)!.y;
		// Hit at 0.2 m/s both go on together, against friction and with the push of the motors, 1 N.
		const together = (0.2 * mass) / (mass + 1);
		const slowing = (0.3 * 9.81 - (mass * 0.2) / motorLag) / (mass + 1);
		expect(Math.abs(at(2.4) - 0.9 - together ** 2 / (2 * slowing))).toBeLessThan(0.0003);
		expect(at(60) - at(2.4)).toBeLessThan(1e-5);
		expect(outcome).toMatchObject({
			kind: 'halted',
			reason: { key: 'outcome.stoppedBy.crate', values: { number: 1 } }
		});
	});

	it('that is light is pushed along, and slides no further than friction lets it', () => {
		const { crates, trace } = run([go(0.6, 1)], course(0.1));
		const last = crates[0]!.moments.at(-1)!;
		const gap = last.y - 0.1 - (trace.y.at(-1)! + 0.08);
		expect(last.y).toBeGreaterThan(1);
		expect(gap).toBeLessThan(0.5 ** 2 / (2 * 0.3 * 9.81));
	});
});

describe('a move that is stuck', () => {
	const course = courseOf({ walls: [wall([0, 1], [2, 1])] });
	const ifStuck = (then: string) => make('ifStuck', { after: 1.5, then });

	it('ends the plan, or is given up after the time that was told, and the plan goes on', () => {
		expect(run([go(1), go(-0.2)], course).outcome.kind).toBe('halted');
		const { spans, notes, outcome, trace } = run([ifStuck('goOn'), go(1), go(-0.2)], course);
		expect(outcome.kind).toBe('ended');
		expect(notes[0]!.sentence).toEqual({ key: 'note.refused.gaveUp', values: { number: 2 } });
		const stuckAt = trace.time.find((_, i) => trace.y[i]! > 1 - 0.01 - 0.08 - 0.003)!;
		expect(spans[1]!.end - stuckAt).toBeGreaterThan(1.5);
		expect(spans[1]!.end - stuckAt).toBeLessThan(2);
		expect(trace.y.at(-1)).toBeCloseTo(1 - 0.01 - 0.08 - 0.2, 1);
		const back = [ifStuck('goOn'), ifStuck('endPlan'), go(1), go(-0.2)];
		expect(run(back, course).outcome.kind).toBe('halted');
	});
});

describe('a start mark in a wall', () => {
	const course = courseOf({ walls: [wall([0, 0.41], [1, 0.41], 0.05)] });

	it('has no room: that is said, and nothing moves', () => {
		const { outcome, trace } = run([go(1)], course);
		expect(outcome).toMatchObject({ kind: 'halted', seconds: 0 });
		expect(outcome.reason).toEqual({ key: 'outcome.noRoom', values: { name: 'Tallow' } });
		expect([trace.x.at(-1), trace.y.at(-1)]).toEqual([0.4, 0.4]);
		const keys = checkPlan(planOf([go(1)]), { course }).map(({ sentence: { key } }) => key);
		expect(keys).toEqual(['check.noRoom']);
	});

	it('that only just touches one is set beside it, as a hand would', () => {
		const beside = courseOf({ walls: [wall([0, 0.489], [1, 0.489], 0.02)] });
		const { trace } = run([wait(1)], beside);
		expect(Math.abs(trace.y.at(-1)! - (0.489 - 0.01 - 0.08))).toBeLessThan(0.002);
		expect(Math.abs(trace.y.at(-1)! - trace.y[0]!)).toBeLessThan(0.002);
	});
});

it('driving off the floor where there is no table is said once, of the step that does it', () => {
	const { notes } = run([go(0.5), go(1)]);
	expect(notes.map(({ sentence }) => [sentence.key, sentence.values!.number])).toEqual([
		['note.offFloor', 2]
	]);
});

describe('sensors without variation', () => {
	it('measure the way to a wall ahead from the bow', () => {
		const course = courseOf({ walls: [wall([0, 1], [2, 1], 0.02)] });
		expect(logged([read('distanceAhead')], course)[0]).toBeCloseTo(1 - 0.01 - 0.4 - 0.08, 6);
		expect(logged([read('distanceAhead')])).toEqual([2]);
	});

	it('see what is nearest anywhere in the cone, however small and wherever it stands', () => {
		for (const left of [-0.16, -0.1, -0.04, 0, 0.03, 0.07, 0.12, 0.17]) {
			const at: [number, number] = [0.4 - left, 0.48 + 1.2];
			const crates = [{ id: 'c', at, bearing: 0, width: 0.02, depth: 0.02, mass: 1 }];
			const [distance] = logged([read('distanceAhead')], courseOf({ crates }));
			const nearest = Math.hypot(Math.max(0, Math.abs(left) - 0.01), 1.19);
			const isSeen = Math.abs(left) - 0.01 < 1.19 * Math.tan(0.14);
			if (isSeen) expect(distance).toBeCloseTo(nearest, 3);
			else expect(distance).toBe(2);
		}
		// Half of the cone reaches past the end of a wall: the corner of it is the nearest.
		const end = courseOf({ walls: [wall([0.45, 1], [0.9, 1], 0.02)] });
		const corner = Math.hypot(0.04, 0.99 - 0.48);
		expect(logged([read('distanceAhead')], end)[0]).toBeCloseTo(corner, 6);
	});

	it('see a crate, and the tape under the bow', () => {
		const crates = [{ id: 'c', at: [0.4, 0.8], bearing: 0, width: 0.1, depth: 0.1, mass: 1 }];
		const tape = { id: 't', isClosed: false, radius: 0, width: 0.02, colour: 'black' as const };
		const line = points('0,0.465 2,0.465');
		const course = courseOf({
			crates: crates as Course['crates'],
			tapes: [{ ...tape, points: line }]
		});
		const steps = [read('distanceAhead'), read('brightness'), read('floorColour == black')];
		const [distance, brightness, isBlack] = logged(steps, course);
		expect(distance).toBeCloseTo(0.75 - 0.48, 6);
		expect(brightness).toBeCloseTo(0.06, 6);
		expect(isBlack).toBe(true);
		// Half of the spot lies on the tape when its edge is under the sensor.
		const edge = courseOf({ tapes: [{ ...tape, points: line.map(([x, y]) => [x, y + 0.01]) }] });
		expect(logged([read('brightness')], edge)[0]).toBeCloseTo((0.9 + 0.06) / 2, 6);
	});

	it('count wheels and way, and count from where they are told to', () => {
		const turn = 0.056 * Math.PI;
		const steps = [
			go(turn),
			read('leftCount'),
			make('zero', { what: 'wheels' }),
			read('leftCount')
		];
		const [before, after] = logged(steps);
		expect(before).toBeCloseTo(360, 0);
		expect(after).toBe(0);
	});

	it('say more light beside a lit post, and hear the own tone', () => {
		const lit = courseOf({ light: 0.2, lampPosts: [{ id: 'p', at: [0.4, 0.4], reach: 0.2 }] });
		expect(logged([read('light')], lit)[0]).toBeCloseTo(0.7, 6);
		const tone = make('tone', { then: 'carryOn' });
		expect(logged([read('soundLevel'), tone, read('soundLevel')])).toEqual([0.1, 0.6 * 0.7]);
	});
});

describe('sensors in a classroom', () => {
	it('differ a little, and reading them does not change the way', () => {
		const plain = run([go(0.6)], courseOf(), 'classroom');
		const reading = run([go(0.3), read('brightness'), go(0.3)], courseOf(), 'classroom');
		const sensed = reading.sensed.brightness!;
		expect(new Set(sensed).size).toBeGreaterThan(100);
		expect(Math.abs(sensed[50]! - 0.9)).toBeLessThan(0.06);
		expect(plain.trace.heading[50]).toBe(reading.trace.heading[50]);
	});
});
