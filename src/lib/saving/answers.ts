/** What the server tells of documents: lists of them, their versions, and how a save went. */
import { z } from 'zod';
import { documentKinds, idPattern, mostRows } from './kinds';

export const idSchema = z.string().regex(idPattern);

/** `kept` is the document that now holds what was sent: a second version, after a conflict. */
export const savedSchema = z.strictObject({
	revision: z.int(),
	kept: z.strictObject({ id: idSchema, name: z.string() }).nullable(),
	/** It had been deleted, and is there again. */
	wasDeleted: z.literal(true).optional()
});
export type Saved = z.infer<typeof savedSchema>;

/** Rows of a list that come at once, if nobody says how many. */
const usualRows = 100;

/** Which list is asked for, and which rows of it. */
export const listingSchema = z.strictObject({
	kind: z.enum(documentKinds),
	deleted: z.literal('yes').optional(),
	/** In the name, the name of the owner, or what a list says of the content. */
	find: z.string().max(200).optional(),
	/** `samples`, or the id of its owner. */
	whose: idSchema.optional(),
	/** A kind of robot that a course is laid out for. */
	suits: idSchema.optional(),
	/** Comes first, if it is among them. */
	first: idSchema.optional(),
	skip: z.coerce.number().int().min(0).max(100_000).default(0),
	limit: z.coerce.number().int().min(1).max(mostRows).default(usualRows)
});
export type Listing = z.input<typeof listingSchema>;

/** What a list shows of a content that it does not hold. */
export const summarySchema = z.union([
	z.strictObject({ steps: z.int().min(0) }),
	z.strictObject({
		width: z.number(),
		height: z.number(),
		/** Kinds of robot that it is laid out for. */
		suits: z.array(z.string()).optional()
	}),
	z.strictObject({ isUnreadable: z.literal(true) })
]);
export type Summary = z.infer<typeof summarySchema>;

const ownerSchema = z.strictObject({ id: z.string(), name: z.string() });
export type Person = z.infer<typeof ownerSchema>;

/** A line of the list of plans or courses. */
export const listedSchema = z.strictObject({
	id: idSchema,
	name: z.string(),
	owner: ownerSchema.nullable(),
	/** It came with the app. */
	isSample: z.boolean(),
	/** Of a deleted one: when it was deleted. */
	updatedAt: z.string(),
	revision: z.int(),
	/** null while nobody has looked at it yet. */
	summary: summarySchema.nullable()
});
export type Listed = z.infer<typeof listedSchema>;

/** Some rows of a list, and how many there are in all. */
export const pageSchema = z.strictObject({ rows: z.array(listedSchema), total: z.int() });
export interface Page {
	readonly rows: readonly Listed[];
	readonly total: number;
}

/** A plan that is tried on a course. */
export const useSchema = z.strictObject({
	id: idSchema,
	name: z.string(),
	owner: z.string().nullable()
});
export type Use = z.infer<typeof useSchema>;

/** An earlier content of a document. */
export const versionSchema = z.strictObject({
	id: z.int(),
	name: z.string(),
	/** Name of who saved it. */
	by: z.string().nullable(),
	savedAt: z.string(),
	summary: summarySchema.nullable()
});
export type Version = z.infer<typeof versionSchema>;
