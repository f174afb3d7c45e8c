/** What a recording is made of, as JSON holds it: for what comes from a file, a device or a robot. */
import { z } from 'zod';
import { identifierSchema } from '../document';
import { variations } from '../robots/robot';
import { outcomes } from './attempt';

export const sentenceSchema = z.strictObject({
	key: z.string().max(100),
	values: z
		.record(
			z.string(),
			z.union([z.number(), z.string().max(200), z.strictObject({ message: z.string().max(100) })])
		)
		.optional()
});

/** A number that may have been none when it was written. */
export const figureSchema = z.number().nullable();

const datum: z.ZodType = z.union([
	z.number(),
	z.boolean(),
	z.string(),
	z.array(z.unknown()),
	z.null()
]);

export const poseSchema = z.strictObject({ x: z.number(), y: z.number(), heading: z.number() });

export const spanSchema = z.strictObject({
	stepId: z.string(),
	robot: z.string(),
	kind: z.string(),
	number: z.number(),
	values: z.record(z.string(), datum),
	hasBody: z.boolean(),
	start: z.number(),
	end: z.number(),
	from: poseSchema,
	to: poseSchema,
	speedAtStart: z.number(),
	speedAtEnd: z.number(),
	isComplete: z.boolean()
});

export const bumpSchema = z.strictObject({
	time: z.number(),
	x: z.number(),
	y: z.number(),
	stepId: z.string().nullable(),
	number: z.number(),
	against: z.string()
});

export const toneSchema = z.strictObject({
	time: z.number(),
	pitch: z.number(),
	length: z.number(),
	volume: z.number(),
	clip: z
		.string()
		.max(64)
		.optional()
		.describe('What sounds in place of the pitch: the SHA-256 of a sound.'),
	text: z.string().max(200).optional().describe('What is said.')
});

export const loggedSchema = z.strictObject({
	time: z.number(),
	stepId: z.string(),
	number: z.number(),
	value: datum
});

export const noteSchema = z.strictObject({ stepId: z.string(), sentence: sentenceSchema });

export const outcomeSchema = z.strictObject({
	kind: z.enum(outcomes),
	reason: sentenceSchema,
	seconds: z.number(),
	reachedFinish: z.boolean(),
	lampPosts: z.array(z.strictObject({ id: z.string(), time: z.number() }))
});

/** By the ids of robots: what was known of them. */
export const parametersSchema = z
	.record(identifierSchema, z.record(z.string().max(40), z.number()))
	.describe('By the ids of robots and the names of parameters: what was known of them.');

/** Where an attempt comes from. */
export const sourceSchema = z.discriminatedUnion('type', [
	z.strictObject({
		type: z.literal('rehearsal'),
		variation: z.enum(variations),
		seed: z.int(),
		parameters: parametersSchema.optional()
	}),
	z.strictObject({
		type: z.literal('run'),
		linedUp: z
			.number()
			.optional()
			.describe('When robots whose front is hidden were lined up, milliseconds since 1970.')
	}),
	z.strictObject({ type: z.literal('played') })
]);
