import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { courseSchema } from '../course/course';
import { checkPlan } from '../checks';
import { planSchema, type Plan } from '../plan/plan';
import { ball } from '../robots/ball';
import { drone } from '../robots/drone';
import { skiff } from '../robots/skiff';
import { sampleRobot, settingsSaid } from '../robots/robot-document';
import { mendRow } from './rows';
import { fingerprintOf } from '../simulation/fingerprint';
import { simulate, type Rehearsal } from '../simulation/simulate';
import type { Attempt } from '../simulation/attempt';
import { perfect, through, type Wire } from '../testing/loopback';
import { planFrom } from '../testing/random-plan';
import { runs } from '../testing/runs';
import { courseOf, go, planFor, planOf, step, wait, wall } from '../testing/sample';
import index from '../../../samples/index.json';
import { toRobotSchema, type FromRobot } from './frames';
import { LinkPort } from './link-port';
import { patience, Served } from './served';
import { Happenings } from '../devices/happenings';
import type { Machine } from '../robots/machine';

const read = (path: string): unknown => JSON.parse(readFileSync(`samples/${path}.json`, 'utf8'));
const samples = index.plans.map(({ file, course }): [string, Rehearsal] => [
	file,
	{
		plan: planSchema.parse(read(`plans/${file}`)),
		course: courseSchema.parse(read(`courses/${course}`)),
		variation: 'ideal',
		seed: 1,
		limit: 60
	}
]);

const late: Wire = { latency: 0.08, jitter: 0.04, loss: 0.02, seed: 5 };
const rehearse = (rehearsal: Rehearsal, wire?: Wire): Attempt =>
	simulate(rehearsal, () => {}, wire && through(wire));

/** The kinds of the steps as they began, for each chain that asks nothing of the world. */
const orderOf = ({ spans }: Attempt): string[] =>
	spans.toSorted((a, b) => a.start - b.start || a.number - b.number).map(({ stepId }) => stepId);

describe('a plan through a link', () => {
	it.each(samples)('%s: without latency the same attempt, entry by entry', (_, rehearsal) => {
		expect(fingerprintOf(rehearse(rehearsal, perfect))).toBe(fingerprintOf(rehearse(rehearsal)));
	});

	/**
	 * Two chains that drive one robot at once look at it between each other's orders. Over a link they
	 * cannot: the robot says what it was like when the tick began. The checks warn of such plans.
	 */
	const isContested = (plan: Plan): boolean =>
		checkPlan(plan).some(({ sentence: { key } }) => key === 'check.sameWheels');

	it('random plans: the same attempt, entry by entry', () => {
		const course = courseOf({ walls: [wall([0, 1.2], [2, 1.2])] });
		fc.assert(
			fc.property(fc.array(fc.nat(1000), { minLength: 20, maxLength: 60 }), (numbers) => {
				const plan = planFrom(numbers);
				fc.pre(!isContested(plan));
				const rehearsal: Rehearsal = {
					plan,
					course,
					variation: 'ideal',
					seed: 1,
					limit: 4,
					touches: [{ time: 0.5 }]
				};
				expect(fingerprintOf(rehearse(rehearsal, perfect))).toBe(
					fingerprintOf(rehearse(rehearsal))
				);
			}),
			{ numRuns: runs(80, 200), seed: 11 }
		);
	}, 60_000);

	it.each(['first-lamp', 'net-loft-zigzag', 'harbour-square-corners', 'four-signal-lamps'])(
		'%s: with latency, jitter and loss the same order of steps, only later',
		(file) => {
			const [, rehearsal] = samples.find(([name]) => name === file)!;
			const [near, far] = [rehearse(rehearsal), rehearse(rehearsal, late)];
			expect(orderOf(far)).toEqual(orderOf(near));
			expect(far.outcome.seconds).toBeGreaterThan(near.outcome.seconds + 0.1);
		}
	);

	it('tells late of what a robot refuses, with the step named', () => {
		const plan = planFor(drone, planOf([go(0.3), step('takeOff'), step('land')]));
		const { notes } = rehearse({ plan, course: courseOf(), variation: 'ideal', seed: 1 }, late);
		expect(notes.map(({ sentence }) => sentence)).toEqual([
			{ key: 'note.refused.onGround', values: { number: 1 } }
		]);
	});
});

describe('a link that is cut', () => {
	it.each([skiff, ball, drone])('lets a $kind halt by itself', (kind) => {
		const start = step('start', { direction: 'forward', speed: 0.4 });
		const plan = planFor(
			kind,
			planOf([...(kind === drone ? [step('takeOff')] : []), start, wait(9)])
		);
		const course = courseOf({ size: { width: 9, height: 9 } });
		for (const cutAt of [3.7, 4.4, 5.1]) {
			const { runs } = rehearse(
				{ plan, course, variation: 'ideal', seed: 1, limit: 12 },
				{ ...perfect, cutAt }
			);
			const { speed } = runs[0]!.trace.columns;
			const at = (seconds: number) => Math.abs(speed![Math.round(seconds * 120)]!);
			expect(at(cutAt)).toBeGreaterThan(0.1);
			expect(at(cutAt + patience - 0.05)).toBeGreaterThan(0.1);
			// Then it slows down as it does when it is stopped.
			expect(at(cutAt + patience + 2)).toBeLessThan(0.02);
		}
	});
});

