/** It measures its own way, and goes as far as it is told by that. Such moves end still. */
import { z } from 'zod';
import { types } from '../../types';
import type { Device } from '../device';

const commands = {
	/** Metres ahead; a distance or a speed less than 0 goes the other way. */
	go: z.strictObject({
		distance: z.number().describe('Metres ahead.'),
		speed: z.number().min(-1).max(1).describe('Part of the top speed.')
	}),
	/** Counts its way from here. */
	zero: z.strictObject({})
};

export const pacing: Device<typeof commands> = {
	id: 'pacing',
	commands,
	moves: ['go'],
	readings: {
		travelled: { type: types.length, level: 'further' },
		speed: { type: types.speed, level: 'full', isUsual: true }
	}
};
