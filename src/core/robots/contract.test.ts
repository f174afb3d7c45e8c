/** What every kind of robot has to keep to, and every device. */
import fc from 'fast-check';
import { z } from 'zod';
import { describe, expect, it } from 'vitest';
import type { Course } from '../course/course';
import type { Command, Device } from '../devices/device';
import { flying } from '../devices/flying/device';
import { readFace, writeFace } from '../pictures/face';
import { darkLamps, gridSize, writePicture } from '../pictures/picture';
import { devices } from '../devices/list';
import { motion } from '../devices/motion/device';
import { pacing } from '../devices/pacing/device';
import { patchesDevice } from '../devices/patches/device';
import type { Wait } from '../devices/port';
import { turning } from '../devices/turning/device';
import { wheelsDevice } from '../devices/wheels/device';
import { stepKinds } from '../steps/catalogue';
import { beforehand, telling } from '../testing/orders';
import { courseOf } from '../testing/sample';
import { runs } from '../testing/runs';
import { tick } from '../time';
import { Terrain } from '../world/scene';
import { robotKinds } from './kinds';
import type { Machine } from './machine';
import { modelOf } from './models';
import type { ParameterValues } from './parameter';
import { canDo, variations, type RobotKind, type Variation } from './robot';
import { sampleRobot } from './robot-document';
import { Stage } from '../simulation/stage';

const floor = courseOf({
	size: { width: 9, height: 9 },
	starts: [{ at: [4, 4], bearing: 0 }],
	rails: [
		{
			...{ id: 'r', at: [4, 2], bearing: 0, isClosed: false, marks: [] },
			pieces: [{ length: 5 }]
		}
	]
});

/** A robot where it can do what it is for: on a rail, in the air. */
class Trying {
	private readonly stage: Stage;

	constructor(
		private readonly kind: RobotKind,
		variation: Variation,
		course: Course = floor,
		parameters: ParameterValues = {}
	) {
		const { settings } = sampleRobot(kind);
		this.stage = new Stage({
			terrain: new Terrain(course),
			starts: course.starts,
			robots: [{ id: 'robot1', kind: kind.kind, name: kind.sampleName, settings }],
			...{ variation, seed: 1, parameters: { robot1: parameters } }
		});
		this.stage.begin();
	}

	get member() {
		return this.stage.crew[0]!;
	}
	get machine(): Machine {
		return this.member.machine;
	}

	order(device: string, name: string, values: object = {}): Wait {
		return this.machine.begin({ device, name, values: values as Command['values'] });
	}

	/** @returns seconds that passed until the wait was over, or the time given */
	pass(seconds: number, wait?: Wait): number {
		const from = this.stage.time;
		while (this.stage.time - from < seconds && !wait?.isOver(this.stage.time)) this.stage.advance();
		return this.stage.time - from;
	}

	/** It takes off, if it can, so that what it is told next is not refused. */
	liftOff(): this {
		if (canDo(this.kind, [flying])) this.pass(10, this.order('flying', 'takeOff'));
		return this;
	}

	/** All that it has played by now. */
	get heard() {
		const { journal } = this.member;
		journal.closeAll(this.stage.time);
		return JSON.stringify(journal.tones);
	}

	/** Everything that is seen of it, and what it says itself. */
	get seen() {
		const { machine, kind, member } = this;
		const readings = kind.devices.flatMap(({ readings }) =>
			Object.keys(readings).map((reading) => machine.read(reading))
		);
		const columns = kind.columns.map(({ of }) => of(machine));
		const { x, y, heading } = member.pose;
		return JSON.stringify([x, y, heading, columns, readings, machine.isPlaying, machine.grid]);
	}
}

