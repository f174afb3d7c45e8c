/** Two driven wheels, each told how fast to turn. */
import { z } from 'zod';
import type { Device } from '../device';

const power = z
	.number()
	.min(-1)
	.max(1)
	.describe('Part of the top speed; less than 0 is backwards.');

const commands = {
	/** Lets the wheels run until told otherwise, without counting. */
	drive: z.strictObject({ left: power, right: power })
};

export const wheelsDevice: Device<typeof commands> = {
	id: 'wheels',
	commands,
	readings: {},
	moves: ['drive']
};
