/** Sockets for motors. */
import { z } from 'zod';
import type { Device } from '../device';

export const ports = ['A', 'B', 'C', 'D'] as const;
export type MotorPort = (typeof ports)[number];

const port = z.enum(ports);

const commands = {
	/** One motor until told otherwise. */
	motor: z.strictObject({ port, power: z.number().min(-1).max(1).describe('Part of all it has.') }),
	/** Which ports the moves use for the left and for the right wheel. */
	use: z.strictObject({ left: port, right: port })
};

export const motorPorts: Device<typeof commands> = {
	id: 'ports',
	commands,
	readings: {},
	moves: ['motor', 'use']
};