describe('devices', () => {
	it('have all the orders that this test knows to tell', () => {
		const names = devices.flatMap(({ id, commands }) =>
			Object.keys(commands).map((name) => `${id} ${name}`)
		);
		expect(names).toEqual(expect.arrayContaining(Object.keys(telling)));
	});

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

/** Values that a schema takes. */
const sampleOf = (schema: z.ZodType): fc.Arbitrary<unknown> =>
	arbitraryOf(z.toJSONSchema(schema) as Shape);

const picture = writePicture(darkLamps(gridSize).map((_, i) => 0x30100 * i));

/** Of texts with a form of their own, by the names of their fields. */
const texts: Readonly<Record<string, fc.Arbitrary<unknown>>> = {
	picture: fc.constant(picture),
	film: fc.constantFrom(`${picture} 1`, `${picture} 0.5|${picture} 2`),
	columns: fc.constantFrom('', '7e11117e'),
	face: fc.constantFrom('glad', writeFace({ skin: 0x112233, lamps: readFace('calm')!.lamps }))
};

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
		case 'integer':
			return fc.integer({ min: minimum ?? -2, max: Math.min(2, maximum ?? 2) });
		case 'string':
			return fc.constantFrom('#ffb020', '#000000');
		case 'boolean':
			return fc.boolean();
		case 'array':
			return fc.array(arbitraryOf(items!), { maxLength: 4 });
		default: {
			const fields = Object.entries(properties ?? {});
			return fc.record(
				Object.fromEntries(fields.map(([name, field]) => [name, texts[name] ?? arbitraryOf(field)]))
			);
		}
	}
}

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
		({ device, name, schema }) => {
			fc.assert(
				fc.property(sampleOf(schema), fc.constantFrom(...variations), (values, variation) => {
					const trying = new Trying(kind, variation).liftOff();
					const wait = trying.order(device.id, name, values as object);
					const isOver = trying.pass(60, wait) < 60 - tick / 2;
					const { machine, member } = trying;
					// A move that wheels cannot make, such as half a degree with a worn gyro, gives up as stalled.
					const hasEnded = isOver || machine.isStalled || member.fault !== undefined;
					expect(hasEnded || isEndless(name, values)).toBe(true);
					for (const column of kind.columns) expect(column.of(machine)).toSatisfy(Number.isFinite);
				}),
				{ numRuns: runs(8, 30), seed: 9 }
			);
		}
	);

	it.each(orders)(
		'$device.id $name really does something, and is not refused',
		({ device, name, schema }) => {
			const [sample] = fc.sample(sampleOf(schema), { numRuns: 1, seed: 3 });
			const values = telling[`${device.id} ${name}`] ?? (sample as object);
			/** What is seen for three seconds, with the order or without it. */
			const watched = (isGiven: boolean) => {
				const trying = new Trying(kind, 'ideal');
				if (name !== 'takeOff') trying.liftOff();
				for (const [before, order, its] of beforehand) {
					if (!canDo(kind, [before]) || (setsOff(order) && setsOff(name))) continue;
					trying.order(before.id, order, its);
					trying.pass(0.5);
				}
				const wait = isGiven ? trying.order(device.id, name, values) : undefined;
				expect(wait?.refusal).toBeUndefined();
				if (name === 'volume')
					trying.order(device.id, 'play', { notes: [{ pitch: 300, length: 9 }] });
				if (name === 'stand') return trying.pass(3, wait);
				const seen = Array.from({ length: 12 }, () => {
					trying.pass(0.25);
					return trying.seen;
				});
				return [...seen, trying.heard];
			};
			// What it changes shows only in a move that is stuck: held by the tests of the kinds.
			if (name === 'giveUpAfter') watched(true);
			else if (name === 'stand') expect(watched(true)).toBeGreaterThan(0);
			else expect(watched(true)).not.toEqual(watched(false));
		}
	);

	it('is what its parameters say: each of them shows in what it does', () => {
		const course = { ...floor, rails: [bentRail] };
		const watched = (parameters: ParameterValues) => {
			const trying = new Trying(kind, 'worn', course, parameters);
			trying.liftOff();
			const seen = exercises
				.filter(([device]) => canDo(kind, [device]))
				.map(([device, name, values, seconds]) => {
					const wait = trying.order(device.id, name, values);
					trying.pass(seconds, name === 'land' ? wait : undefined);
					return trying.seen;
				});
			return [...seen, trying.member.fault];
		};
		const asDrawn = watched({});
		for (const [name, { range }] of Object.entries(modelOf(kind.kind).parameters)) {
			const shown = range.map((value) => JSON.stringify(watched({ [name]: value })));
			expect(shown, name).toSatisfy(() => shown.some((seen) => seen !== JSON.stringify(asDrawn)));
		}
	});

	it('is as full as whoever charges it makes it', () => {
		const robot = new Trying(kind, 'ideal');
		robot.machine.battery = 0.5;
		expect(robot.machine.battery).toBe(0.5);
		robot.pass(1);
		expect(robot.machine.battery).toBeLessThanOrEqual(0.5);
		expect(robot.machine.battery).toBeGreaterThan(0.49);
	});

	it('says of each reading what its type says, and nothing of what it lacks', () => {
		const { machine } = new Trying(kind, 'worn');
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

const bentRail: Course['rails'][number] = {
	...{ id: 'r', at: [4, 2], bearing: 0, isClosed: false, marks: [] },
	pieces: [{ length: 3 }, { radius: 0.3, angle: 80 }, { length: 3 }]
};

/** What tells one robot from another: on and on, round and round, to a stop and rolling out. Seconds. */
const exercises: readonly (readonly [Device, string, object, number])[] = [
	[patchesDevice, 'shine', { left: 0.5, right: 1 }, 2],
	[pacing, 'go', { distance: 0.7, speed: 0.5 }, 5],
	[turning, 'turn', { angle: -70 }, 2],
	[motion, 'start', { speed: 1 }, 1.6],
	[motion, 'stop', { isCoasting: false }, 0.2],
	[motion, 'start', { speed: 0.3 }, 1],
	[motion, 'start', { speed: 0.02 }, 1],
	[motion, 'start', { speed: 0.9 }, 1.1],
	[motion, 'stop', { isCoasting: true }, 2],
	[wheelsDevice, 'drive', { left: 0.6, right: 0.3 }, 2],
	[flying, 'flip', { direction: 'left' }, 1],
	[flying, 'land', {}, 9]
];

/** An order that does no more than let it go on and on: nothing shows if it does already. */
const setsOff = (name: string): boolean => name === 'start' || name === 'drive';

/** What stands only when somebody else stops it. */
const isEndless = (name: string, values: unknown): boolean =>
	name === 'stand' ||
	name === 'start' ||
	Math.abs((values as { speed?: number }).speed ?? 1) < 0.05;
