/**
 * What an app and a robot say to each other, one frame after the other, each as JSON in a text
 * message of its own. Whoever receives a frame parses it first. docs/link.md tells it in order.
 * Lengths in metres, times in seconds, angles in degrees clockwise, bearings from north.
 */
import { z } from 'zod';
import { courseSchema } from '../course/course';
import { identifierSchema, nameSchema } from '../document';
import { planSchema } from '../plan/plan';
import { signCount, signValues } from './signs';

/** Of what is written here. A robot that speaks a lower one cannot be talked to. */
export const linkVersion = 3;
/** Bytes of one message, at most. */
export const longestMessage = 1024 * 1024;
/** Messages a second to a robot, at most, on an average of one second. */
export const mostMessages = 400;
/** As many messages one `hello` counts for: each makes a robot work out a key. */
export const helloWeight = 40;

const id = z.int().min(1).describe('Of an order: counted up by the app.');
const word = z.string().min(1).max(64);
const time = z.number().min(0).describe('Seconds of the robot’s clock since the run began.');
const part = z.number().min(0).max(1);

/** A key, a mark, a proof, a nonce: 32 bytes, as hexadecimal digits. */
const secret = z.string().regex(/^[0-9a-f]{64}$/);
/** The SHA-256 of a file. */
const hash = secret;
const hand = z.boolean().describe('What is told counts once a hand is on its button.');
const left = z.int().min(0).describe('Tries, of all people together.');

const personSchema = z.strictObject({ id: identifierSchema, name: nameSchema });
export type LinkPerson = z.infer<typeof personSchema>;

const placeSchema = z.strictObject({
	x: z.number(),
	y: z.number(),
	bearing: z
		.number()
		.describe('Where its front points: degrees clockwise from north, counted on past 360.')
});

/** Places for plans on a robot. */
export const storePlaces = 4;

const placeNumber = z
	.int()
	.min(1)
	.max(storePlaces)
	.describe('Of the places in which a robot holds plans.');

const orderFrame = z.strictObject({
	type: z.literal('begin'),
	id,
	command: z.strictObject({
		device: word,
		name: word,
		values: z.record(word, z.unknown()).describe('As the device takes them.')
	})
});

/** @returns undefined for a text that is no JSON, or not of this kind */
export function readMessage<T>(text: string, schema: z.ZodType<T>): T | undefined {
	try {
		return schema.safeParse(JSON.parse(text)).data;
	} catch {
		return undefined;
	}
}

/** From an app to a robot. */
export const toRobotSchema = z.discriminatedUnion('type', [
	z
		.strictObject({
			type: z.literal('hello'),
			version: z.int().min(0),
			person: personSchema,
			key: secret.describe('New for each visit.'),
			hasToken: z.boolean().describe('From a pairing before: no signs are needed.')
		})
		.describe('The first frame: somebody wants this robot.'),
	z
		.strictObject({ type: z.literal('proof'), proof: secret })
		.describe('After `challenge`: that it has the token.'),
	z
		.strictObject({ type: z.literal('seal'), mark: secret })
		.describe('What the person saw, sealed: it can be opened, and not be changed.'),
	z
		.strictObject({ type: z.literal('open'), nonce: secret })
		.describe('After `shown`, if they are the same.'),
	z.strictObject({ type: z.literal('start') }).describe('A run begins: the clock is 0.'),
	z
		.strictObject({ type: z.literal('lineUp'), at: placeSchema })
		.describe('Where it stands now, and where its front points.'),
	orderFrame,
	z.strictObject({ type: z.literal('halt') }).describe('Overtakes whatever else is on its way.'),
	z.strictObject({ type: z.literal('end') }).describe('The run is over: it comes to rest.'),
	z.strictObject({ type: z.literal('alive') }).describe('Nothing to say, but still there.'),
	z.strictObject({ type: z.literal('rename'), name: nameSchema }),
	z.strictObject({ type: z.literal('letGo') }).describe('Somebody else may have it now.'),
	z.strictObject({ type: z.literal('switchOff') }),
	z
		.strictObject({
			type: z.literal('store'),
			place: placeNumber,
			planId: identifierSchema,
			plan: planSchema
				.refine(({ robots }) => robots.length === 1)
				.describe('For one robot: whoever holds it cannot hear the others.'),
			courseId: identifierSchema.nullable(),
			course: courseSchema.describe('Where it is to run: its start mark is where it begins.'),
			owner: nameSchema
		})
		.describe('Holds a plan, in place of what that place held.'),
	z
		.strictObject({ type: z.literal('clips'), ids: z.array(hash).max(64) })
		.describe('Sounds that are going to be played, by their SHA-256: which does it lack?'),
	z
		.strictObject({
			type: z.literal('clip'),
			id: hash,
			part: z.int().min(0).max(1000),
			isLast: z.boolean(),
			content: z.base64().max(40_000).describe('A piece of its WAV file.')
		})
		.describe('A sound that it lacks, in pieces, one after the other.'),
	z.strictObject({ type: z.literal('erase'), place: placeNumber }),
	z.strictObject({ type: z.literal('list') }).describe('What does it hold?'),
	z.strictObject({ type: z.literal('runStored'), place: placeNumber })
]);
export type ToRobot = z.infer<typeof toRobotSchema>;

