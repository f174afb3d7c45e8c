/** A grid of eight by eight lamps, each of any colour. */
import { z } from 'zod';
import { readPicture } from '../../pictures/picture';
import type { Device } from '../device';

const commands = {
	show: z.strictObject({
		picture: z
			.string()
			.max(500)
			.refine((text) => readPicture(text) !== null)
			.describe(
				'Eight rows from the top, "/" between them, of eight lamps each from the left: rrggbb, or "." for a dark one.'
			)
	}),
	dark: z.strictObject({})
};

export const lampGrid: Device<typeof commands> = { id: 'lampGrid', commands, readings: {} };
