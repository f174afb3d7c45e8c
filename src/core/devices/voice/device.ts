/** It speaks. */
import { z } from 'zod';
import type { Device } from '../device';

const commands = {
	say: z.strictObject({
		text: z.string().min(1).max(200),
		seconds: z.number().min(0).max(30).describe('For how long it is taken to speak.')
	})
};

export const voice: Device<typeof commands> = { id: 'voice', commands, readings: {} };
