/** A horn of one pitch. */
import { z } from 'zod';
import type { Device } from '../device';

const commands = {
	/** For so many seconds. */
	sound: z.strictObject({ duration: z.number().min(0) })
};

export const horn: Device<typeof commands> = { id: 'horn', commands, readings: {} };
