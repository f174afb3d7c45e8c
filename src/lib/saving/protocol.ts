/** What the browser sends when documents are saved. Checked on both sides. */
import { z } from 'zod';
import { courseSchema } from '$core/course/course';
import { identifierSchema, nameSchema } from '$core/document';
import { planSchema } from '$core/plan/plan';
import { variations } from '$core/robots/robot';
import { parametersSchema } from '$core/simulation/attempt-schema';
import { touchesSchema } from '$core/simulation/touch';
import { idSchema } from './answers';

export const seedSchema = z.int().min(0).max(0xffffffff);

/** All that is needed to have an attempt again, to the byte. */
export const attemptSeedSchema = z.strictObject({
	/** Under which the attempt itself is kept; an early one was not. */
	id: idSchema.optional(),
	plan: planSchema,
	courseId: idSchema,
	/** Of the course as it was: on another one the attempt would be another, too. */
	courseMark: seedSchema.optional(),
	variation: z.enum(variations),
	seed: seedSchema,
	parameters: parametersSchema.optional(),
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

export const changeSchema = z.union([
	z.strictObject({ name: nameSchema }),
	z.strictObject({ deleted: z.boolean() })
]);

export const personSchema = z.strictObject({ name: nameSchema });
