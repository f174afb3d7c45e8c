/** A float on a line that can be let down into the water. */
import { z } from 'zod';
import type { Device } from '../../src/core/devices/device';
import { types } from '../../src/core/types';

const commands = {
	/** Metres below the water. */
	sink: z.strictObject({ depth: z.number().min(0).max(1) })
};

export const float: Device<typeof commands> = {
	id: 'float',
	commands,
	readings: { floatDepth: { type: types.length, level: 'first', isUsual: true } }
};
