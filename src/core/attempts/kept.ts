/** What is known of a kept attempt beside its recording: what a list shows, and what a person wrote to it. */
import { z } from 'zod';
import { identifierSchema, nameSchema, textSchema } from '../document';
import { touchesSchema } from '../simulation/touch';
import { marksSchema } from './marks';
import { attemptSummarySchema } from './summary';

/** Of attempts, plans and courses where they are kept. */
const keptIdSchema = z.string().regex(/^[A-Za-z0-9-]{1,64}$/);
/** SHA-256 of a text or a recording, in hexadecimal digits. */
const hashSchema = z.string().regex(/^[0-9a-f]{64}$/);

/** What a person writes to one. Always said whole, so that saying it twice does no harm. */
export const attemptNotesSchema = z.strictObject({
	name: nameSchema.optional(),
	note: textSchema(500).optional(),
	isPinned: z.boolean().optional(),
	/** Ids of attempts that it was set beside: each is a comparison that was kept. */
	beside: z.array(keptIdSchema).max(20).readonly().optional(),
	marks: marksSchema.readonly().optional()
});
export type AttemptNotes = Readonly<z.infer<typeof attemptNotesSchema>>;

const fields = {
	planId: keptIdSchema,
	courseId: keptIdSchema.nullable(),
	/** Milliseconds since 1970. */
	at: z.number(),
	/** Of the model that made it, or stood beside the robots. */
	modelVersion: z.int().min(1),
	/** Of the course as it was. */
	courseMark: z.int().min(0).max(0xffffffff),
	touches: touchesSchema.readonly().optional(),
	only: identifierSchema.optional(),
	summary: attemptSummarySchema
};

/** What a list shows of one. */
export const listedAttemptSchema = z.strictObject({
	id: keptIdSchema,
	...fields,
	...attemptNotesSchema.shape,
	/** Name of who made it, where that is somebody else. */
	by: z.string().optional()
});
export type ListedAttempt = Readonly<z.infer<typeof listedAttemptSchema>>;

/** One as it goes to the server. */
export const sentAttemptSchema = z.strictObject({
	...fields,
	...attemptNotesSchema.shape,
	planHash: hashSchema,
	courseHash: hashSchema,
	/** Packed, in base64. */
	recording: z.base64(),
	/** Plan and course by their hash, where the server may not have them yet. */
	bodies: z
		.record(hashSchema, z.string())
		.refine((bodies) => Object.keys(bodies).length <= 2)
		.optional()
});
export type SentAttempt = z.infer<typeof sentAttemptSchema>;

/** What the server answers: hashes of the bodies without which it does not take it. */
export const takenAttemptSchema = z.strictObject({ missing: z.array(hashSchema) });

/** What a person has changed of it. */
export const changedAttemptSchema = z.strictObject({
	...attemptNotesSchema.shape,
	isGone: z.literal(true).optional()
});
export type ChangedAttempt = z.infer<typeof changedAttemptSchema>;

/** One whole, as the server has it. */
export const fetchedAttemptSchema = z.strictObject({
	row: listedAttemptSchema,
	plan: z.string(),
	course: z.string(),
	recording: z.base64()
});
export type FetchedAttempt = z.infer<typeof fetchedAttemptSchema>;

export const notesOf = ({ name, note, isPinned, beside, marks }: AttemptNotes): AttemptNotes => ({
	...(name !== undefined && { name }),
	...(note !== undefined && { note }),
	...(isPinned && { isPinned }),
	...(beside && beside.length > 0 && { beside }),
	...(marks && marks.length > 0 && { marks })
});
