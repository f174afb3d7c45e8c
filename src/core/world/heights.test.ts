/** What flies passes over what stands; gates; what is below. */
import { describe, expect, it } from 'vitest';
import type { Course } from '../course/course';
import { planRobot, type Plan, type Step } from '../plan/plan';
import { drone } from '../robots/drone';
import { skiff } from '../robots/skiff';
import { sampleRobot } from '../robots/robot-document';
import { simulate } from '../simulation/simulate';
import {
	courseOf,
	go,
	planFor,
	planOf,
	fullStep as step,
	trigger,
	wait,
	wall
} from '../testing/sample';
import { withoutHidden } from './crowd';

const to = (direction: string, distance: number) => step('go', { direction, distance, speed: 0.4 });
const [takeOff, land] = [step('takeOff'), step('land')];
const plan = (...steps: Step[]): Plan => planFor(drone, planOf(steps));

const floor = (more: Partial<Course> = {}) =>
	courseOf({ size: { width: 3, height: 3 }, starts: [{ at: [1, 0.5], bearing: 0 }], ...more });
const rehearse = (plan: Plan, course = floor()) =>
	simulate({ plan, course, variation: 'ideal', seed: 1 });

const crate = { id: 'crate', at: [1, 1.1], bearing: 0, width: 0.2, depth: 0.2, mass: 0.2 } as const;
const crates = [{ ...crate, at: [...crate.at] as [number, number] }];

describe('a gate', () => {
	const gate = { id: 'gate', at: [1, 1] as [number, number], bearing: 0, width: 0.4, height: 1 };
	const passed = (shape: 'ring' | 'door', steps: Step[], more: Partial<typeof gate> = {}) =>
		rehearse(plan(...steps), floor({ gates: [{ ...gate, shape, ...more }] })).outcome.lampPosts.map(
			({ id }) => id
		);
	it('that is a ring counts when it is passed at its height, either way', () => {
		expect(passed('ring', [takeOff, go(1), land])).toEqual(['gate']);
		expect(passed('ring', [takeOff, go(1), land], { bearing: 180 })).toEqual(['gate']);
		expect(passed('ring', [takeOff, to('up', 0.3), go(1), land])).toEqual([]);
		expect(passed('ring', [takeOff, go(0.4), land])).toEqual([]);
		expect(passed('ring', [takeOff, go(1), land], { at: [1.25, 1] })).toEqual([]);
	});

	it('that is a door counts below its top', () => {
		expect(passed('door', [takeOff, go(1), land], { height: 1.2 })).toEqual(['gate']);
		expect(passed('door', [takeOff, go(1), land], { height: 0.9 })).toEqual([]);
	});

	it('starts what waits for it', () => {
		const waiting = plan(takeOff, go(1), land);
		const chain = {
			id: 'c2',
			trigger: step('whenLampPost', { post: 'gate' }),
			steps: [step('lamp')]
		};
		const { runs } = rehearse(
			{ ...waiting, chains: [...waiting.chains, chain] },
			floor({ gates: [{ ...gate, shape: 'ring' }] })
		);
		expect(runs[0]!.trace.columns.lamp!.at(-1)).toBe(0xffb020);
	});
});

describe('what stands on the floor', () => {
	it('is told by the distance below, and the sensor ahead sees only what is as high', () => {
		const asked = ['distanceBelow', 'distanceAhead'].map((expression) =>
			step('log', { value: { expression } })
		);
		const tall = { id: 'wall', from: [0.5, 2.5], to: [1.5, 2.5], thickness: 0.02 } as const;
		const walls = [{ ...tall, from: [0.5, 2.5], to: [1.5, 2.5], height: 1.5 } as never];
		const { log } = rehearse(
			plan(takeOff, wait(1), ...asked, go(0.6), wait(1), ...asked),
			floor({ crates: [{ ...crates[0]!, height: 0.3 }], walls })
		);
		const [below, ahead, overCrate, nearer] = log.map(({ value }) => Number(value));
		expect(below).toBeCloseTo(1, 2);
		expect(overCrate).toBeCloseTo(0.7, 2);
		expect(ahead! - nearer!).toBeCloseTo(0.6, 2);
		expect(ahead).toBeCloseTo(2.49 - 0.59, 1);
	});

	it('counts although it stands in something lower', () => {
		const low = wall([0.5, 1], [1.5, 1], 0.1);
		const tall = { ...wall([0.6, 1], [1.4, 1], 0.02), height: 1.5 };
		expect(withoutHidden([low, tall])).toEqual([low, tall]);
		expect(withoutHidden([low, { ...tall, height: 0.1 }])).toEqual([low]);
	});

	it('is not moved by what flies over it, and not landed on unharmed', () => {
		const over = rehearse(plan(takeOff, go(1.2), land), floor({ crates }));
		expect(over.crates[0]!.moments).toHaveLength(1);
		expect(over.outcome.kind).toBe('ended');
		const onto = rehearse(plan(takeOff, go(0.6), land), floor({ crates }));
		expect(onto.outcome).toMatchObject({
			kind: 'crashed',
			reason: { key: 'outcome.cameDown', values: { number: 3 } }
		});
	});

	it('be it a robot: a drone passes over a Skiff, and crashes when it comes down on it', () => {
		const both = (...steps: Step[]): Plan => {
			const first = plan(...steps);
			const other = planRobot({ ...sampleRobot(skiff), name: 'Wick' }, first.robots);
			const chain = { id: 'c2', trigger: trigger(), steps: [go(0.1)], robot: other.id };
			return { ...first, robots: [...first.robots, other], chains: [...first.chains, chain] };
		};
		const course = floor({
			starts: [
				{ at: [1, 0.5], bearing: 0 },
				{ at: [1, 1.2], bearing: 0 }
			]
		});
		const over = rehearse(both(takeOff, go(1.6), land), course);
		expect(over.outcome.kind).toBe('ended');
		expect(over.runs[1]!.bumps).toEqual([]);
		const down = rehearse(both(takeOff, go(0.8), land), course);
		expect(down.outcome.kind).toBe('crashed');
		expect(down.runs[0]!.bumps).toMatchObject([{ against: 'robot' }]);
	});
});
