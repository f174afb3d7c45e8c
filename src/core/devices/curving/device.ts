/** It measures its way and its turning together, and so goes along an arc. It ends still. */
import { z } from 'zod';
import type { Device } from '../device';

const commands = {
	arc: z.strictObject({
		direction: z.enum(['left', 'right']),
		radius: z.number().describe('Metres.'),
		angle: z.number().describe('Degrees, without sign: the direction says which way.'),
		speed: z.number().min(-1).max(1).describe('Part of the top speed; less than 0 goes backwards.')
	})
};

export const curving: Device<typeof commands> = {
	id: 'curving',
	commands,
	moves: ['arc'],
	readings: {}
};
