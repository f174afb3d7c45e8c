/**
 * The course document: the place where a mission happens, seen from above. Metres; x to the east,
 * y to the north, from the south-west corner of the floor; bearings in degrees clockwise from north.
 */
import { z } from 'zod';
import { identifierSchema, nameSchema } from '../document';

export const courseFormat = 'lantern-step/course';

const coordinate = z.number().min(-50).max(50);
const point = z.tuple([coordinate, coordinate]).describe('[x, y] in metres.');

const wallSchema = z.strictObject({
	id: identifierSchema,
	from: point,
	to: point,
	thickness: z.number().min(0.005).max(1).describe('Metres; the ends reach half of it further.')
});

const lampPostSchema = z.strictObject({
	id: identifierSchema,
	at: point,
	reach: z
		.number()
		.min(0.02)
		.max(2)
		.describe("Metres; the post lights when the robot's middle comes this near.")
});

export const courseSchema = z.strictObject({
	format: z.literal(courseFormat),
	version: z.literal(1),
	name: nameSchema,
	size: z.strictObject({
		width: z.number().min(0.5).max(20).describe('West to east, in metres.'),
		height: z.number().min(0.5).max(20).describe('South to north, in metres.')
	}),
	start: z.strictObject({
		at: point,
		bearing: z.number().min(0).lt(360).describe('Where front points, degrees clockwise from north.')
	}),
	finish: z
		.strictObject({ at: point, radius: z.number().min(0.02).max(2).describe('Metres.') })
		.nullable()
		.describe('The finish ring; null for a course that is only for trying out.'),
	walls: z.array(wallSchema).max(2000),
	lampPosts: z.array(lampPostSchema).max(200)
});

export type Course = z.infer<typeof courseSchema>;
export type Wall = z.infer<typeof wallSchema>;
export type LampPost = z.infer<typeof lampPostSchema>;
