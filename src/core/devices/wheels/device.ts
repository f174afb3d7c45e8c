/** Two driven wheels, told how fast to turn. */
import { z } from 'zod';
import type { Device } from '../device';

const power = z.number().min(-1).max(1);

const commands = {
	/** Lets the wheels run until told otherwise, without counting. */
	drive: z.strictObject({ left: power, right: power }),
	/** Begins to stop: by braking, or by rolling out. */
	stop: z.strictObject({ isCoasting: z.boolean() }),
	/** Only waits until the robot stands. */
	stand: z.strictObject({})
};

export const wheels: Device<typeof commands> = {
	id: 'wheels',
	commands,
	readings: {},
	moves: ['drive', 'stop']
};
