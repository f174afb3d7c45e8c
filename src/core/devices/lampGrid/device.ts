/** A grid of eight by eight lamps, each of any colour. */
import { z } from 'zod';
import { filmSchema, pictureSchema } from '../../pictures/schema';
import type { Device } from '../device';

export const turns = ['right', 'left', 'half', 'sides', 'ends'] as const;
/** Columns of a text at the most. */
export const mostColumns = 480;

const commands = {
	show: z.strictObject({ picture: pictureSchema }),
	play: z.strictObject({
		film: filmSchema,
		beat: z.number().min(0.01).max(10).describe('Seconds.'),
		times: z.int().min(0).max(1000).describe('0: until told otherwise.')
	}),
	run: z.strictObject({
		columns: z
			.string()
			.regex(/^([0-9a-f]{2})*$/)
			.max(2 * mostColumns)
			.describe('Two hexadecimal digits a column, from the left; the lowest bit on top.'),
		colour: z.string().regex(/^#[0-9a-f]{6}$/),
		pace: z.number().min(0.5).max(60).describe('Columns a second.')
	}),
	turn: z.strictObject({
		way: z.enum(turns)
	}),
	brightness: z.strictObject({ part: z.number().min(0).max(1) }),
	dark: z.strictObject({})
};

export const lampGrid: Device<typeof commands> = { id: 'lampGrid', commands, readings: {} };

/** What one may be told. */
export type GridOrder = {
	readonly [N in keyof typeof commands]: {
		readonly name: N;
		readonly values: Readonly<z.infer<(typeof commands)[N]>>;
	};
}[keyof typeof commands];
