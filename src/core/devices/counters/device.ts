/** Wheel counters, and moves of two wheels that are closed on them. They end still. */
import { z } from 'zod';
import { types } from '../../types';
import type { Device } from '../device';

const speed = z.number().min(-1).max(1).describe('Part of the top speed.');
const turns = z.number().describe('Turns of the wheel.');

const commands = {
	/**
	 * Turns each wheel so often; the one with the shorter way runs slower, so that both arrive
	 * together. A speed less than 0 goes the other way.
	 */
	turns: z.strictObject({ left: turns, right: turns, speed }),
	/** Counts from here. */
	zero: z.strictObject({})
};

export const counters: Device<typeof commands> = {
	id: 'counters',
	commands,
	moves: ['turns'],
	readings: {
		leftCount: { type: types.angle, level: 'full' },
		rightCount: { type: types.angle, level: 'full' }
	}
};
