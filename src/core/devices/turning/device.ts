/** It measures how far it turns, and turns as far as it is told by that. Such moves end still. */
import { z } from 'zod';
import type { Device } from '../device';

const commands = {
	/** Radians, counter-clockwise (left) is positive. */
	turn: z.strictObject({ angle: z.number() }),
	/** The shorter way. Degrees clockwise from north. */
	turnTo: z.strictObject({ bearing: z.number() })
};

export const turning: Device<typeof commands> = {
	id: 'turning',
	commands,
	moves: ['turn', 'turnTo'],
	readings: {}
};
