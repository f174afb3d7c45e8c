/** What every kind of robot has to keep to, and every device. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import type { Command, Device } from '../devices/device';
import { devices } from '../devices/list';
import { Random } from '../random/random';
import { rehearseAlone } from '../testing/alone';
import { stepKinds } from '../steps/catalogue';
import { courseOf, go, planOf, step, wall } from '../testing/sample';
import { tick, tickRate } from '../time';
import { Place, Scene, Terrain } from '../world/scene';
import { robotKinds } from './kinds';
import type { Machine } from './machine';
import { variations, type RobotKind, type Variation } from './robot';
import { sampleRobot } from './robot-document';

function make(kind: RobotKind, variation: Variation): Machine {
	const course = courseOf();
	const pose = { x: 0.4, y: 0.4, heading: 0 };
	return kind.build({
		name: kind.sampleName,
		settings: sampleRobot(kind).settings,
		variation,
		chance: new Random(1),
		sensorChance: new Random(2),
		displayChance: new Random(3),
		surroundings: new Scene(new Place(new Terrain(course), []), pose),
		played: () => {},
		felt: () => {},
		met: () => {},
		failed: () => {},
		heading: 0
	});
}

/** Values that a schema takes. */
function sampleOf(schema: z.ZodType): fc.Arbitrary<unknown> {
	const json = z.toJSONSchema(schema) as Shape;
	return arbitraryOf(json);
}

interface Shape {
	readonly type?: string;
	readonly enum?: readonly unknown[];
	readonly minimum?: number;
	readonly maximum?: number;
	readonly properties?: Readonly<Record<string, Shape>>;
	readonly items?: Shape;
}

function arbitraryOf(shape: Shape): fc.Arbitrary<unknown> {
	const { type, enum: options, minimum, maximum, properties, items } = shape;
	if (options) return fc.constantFrom(...options);
	switch (type) {
		case 'number':
			return fc.double({ min: minimum ?? -2, max: maximum ?? 2, noNaN: true });
		case 'string':
			return fc.constantFrom('#ffb020', '#000000');
		case 'boolean':
			return fc.boolean();
		case 'array':
			return fc.array(arbitraryOf(items!), { maxLength: 4 });
		default: {
			const fields = Object.entries(properties ?? {});
			return fc.record(
				Object.fromEntries(fields.map(([name, field]) => [name, arbitraryOf(field)]))
			);
		}
	}
}

describe('devices', () => {
	it('have names of their own, and so have their readings', () => {
		expect(new Set(devices.map(({ id }) => id)).size).toBe(devices.length);
		const names = devices.flatMap(({ readings }) => Object.keys(readings));
		expect(new Set(names).size).toBe(names.length);
	});

	it('move by commands that they have, and are listed if a step needs them', () => {
		for (const { commands, moves = [] } of devices) {
			for (const name of moves) expect(Object.keys(commands)).toContain(name);
		}
		for (const { needs } of stepKinds) for (const need of needs) expect(devices).toContain(need);
	});
});

describe.each(robotKinds.map((kind) => [kind.kind, kind] as const))('%s', (_, kind) => {
	const orders = kind.devices.flatMap((device: Device) =>
		Object.entries(device.commands).map(([name, schema]) => ({ device, name, schema }))
	);

	it('has devices of the list, and columns with names of their own', () => {
		for (const device of kind.devices) expect(devices).toContain(device);
		const names = kind.columns.map(({ name }) => name);
		expect(new Set(names).size).toBe(names.length);
	});

	it.each(orders)(
		'does what $device.id $name asks: its wait ends, its figures are finite',
		(order) => {
			const { device, name, schema } = order;
			fc.assert(
				fc.property(sampleOf(schema), fc.constantFrom(...variations), (values, variation) => {
					const machine = make(kind, variation);
					const wait = machine.begin({
						device: device.id,
						name,
						values: values as Command['values']
					});
					const pose = { x: 0.4, y: 0.4, heading: 0 };
					let time = 0;
					for (; !wait.isOver(time) && time < 60; time += tick) {
						machine.advance(time);
						machine.body.sense(machine.body.wish(pose).turning * tick);
					}
					// A move that wheels cannot make, such as half a degree with a worn gyro, gives up as stalled.
					expect(wait.isOver(time) || machine.isStalled || isEndless(name, values)).toBe(true);
					for (const column of kind.columns) expect(column.of(machine)).toSatisfy(Number.isFinite);
				}),
				{ numRuns: 30, seed: 9 }
			);
		}
	);

	it('says of each reading what its type says, and nothing of what it lacks', () => {
		const machine = make(kind, 'worn');
		machine.advance(0);
		for (const { id, readings } of devices) {
			const has = kind.devices.some((device) => device.id === id);
			for (const [reading, { type }] of Object.entries(readings)) {
				for (const value of [machine.read(reading), machine.display(reading)]) {
					if (!has) expect(value).toBeNaN();
					else if (type.kind === 'truth') expect(value).toBeTypeOf('boolean');
					else if (type.kind === 'colour') expect(value).toMatch(/^#[0-9a-f]{6}$/);
					else expect(value).toSatisfy(Number.isFinite);
				}
			}
		}
	});
});

/** What stands only when somebody else stops it. */
const isEndless = (name: string, values: unknown): boolean =>
	name === 'stand' || Math.abs((values as { speed?: number }).speed ?? 1) < 0.05;

describe('what a robot runs into', () => {
	const course = courseOf({ walls: [wall([0, 1], [2, 1])] });
	const numbersOf = (...steps: Parameters<typeof planOf>[0]) =>
		rehearseAlone({ plan: planOf(steps), course, variation: 'ideal', seed: 1, limit: 6 }).bumps.map(
			({ number }) => number
		);

	it('is laid to the step that moved it last, though that has ended', () => {
		const start = step('start', { speed: 0.5 });
		expect(numbersOf(start, step('wait', { duration: 4 }))).toEqual([1]);
		expect(numbersOf(start, step('waitStill'))).toEqual([1]);
		expect(
			numbersOf(
				go(0.1),
				start,
				step('lamp', { colour: '#ffb020', side: 'both', brightness: 1 }),
				step('wait', { duration: 4 })
			)
		).toEqual([2]);
	});

	it('is laid to a step at the edge as well', () => {
		const table: [number, number][] = [
			[0, 0],
			[2, 0],
			[2, 0.8],
			[0, 0.8]
		];
		const plan = planOf([step('start', { speed: 0.5 }), step('wait', { duration: 4 })]);
		const { outcome } = rehearseAlone({
			plan,
			course: courseOf({ table }),
			variation: 'ideal',
			seed: 1
		});
		expect(outcome).toMatchObject({ kind: 'fell', reason: { values: { number: 1 } } });
		expect(outcome.seconds * tickRate).toBeGreaterThan(1);
	});
});
