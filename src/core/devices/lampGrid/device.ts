/** A grid of eight by eight lamps, each of any colour. */
import { z } from 'zod';
import { pictureSchema } from '../../pictures/schema';
import type { Device } from '../device';

const commands = {
	show: z.strictObject({ picture: pictureSchema }),
	dark: z.strictObject({})
};

export const lampGrid: Device<typeof commands> = { id: 'lampGrid', commands, readings: {} };
