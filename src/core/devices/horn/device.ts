/** A horn of one pitch. */
import { z } from 'zod';
import type { Device } from '../device';

const commands = {
	sound: z.strictObject({ duration: z.number().min(0).describe('Seconds.') })
};

export const hornDevice: Device<typeof commands> = { id: 'horn', commands, readings: {} };
