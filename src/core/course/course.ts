/**
 * The course document: the place where a mission happens, seen from above. Metres; x to the east,
 * y to the north, from the south-west corner of the floor; bearings in degrees clockwise from north.
 */
import { z } from 'zod';
import {
	isFields,
	nameSchema,
	withUpgrades,
	type DocumentFormat,
	type Fields,
	type Upgrade
} from '../document';
import { helpersOffSchema } from '../helpers';
import type { PartKind } from './parts/kind';
import { partKinds } from './parts/list';
import { share } from './parts/schemas';
import { surface } from './parts/surfaces';

export type PartName = keyof typeof partKinds;
/** A part of this kind; of any kind, if none is named. */
export type Part<N extends PartName = PartName> = z.infer<(typeof partKinds)[N]['schema']>;
/** Kinds of which there is one or none. */
export type SinglePart = {
	[N in PartName]: (typeof partKinds)[N] extends { readonly isOne: true } ? N : never;
}[PartName];

/** What is true of the whole course. */
export const fieldSchemas = {
	name: nameSchema,
	size: z.strictObject({
		width: z.number().min(0.5).max(20).describe('West to east, in metres.'),
		height: z.number().min(0.5).max(20).describe('South to north, in metres.')
	}),
	surface,
	ceiling: z.number().min(0.5).max(20),
	light: share,
	sound: share,
	isInOrder: z.boolean(),
	helpersOff: helpersOffSchema,
	locked: z.array(z.string().regex(/^[A-Za-z]{1,20}\/[A-Za-z0-9_-]{1,40}$/)).max(2000)
};

const { name, size, ceiling, light, sound, isInOrder, locked, helpersOff } = fieldSchemas;

/** Those that came later have a value: a course that was written before them is read without them. */
const fields = {
	format: z.literal('lantern-step/course'),
	version: z.literal(2),
	name,
	size,
	surface: surface.default('tile').describe('What the whole floor is made of.'),
	ceiling: ceiling.default(2.5).describe('Metres from the floor.'),
	light: light.default(0.6).describe('Daylight, 0 dark to 1 bright.'),
	sound: sound.default(0.1).describe('Noise of the room, 0 to 1.'),
	isInOrder: isInOrder
		.default(false)
		.describe('Whether lamp posts, and gates, count only one after the other, as they are listed.'),
	locked: locked
		.default([])
		.describe('Parts that are held fast while the course is drawn, such as walls/pier.'),
	helpersOff: helpersOff.default([])
};

/** What holds all parts of one kind in a course. */
function holderOf({ schema, most, isOne, isLater, about }: PartKind<unknown>): z.ZodType {
	const many = isOne ? schema.nullable() : z.array(schema).max(most);
	const held = isLater ? many.default((isOne ? null : []) as never) : many;
	return about ? held.describe(about) : held;
}

/** As files have them, which have kept their order since they were written first; what is new comes last. */
const order = [
	...['format', 'version', 'name', 'size', 'starts', 'finish', 'walls', 'lampPosts', 'tapes'],
	...['patches', 'surface', 'surfaces', 'crates', 'gates', 'pads', 'rails', 'ceiling', 'table'],
	...['light', 'sound', 'isInOrder', 'locked', 'helpersOff']
];
const placeOf = (field: string): number =>
	order.includes(field) ? order.indexOf(field) : Infinity;

const holders = Object.entries(partKinds).map(
	([part, kind]) => [part, holderOf(kind as unknown as PartKind<unknown>)] as const
);
const currentSchema = z.strictObject(
	Object.fromEntries(
		[...Object.entries<z.ZodType>(fields), ...holders].toSorted(
			([one], [other]) => placeOf(one) - placeOf(other)
		)
	)
) as unknown as z.ZodType<Course>;

type Lists = { [N in Exclude<PartName, SinglePart>]: Part<N>[] } & {
	[N in SinglePart]: Part<N> | null;
};
export type Course = { [F in keyof typeof fields]: z.infer<(typeof fields)[F]> } & Lists;

/** In version 1 there was one start mark. */
const startToStarts: Upgrade = ({ start, ...course }) => ({ ...course, starts: [start] });

/** Files from anywhere may repeat an id in a list: the later part gets one of its own. */
function ownIds(document: Fields): Fields {
	const mended = Object.entries(document).map(([name, list]) => {
		if (!Array.isArray(list)) return [name, list] as const;
		const taken = new Set<string>();
		const parts = list.map((part: unknown): unknown => {
			if (!isFields(part) || typeof part.id !== 'string') return part;
			const id = taken.has(part.id) ? otherId(part.id, taken) : part.id;
			taken.add(id);
			return id === part.id ? part : { ...part, id };
		});
		return [name, parts] as const;
	});
	return Object.fromEntries(mended);
}

function otherId(id: string, taken: ReadonlySet<string>): string {
	for (let number = 2; ; number++) {
		const other = `${id.slice(0, 34)}-${number}`;
		if (!taken.has(other)) return other;
	}
}

export const courseSchema: z.ZodType<Course> = withUpgrades(currentSchema, [startToStarts], ownIds);

export const courseFormat: DocumentFormat<Course> = {
	name: 'lantern-step/course',
	version: 2,
	schema: courseSchema
};

type CourseParts = Partial<Course> & Pick<Course, 'name' | 'size' | 'starts'>;

/** A course of these parts, with nothing else on it. */
export const makeCourse = (parts: CourseParts): Course =>
	courseSchema.parse({
		format: courseFormat.name,
		version: courseFormat.version,
		finish: null,
		walls: [],
		lampPosts: [],
		...parts
	});

export type Wall = Part<'walls'>;
export type Gate = Part<'gates'>;
export type Tape = Part<'tapes'>;
export type Patch = Part<'patches'>;
export type Crate = Part<'crates'>;
export type LampPost = Part<'lampPosts'>;
