/** A shell that rolls wherever it is told to, along a bearing. */
import { z } from 'zod';
import type { Device } from '../device';

const bearing = z.number().describe('Degrees, clockwise from what it calls north.');
const speed = z.number().min(-1).max(1).describe('Part of the top speed.');

const commands = {
	/** Rolls until told otherwise. */
	roll: z.strictObject({ bearing, speed }),
	/** So many metres by its own estimate; it ends still, or goes on rolling. */
	rollFar: z.strictObject({
		bearing,
		distance: z.number().describe('Metres.'),
		speed,
		isEndingStill: z.boolean()
	})
};

export const rolling: Device<typeof commands> = {
	id: 'rolling',
	commands,
	readings: {},
	moves: ['roll', 'rollFar']
};
