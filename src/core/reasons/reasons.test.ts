import { describe, expect, it } from 'vitest';
import { legsIn } from '../attempts/legs';
import type { Course } from '../course/course';
import type { Plan, Step } from '../plan/plan';
import { ball } from '../robots/ball';
import { robotKindOf } from '../robots/kinds';
import { skiff } from '../robots/skiff';
import type { ParameterValues } from '../robots/parameter';
import type { Variation } from '../robots/robot';
import { simulate } from '../simulation/simulate';
import { drawnOf } from '../testing/drawn';
import {
	courseOf,
	fullStep,
	go,
	left,
	planFor,
	planOf,
	right,
	step,
	wall
} from '../testing/sample';
import { reasonsIn, type Reason } from '.';

const roomy = courseOf({ size: { width: 6, height: 6 }, starts: [{ at: [3, 3], bearing: 0 }] });
const square = (): Step[] => [
	...[go(0.6), right(90), go(0.6), left(90), go(0.6), right(90), go(0.6), left(90)],
	...[go(0.6), right(90)]
];

interface Tried {
	readonly course?: Course;
	readonly kind?: string;
	readonly name?: string;
	readonly variation?: Variation;
	readonly seed?: number;
	readonly parameters?: ParameterValues;
	readonly limit?: number;
}

/** The reasons of each leg, by the kind of its step. */
function reasonsOfSteps(
	steps: readonly Step[],
	tried: Tried = {}
): { kind: string; said: Reason[] }[] {
	const { course = roomy, kind = 'skiff', name = 'Wick', variation = 'ideal', seed = 1 } = tried;
	const { parameters = {}, limit } = tried;
	const { robots, ...rest } = planFor(robotKindOf(kind), planOf(steps));
	const plan: Plan = { ...rest, robots: [{ ...robots[0]!, name }] };
	const own = { parameters: { robot1: parameters }, limit };
	const attempt = simulate({ plan, course, variation, seed, ...own });
	const intended = simulate({ plan, course, variation: 'ideal', seed: 1, limit });
	const run = attempt.runs[0]!;
	const legs = legsIn(attempt, run, intended);
	const look = reasonsIn({ attempt, run, legs, intended });
	return legs.map((leg) => ({ kind: leg.span.kind, said: look(leg) }));
}

const matters = (said: readonly Reason[]) => said.map(({ matter }) => matter);
const names = Array.from({ length: 24 }, (_, i) => `Lantern ${i}`);