describe('what comes over a link', () => {
	it('is refused if the robot has no such device, or its order makes no sense', () => {
		const said: unknown[] = [];
		const machine = { begin: () => ({ isOver: () => true }), read: () => 0 } as unknown as Machine;
		const served = new Served(machine, skiff, new Happenings(), (frame) => said.push(frame));
		const order = (id: number, device: string, name: string, values = {}) =>
			served.receive({ type: 'begin', id, command: { device, name, values } });
		order(1, 'flying', 'takeOff');
		order(2, 'motion', 'jump');
		order(3, 'motion', 'start', { speed: 7 });
		order(4, 'motion', 'start', { speed: 0.5 });
		expect(said).toEqual([
			{ type: 'refused', id: 1, why: 'noDevice' },
			{ type: 'refused', id: 2, why: 'badOrder' },
			{ type: 'refused', id: 3, why: 'badOrder' },
			{ type: 'done', id: 4 }
		]);
	});

	it('is told by a robot that heard nothing: it says so once, before it halts, and only in a run', () => {
		let isOver = false;
		const machine = {
			begin: () => {
				isOver = false;
				return { isOver: () => isOver };
			},
			read: () => 0,
			rest: () => (isOver = true)
		} as unknown as Machine;
		const said: FromRobot[] = [];
		const served = new Served(machine, skiff, new Happenings(), (frame) => said.push(frame));
		const command = { device: 'motion', name: 'start', values: { speed: 0.5 } };
		const goAndWait = (from: number) => {
			served.report(from, false);
			served.receive({ type: 'begin', id: from, command });
			for (const after of [patience, patience + 0.1, patience + 0.2])
				served.report(from + after, false);
		};
		goAndWait(1);
		expect(said).toEqual([{ type: 'cut', id: 1 }]);
		served.receive({ type: 'start' });
		goAndWait(2);
		expect(said.slice(1)).toEqual([
			{ type: 'started' },
			{ type: 'fault', fault: 'alone' },
			{ type: 'cut', id: 2 }
		]);
	});

	it('ends each order once: done, refused, or cut where it was halted or lost its place', () => {
		const waits: boolean[] = [];
		const machine = {
			begin: () => {
				waits.fill(true);
				const own = waits.push(false) - 1;
				return { isOver: () => waits[own]! };
			},
			read: () => 0,
			rest: () => void waits.fill(true)
		} as unknown as Machine;
		const said: FromRobot[] = [];
		const served = new Served(machine, skiff, new Happenings(), (frame) => said.push(frame));
		const go = (id: number) =>
			served.receive({
				type: 'begin',
				id,
				command: { device: 'motion', name: 'start', values: { speed: 0.5 } }
			});
		for (const id of [1, 2]) go(id);
		waits.fill(true);
		go(3);
		served.receive({ type: 'halt' });
		expect(said).toEqual([
			{ type: 'cut', id: 1 },
			{ type: 'done', id: 2 },
			{ type: 'cut', id: 3 }
		]);
	});

	it('is taken as far as it makes sense', () => {
		const row = { battery: 0.5, heading: [], jolt: 1e300, name: 'x'.repeat(99), on: true };
		const at = { x: 1e308, y: 0, bearing: 0 };
		const { frame, odd } = mendRow({ type: 'sense', time: 1, row, shows: { speed: 'fast' }, at })!;
		expect(frame).toEqual({ type: 'sense', time: 1, row: { battery: 0.5, on: true }, shows: {} });
		expect(odd).toEqual(['at', 'heading', 'jolt', 'name', 'speed']);
		for (const no of [null, [], { type: 'sense', row }, { type: 'done', time: 1, row }])
			expect(mendRow(no)).toBeUndefined();
	});

	it('of settings keeps those that its kind has', () => {
		const { settings: own } = sampleRobot(skiff);
		const [first, second] = skiff.distinct!;
		expect(settingsSaid(skiff, own)).toEqual({ settings: own, odd: [] });
		expect(settingsSaid(skiff, { ...own, [first!]: 'Z', colour: 7 })).toEqual({
			settings: own,
			odd: [first, 'colour']
		});
		const same = { ...own, [first!]: own[second!] };
		expect(settingsSaid(skiff, same).settings).toEqual(own);
		expect(
			settingsSaid(skiff, { ...own, [first!]: own[second!], [second!]: own[first!] }).odd
		).toEqual([]);
	});

	it.each([{ type: 'begin', id: 0 }, { type: 'steer' }, { type: 'halt', now: true }, null, 'halt'])(
		'is no frame: %j',
		(frame) => {
			expect(toRobotSchema.safeParse(frame).success).toBe(false);
		}
	);

	it('does not let an older row take the place of a newer one, nor end an order twice', () => {
		const port = new LinkPort(skiff.devices, () => {});
		port.receive({ type: 'sense', time: 2, row: { battery: 0.5 } });
		port.receive({ type: 'sense', time: 1, row: { battery: 0.9 } });
		expect(port.read('battery')).toBe(0.5);
		expect(port.read('heading')).toBeNaN();
		const wait = port.begin({ device: 'motion', name: 'stand', values: {} });
		expect(wait.isOver(0)).toBe(false);
		port.receive({ type: 'done', id: 1 });
		port.receive({ type: 'refused', id: 1, why: 'late' });
		expect([wait.isOver(0), wait.refusal]).toEqual([true, undefined]);
	});
});
