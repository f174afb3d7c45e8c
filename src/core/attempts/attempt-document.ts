/** An attempt as a file: what was recorded, with the plan and the course as they were. */
import { z } from 'zod';
import { courseFormat, type Course } from '../course/course';
import { identifierSchema, nameSchema, textSchema, type DocumentFormat } from '../document';
import { planFormat, type Plan } from '../plan/plan';
import type { Attempt } from '../simulation/attempt';
import { maximumTouches, modelVersion } from '../simulation/settings';
import { touchSchema, type Touch } from '../simulation/touch';
import { marksSchema, type Mark } from './marks';
import { recordingOf, recordingSchema, type Recording } from './recording';

export interface AttemptDocument {
	readonly format: 'lantern-step/attempt';
	readonly version: 1;
	readonly at: string;
	readonly name?: string | undefined;
	readonly note?: string | undefined;
	readonly modelVersion: number;
	readonly plan: Plan;
	readonly course: Course;
	readonly touches?: readonly Touch[] | undefined;
	readonly only?: string | undefined;
	readonly marks?: readonly Mark[] | undefined;
	readonly recording: Recording;
}

export const attemptFormat: DocumentFormat<AttemptDocument> = {
	name: 'lantern-step/attempt',
	version: 1,
	schema: z.strictObject({
		format: z.literal('lantern-step/attempt'),
		version: z.literal(1),
		at: z.iso.datetime().describe('When it was made, in universal time.'),
		name: nameSchema.optional(),
		note: textSchema(500).optional(),
		modelVersion: z.int().min(1).describe('Of the model that made it, or stood beside the robots.'),
		plan: planFormat.schema.describe('As it was then.'),
		course: courseFormat.schema.describe('As it was then.'),
		touches: z
			.array(touchSchema)
			.max(maximumTouches)
			.optional()
			.describe('When a hand touched a robot.'),
		only: identifierSchema.optional().describe('The one chain that ran.'),
		marks: marksSchema.optional().describe('What a hand marked on the real floor.'),
		recording: recordingSchema
	}) as unknown as z.ZodType<AttemptDocument>
};

/** What an attempt was made from, and when. */
export type AttemptOrigin = Pick<AttemptDocument, 'at' | 'plan' | 'course' | 'touches' | 'only'>;

export const attemptDocument = (attempt: Attempt, made: AttemptOrigin): AttemptDocument => ({
	format: 'lantern-step/attempt',
	version: 1,
	modelVersion,
	...made,
	recording: recordingOf(attempt)
});
