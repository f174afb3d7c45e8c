/**
 * What an app and a robot say to each other while a plan runs, one frame after the other. Whoever
 * receives a frame parses it first.
 */
import { z } from 'zod';

const id = z.int().min(1).describe('Of an order: counted up by the app.');
const word = z.string().min(1).max(64);
const time = z.number().min(0).describe('Seconds of the robot’s clock since Run.');

const orderFrame = z.strictObject({
	type: z.literal('begin'),
	id,
	command: z.strictObject({
		device: word,
		name: word,
		values: z.record(word, z.unknown()).describe('As the device takes them.')
	})
});

/** From an app to a robot. */
export const toRobotSchema = z.discriminatedUnion('type', [
	orderFrame,
	z.strictObject({ type: z.literal('halt') }).describe('Overtakes whatever else is on its way.'),
	z.strictObject({ type: z.literal('alive') }).describe('Nothing to say, but still there.')
]);
export type ToRobot = z.infer<typeof toRobotSchema>;

const reading = z.union([z.number(), z.boolean(), z.string().max(64)]);
export type Row = Readonly<Record<string, z.infer<typeof reading>>>;

/** From a robot to an app. */
export const fromRobotSchema = z.discriminatedUnion('type', [
	z.strictObject({ type: z.literal('done'), id }),
	z.strictObject({ type: z.literal('refused'), id, why: word }),
	z.strictObject({ type: z.literal('sense'), time, row: z.record(word, reading) }),
	z.strictObject({
		type: z.literal('happened'),
		happening: z.strictObject({ time, kind: word, what: word.optional() })
	})
]);
export type FromRobot = z.infer<typeof fromRobotSchema>;
