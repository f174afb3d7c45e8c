/** What goes between the browser and the server when documents are saved. Checked on both sides. */
import { z } from 'zod';
import { courseSchema } from '$core/course/course';
import { identifierSchema, nameSchema } from '$core/document';
import { planSchema } from '$core/plan/plan';
import { variations } from '$core/robots/robot';
import { touchesSchema } from '$core/simulation/touch';

export const documentKinds = ['plan', 'course'] as const;
export type DocumentKind = (typeof documentKinds)[number];

export const idSchema = z.string().regex(/^[A-Za-z0-9-]{1,64}$/);
export const seedSchema = z.int().min(0).max(0xffffffff);

/** All that is needed to have an attempt again, to the byte. */
export const attemptSeedSchema = z.strictObject({
	plan: planSchema,
	courseId: idSchema,
	/** Of the course as it was: on another one the attempt would be another, too. */
	courseMark: seedSchema.optional(),
	variation: z.enum(variations),
	seed: seedSchema,
	touches: touchesSchema.optional(),
	only: identifierSchema.optional(),
	/** When it was, milliseconds since 1970. */
	at: z.number().optional(),
	/** Version of the model that made it; an early one if it is not said. */
	model: z.int().optional()
});
export type AttemptSeed = z.infer<typeof attemptSeedSchema>;

/** What stands on the workbench beside the plan: course, variation, the last attempts. */
export const benchSchema = z.strictObject({
	courseId: idSchema.nullable(),
	variation: z.enum(variations),
	/** Newest first. */
	attempts: z.array(attemptSeedSchema).max(2)
});
export type Bench = z.infer<typeof benchSchema>;

const contentOf = {
	plan: z.strictObject({ kind: z.literal('plan'), content: planSchema }),
	course: z.strictObject({ kind: z.literal('course'), content: courseSchema })
};
const contentSchema = z.discriminatedUnion('kind', [contentOf.plan, contentOf.course]);
export type Content = z.infer<typeof contentSchema>;

export const saveSchema = z.strictObject({
	work: contentSchema,
	/** Left out when it did not change. */
	bench: benchSchema.optional(),
	/** The revision this save was made from; 0 for a new document. */
	baseRevision: z.int().min(0),
	saveId: idSchema,
	/** Earlier saves whose answer never came; the server may hold one of them. */
	unanswered: z.array(idSchema).max(100)
});
export type Save = z.infer<typeof saveSchema>;

/** `kept` is the document that now holds what was sent: a second version, after a conflict. */
export const savedSchema = z.strictObject({
	revision: z.int(),
	kept: z.strictObject({ id: idSchema, name: z.string() }).nullable(),
	/** It had been deleted, and is there again. */
	wasDeleted: z.literal(true).optional()
});
export type Saved = z.infer<typeof savedSchema>;

export const changeSchema = z.union([
	z.strictObject({ name: nameSchema }),
	z.strictObject({ deleted: z.boolean() })
]);

export const personSchema = z.strictObject({ name: nameSchema });

/** Rows of a list that come at once, at the most, and if nobody says. */
export const mostRows = 500;
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