describe('reasons', () => {
	it('are none of a robot that does what it is told', () => {
		for (const kind of ['skiff', 'ball', 'face']) {
			const all = reasonsOfSteps(square(), { kind }).flatMap(({ said }) => said);
			expect(matters(all), kind).toEqual([]);
		}
	});

	it('name what stood in the way, and when', () => {
		const course = courseOf({ walls: [wall([0.1, 0.8], [0.9, 0.8])] });
		const [leg] = reasonsOfSteps([go(0.8)], { course });
		expect(leg!.said[0]).toMatchObject({ matter: 'met', sentence: { key: 'reason.noRoom.wall' } });
		expect(leg!.said[0]!.at).toBeGreaterThan(1);
		expect(leg!.said).toHaveLength(1);
		// Beside the way: only who drifts runs into it.
		const post = courseOf({ walls: [wall([0.485, 0.9], [0.6, 0.9])] });
		const seeds = Array.from({ length: 20 }, (_, seed) => seed);
		const keys = seeds.flatMap((seed) =>
			reasonsOfSteps([go(0.9)], { course: post, variation: 'worn', seed })[0]!.said.map(
				({ sentence }) => sentence.key
			)
		);
		expect(keys).toContain('reason.met.wall');
		expect(keys).not.toContain('reason.noRoom.wall');
	});

	it('name a turn that began before the robot stood still', () => {
		const steps = [
			fullStep('goFor', { duration: 1.5, speed: 1, ending: 'coast', then: 'goOn' }),
			right(90)
		];
		const [, turn] = reasonsOfSteps(steps);
		expect(matters(turn!.said)).toEqual(['rolling']);
		const [, , corner] = reasonsOfSteps([...steps, go(0.3)], { kind: 'ball' });
		expect(corner!.said.map(({ sentence }) => sentence.key)).toEqual(['reason.rolling.corner']);
		const still = [fullStep('goFor', { duration: 1.5, speed: 1, then: 'waitStill' }), right(90)];
		expect(
			reasonsOfSteps([...still, go(0.3)], { kind: 'ball' }).flatMap(({ said }) => said)
		).toEqual([]);
	});

	it('name a battery that lets a timed move fall short', () => {
		const steps = [fullStep('goFor', { duration: 2, speed: 1 })];
		const seeds = Array.from({ length: 12 }, (_, seed) => seed);
		const said = seeds.flatMap(
			(seed) => reasonsOfSteps(steps, { variation: 'worn', seed })[0]!.said
		);
		const slow = said.filter(({ matter }) => matter === 'slow');
		expect(slow.length).toBeGreaterThan(seeds.length / 2);
		for (const { sentence } of slow) expect(sentence.values!.percent).toBeLessThan(60);
	});

	it('find how a robot turns, as it was made', () => {
		let found = 0;
		for (const name of names) {
			const { gyroGain, gyroBias } = drawnOf(skiff, name, 'worn');
			const turns = reasonsOfSteps(square(), { name, variation: 'worn' });
			const named = turns.flatMap(({ said }) => said).filter(({ matter }) => matter === 'turnGain');
			// A turn takes 1.2 s, in which the gyro drifts by so much of a right angle.
			const truly = (1 / gyroGain! - 1) * 100;
			const drifts = Math.abs((gyroBias! * 1.2 * 100) / (Math.PI / 2));
			for (const { sentence } of named) {
				const sign = sentence.key.endsWith('more') ? 1 : -1;
				const percent = sign * Number(sentence.values!.percent);
				expect(Math.abs(percent - truly), name).toBeLessThan(drifts + 0.7);
			}
			found += Number(named.length > 0 || Math.abs(truly) < 1);
		}
		expect(found).toBeGreaterThanOrEqual(0.8 * names.length);
	});

	it('find how far a ball takes a metre to be, as it was made', () => {
		let rightly = 0;
		let wrong = 0;
		for (const name of names) {
			const { estimateGain } = drawnOf(ball, name, 'worn');
			const legs = reasonsOfSteps(square(), { name, kind: 'ball', variation: 'worn', seed: 5 });
			const named = legs.flatMap(({ said }) => said).find(({ matter }) => matter === 'gain');
			if (!named) continue;
			const isMore = named.sentence.key.endsWith('more');
			if (isMore === estimateGain! < 1) rightly += 1;
			else wrong += 1;
		}
		expect(rightly).toBeGreaterThan(names.length / 3);
		expect(wrong).toBeLessThanOrEqual(1);
	});

	it('name the air that carries a drone', () => {
		const steps = [step('takeOff'), go(0.6), right(90), go(0.6), right(90), go(0.6), step('land')];
		const all = reasonsOfSteps(steps, {
			kind: 'drone',
			name: 'Petrel',
			variation: 'worn',
			seed: 3
		});
		const breezes = all.flatMap(({ said }) => said).filter(({ matter }) => matter === 'breeze');
		expect(breezes.length).toBeGreaterThan(2);
		expect(new Set(breezes.map(({ sentence }) => JSON.stringify(sentence))).size).toBe(1);
	});

	it('name wheels that slip, never where they hold', () => {
		const slips = (variation: Variation) =>
			names.filter((name) =>
				reasonsOfSteps(square(), { name, variation })
					.flatMap(({ said }) => said)
					.some(({ matter }) => matter === 'slip')
			).length;
		expect(slips('worn')).toBeGreaterThan(0.8 * names.length);
		expect(slips('classroom')).toBe(0);
	});

	it('find to which side a robot drifts whose wheels hold', () => {
		let named = 0;
		for (const name of names) {
			const { wheelDifference } = drawnOf(skiff, name, 'classroom');
			const all = reasonsOfSteps(square(), { name, variation: 'classroom', seed: 2 });
			const drift = all.flatMap(({ said }) => said).find(({ matter }) => matter === 'drift');
			if (!drift) continue;
			named += 1;
			expect(drift.sentence.key, name).toBe(
				wheelDifference! > 0 ? 'reason.drift.left' : 'reason.drift.right'
			);
		}
		expect(named).toBeGreaterThan(0.8 * names.length);
	});

	it('name how a robot was set down, once', () => {
		const all = reasonsOfSteps(square(), { kind: 'ball', variation: 'worn', seed: 3 });
		expect(matters(all[0]!.said)).toContain('askew');
		expect(matters(all.slice(1).flatMap(({ said }) => said))).not.toContain('askew');
	});

	it('say that it stood and gave up, where it had run into something before', () => {
		const course = courseOf({ walls: [wall([0, 0.7], [2, 0.7])] });
		const all = reasonsOfSteps([fullStep('goFor', { duration: 2, speed: 0.4 }), go(0.4)], {
			course
		});
		expect(matters(all.at(-1)!.said)).toEqual(['stalled']);
	});

	it('say that a sensor saw nothing, where an ideal one does', () => {
		const course = { ...roomy, walls: [wall([2.8, 4.5], [3.2, 4.5])] };
		const steps = [
			fullStep('start', { speed: 0.4 }),
			fullStep('waitUntil', { condition: { expression: 'distanceAhead < 20*cm' } })
		];
		const all = reasonsOfSteps(steps, { course, parameters: { setTurned: 0.4 }, limit: 9 });
		expect(matters(all.at(-1)!.said)).toContain('inVain');
		const seen = reasonsOfSteps(steps, { course, limit: 9 });
		expect(seen.flatMap(({ said }) => said)).toEqual([]);
	});

	it('say that what was sensed made good where it began', () => {
		const course = { ...roomy, walls: [wall([2, 5], [4, 5])] };
		const near = { condition: { expression: 'distanceAhead < 40*cm' } };
		const ahead = [go(0.5), fullStep('start', { speed: 0.4 }), fullStep('waitUntil', near)];
		const all = reasonsOfSteps(ahead, { course, parameters: { wheels: 0.95 }, limit: 9 });
		expect(all.at(-1)!.said[0]).toMatchObject({ sentence: { key: 'reason.sensed.madeGood' } });
	});

	it('say which try would decide what the recording does not', () => {
		const keysOf = (steps: readonly Step[], tried: Tried) =>
			names.flatMap((name) =>
				reasonsOfSteps(steps, { variation: 'worn', name, ...tried })
					.flatMap(({ said }) => said)
					.filter(({ matter }) => matter === 'undecided')
					.map(({ sentence }) => sentence.key)
			);
		const only = (keys: readonly string[]) => [...new Set(keys)];
		const byTime = [fullStep('goFor', { duration: 1.5, speed: 0.4 })];
		expect(only(keysOf(byTime, {}))).toEqual(['reason.undecided.straights']);
		expect(only(keysOf([right(180)], {}))).toEqual(['reason.undecided.turns']);
		const flight = [step('takeOff'), go(0.9), step('land')];
		expect(only(keysOf(flight, { kind: 'drone' }))).toEqual(['reason.undecided.air']);
		expect(only(keysOf(square(), { kind: 'ball' }))).toEqual(['reason.undecided.again']);
	});
});
