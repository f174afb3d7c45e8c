import { describe, expect, it } from 'vitest';
import type { Course } from '../../course/course';
import { tick } from '../../time';
import { rehearseAlone } from '../../testing/alone';
import { initialValues } from '../../steps/catalogue';
import type { Values } from '../../steps/definition';
import { courseOf, go, planOf, step, wait, wall } from '../../testing/sample';
import type { Variation } from '../robot';
import { arrivedSpeed, motorLag, rollingDrag } from './settings';

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

describe('sensors without variation', () => {
	it('measure the way to a wall ahead from the bow', () => {
		const course = courseOf({ walls: [wall([0, 1], [2, 1], 0.02)] });
		expect(logged([read('distanceAhead')], course)[0]).toBeCloseTo(1 - 0.01 - 0.4 - 0.08, 6);
		expect(logged([read('distanceAhead')])).toEqual([2]);
	});

	it('see a crate, and the tape under the bow', () => {
		const crates = [{ id: 'c', at: [0.4, 0.8], bearing: 0, width: 0.1, depth: 0.1, mass: 1 }];
		const tape = { id: 't', isClosed: false, radius: 0, width: 0.02, colour: 'black' as const };
		const points: [number, number][] = [
			[0, 0.465],
			[2, 0.465]
		];
		const course = courseOf({ crates: crates as Course['crates'], tapes: [{ ...tape, points }] });
		const steps = [read('distanceAhead'), read('brightness'), read('floorColour == black')];
		const [distance, brightness, isBlack] = logged(steps, course);
		expect(distance).toBeCloseTo(0.75 - 0.48, 6);
		expect(brightness).toBeCloseTo(0.06, 6);
		expect(isBlack).toBe(true);
		// Half of the spot lies on the tape when its edge is under the sensor.
		const edge = courseOf({ tapes: [{ ...tape, points: points.map(([x, y]) => [x, y + 0.01]) }] });
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
