/** It measures its way and its turning together, and so goes along an arc. It ends still. */
import { z } from 'zod';
import type { Device } from '../device';

const commands = {
	/** Metres and radians. */
	arc: z.strictObject({
		direction: z.enum(['left', 'right']),
		radius: z.number(),
		angle: z.number(),
		speed: z.number().min(-1).max(1)
	})
};

export const curving: Device<typeof commands> = {
	id: 'curving',
	commands,
	moves: ['arc'],
	readings: {}
};
