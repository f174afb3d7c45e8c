/** It measures how far it turns, and turns as far as it is told by that. Such moves end still. */
import { z } from 'zod';
import type { Device } from '../device';

const commands = {
	/** On the spot. */
	turn: z.strictObject({
		angle: z.number().describe('Degrees, clockwise: right is positive.')
	}),
	/** The shorter way. */
	turnTo: z.strictObject({ bearing: z.number().describe('Degrees, clockwise from north.') })
};

export const turning: Device<typeof commands> = {
	id: 'turning',
	commands,
	moves: ['turn', 'turnTo'],
	readings: {}
};
