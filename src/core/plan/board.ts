/** A person's own panel for a plan: buttons that start chains, a stick that drives, sliders that set variables. */
import { z } from 'zod';
import { identifierSchema, textSchema } from '../document';

/** Things on one board, at most. */
export const mostThings = 24;

const id = identifierSchema;
const end = z.number().min(-1e6).max(1e6);

export const boardSchema = z
	.array(
		z.discriminatedUnion('type', [
			z.strictObject({
				type: z.literal('button'),
				id,
				chain: identifierSchema.describe('The chain that it starts, by its id.'),
				label: textSchema(30)
			}),
			z.strictObject({
				type: z.literal('stick'),
				id,
				robot: identifierSchema.optional().describe('The first robot, if it is left out.')
			}),
			z.strictObject({
				type: z.literal('slider'),
				id,
				variable: textSchema(40, 1),
				from: end,
				to: end
			})
		])
	)
	.max(mostThings)
	.describe('In the order in which they lie.');
export type Board = z.infer<typeof boardSchema>;
export type BoardThing = Board[number];