const reading = z.union([z.number(), z.boolean(), z.string().max(64), z.null()]);
const rowSchema = z.record(word, reading).describe('By the name of a reading; null is unknown.');
export type SensedRow = Readonly<Record<string, z.infer<typeof reading>>>;

/** Why somebody cannot have a robot now. */
export const hindrances = [
	...['asleep', 'starting', 'busy', 'flat', 'tooOld', 'stranger']
] as const;

/** How a robot is, as it tells everybody who is near. */
export const advertSchema = z.strictObject({
	type: z.literal('advert'),
	id: identifierSchema,
	name: nameSchema,
	kind: word,
	firmware: word,
	version: z.int().min(0),
	state: z.enum(['asleep', 'starting', 'ready', 'busy', 'flat', 'charging']),
	battery: part,
	signal: part.describe('How well it is heard.'),
	seconds: z.number().min(0).optional().describe('Until it has started.'),
	with: nameSchema.optional().describe('Who has it.'),
	since: z.number().min(0).optional().describe('Seconds for which they have had it.')
});
export type Advert = z.infer<typeof advertSchema>;

const greetingSchema = z.strictObject({
	type: z.literal('greeting'),
	version: z.int().min(1),
	id: identifierSchema,
	name: nameSchema,
	kind: word,
	firmware: word,
	devices: z.array(word).max(64),
	settings: z.record(word, z.unknown()),
	proof: secret.describe('That it has the token, too.')
});
export type Greeting = z.infer<typeof greetingSchema>;

/** From a robot to an app. */
export const fromRobotSchema = z.discriminatedUnion('type', [
	z
		.strictObject({ type: z.literal('challenge'), key: secret })
		.describe('It knows this person: who has the token shows it.'),
	z
		.strictObject({
			type: z.literal('confirm'),
			key: secret,
			seconds: z.number().min(0).describe('For which they are good.'),
			left,
			hand
		})
		.describe('It shows its signs, over and over; new ones each time that it says so.'),
	z
		.strictObject({
			type: z.literal('shown'),
			signs: z.array(z.int().min(1).max(signValues)).length(signCount),
			left,
			hand
		})
		.describe('The signs that were sealed are held against these; it shows others by now.'),
	z.strictObject({ type: z.literal('wrong'), left, hand }),
	z.strictObject({
		type: z.literal('sorry'),
		why: z.enum(hindrances),
		seconds: z.number().min(0).optional(),
		with: nameSchema.optional(),
		since: z.number().min(0).optional()
	}),
	greetingSchema,
	z
		.strictObject({ type: z.literal('started') })
		.describe('After `start`: what comes from now on belongs to this run.'),
	z.strictObject({ type: z.literal('done'), id }).describe('It has been carried out.'),
	z
		.strictObject({ type: z.literal('cut'), id })
		.describe('It was halted, or another order took its place.'),
	z.strictObject({ type: z.literal('refused'), id, why: word }),
	z.strictObject({
		type: z.literal('sense'),
		time,
		row: rowSchema,
		shows: z.record(word, z.number().nullable()).optional().describe('Columns of its kind.'),
		at: placeSchema.optional().describe('Where it reckons to be, since it was lined up.')
	}),
	z.strictObject({
		type: z.literal('happened'),
		happening: z.strictObject({ time, kind: word, what: word.optional() })
	}),
	z
		.strictObject({ type: z.literal('lacks'), ids: z.array(hash), room: z.number() })
		.describe(
			'After `clips`, and after a clip that it does not keep: with the bytes it has room for.'
		),
	z.strictObject({ type: z.literal('holds'), id: hash }).describe('A sound has come, whole.'),
	z.strictObject({ type: z.literal('ended'), time }).describe('It stands after `end`.'),
	z.strictObject({ type: z.literal('fault'), fault: word }),
	z.strictObject({ type: z.literal('battery'), battery: part, isCharging: z.boolean() }),
	z.strictObject({ type: z.literal('named'), name: nameSchema }),
	z.strictObject({
		type: z.literal('stored'),
		places: z.array(z.strictObject({ place: placeNumber, name: nameSchema, owner: nameSchema }))
	}),
	z
		.strictObject({
			type: z.literal('journal'),
			run: word,
			planId: identifierSchema,
			courseId: identifierSchema.nullable(),
			plan: planSchema.optional().describe('With the first entry.'),
			ago: z.number().min(0).describe('Seconds since the run began.'),
			part: z.int().min(1),
			isLast: z.boolean(),
			news: z.unknown().describe('As in docs/link.md.')
		})
		.describe('An entry of what it wrote down of a plan that it held.'),
	z
		.strictObject({
			type: z.literal('bad'),
			why: z.enum(['notJson', 'unknown', 'notPaired', 'tooMany', 'tooLong'])
		})
		.describe('A message that it could not take.')
]);
export type FromRobot = z.infer<typeof fromRobotSchema>;
