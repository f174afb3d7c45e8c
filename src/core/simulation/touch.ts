/** A hand that touches a robot in the middle of a rehearsal. */
import { z } from 'zod';
import { identifierSchema, textSchema } from '../document';
import { maximumTouches } from './settings';

export const touchSchema = z.strictObject({
	/** Seconds since Run. */
	time: z.number().min(0),
	/** Its id in the plan; the first when left out. */
	robot: identifierSchema.optional(),
	/** No touch: a word that it hears. */
	word: textSchema(40, 1).optional()
});

export type Touch = z.infer<typeof touchSchema>;

/** What a hand does to one robot. */
export type HandAt = Pick<Touch, 'time' | 'word'>;

/** Kept attempts from when there was one robot have the times alone. */
const earlier = z
	.number()
	.min(0)
	.transform((time): Touch => ({ time }));

export const touchesSchema = z.array(z.union([touchSchema, earlier])).max(maximumTouches);
