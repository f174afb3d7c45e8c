/** A shell that rolls wherever it is told to, along a bearing. */
import { z } from 'zod';
import type { Device } from '../device';

/** Degrees clockwise from what it calls north. */
const bearing = z.number();
const speed = z.number().min(-1).max(1);

const commands = {
	/** Rolls until told otherwise. */
	roll: z.strictObject({ bearing, speed }),
	/** So many metres by its own estimate; it ends still, or goes on rolling. */
	rollFar: z.strictObject({ bearing, distance: z.number(), speed, isEndingStill: z.boolean() })
};

export const rolling: Device<typeof commands> = {
	id: 'rolling',
	commands,
	readings: {},
	moves: ['roll', 'rollFar']
};
