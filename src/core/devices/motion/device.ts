/** It can be set going and stopped, without measuring anything: what wheels, shells and rotors have in common. */
import { z } from 'zod';
import type { Device } from '../device';

const commands = {
	/** Lets it go ahead until told otherwise; less than 0 goes backwards. */
	start: z.strictObject({
		speed: z.number().min(-1).max(1).describe('Part of the top speed; less than 0 goes backwards.')
	}),
	/** Begins to stop: by braking, or by rolling out. */
	stop: z.strictObject({ isCoasting: z.boolean() }),
	/** Only waits until the robot stands. */
	stand: z.strictObject({})
};

export const motion: Device<typeof commands> = {
	id: 'motion',
	commands,
	readings: {},
	moves: ['start', 'stop']
};
