/** Two patches of a screen, each watched by a light sensor that drives the motor on its side. */
import { z } from 'zod';
import { types } from '../../types';
import type { Device } from '../device';

const brightness = z.number().min(0).max(1).describe('0 is dark, 1 as bright as it can be.');

const commands = {
	/** How bright each is, until told otherwise. */
	shine: z.strictObject({ left: brightness, right: brightness })
};

export const patchesDevice: Device<typeof commands> = {
	id: 'patches',
	commands,
	/** What the sensors see: the patch, and what the room adds. */
	readings: {
		leftSeen: { type: types.part, level: 'full', isUsual: true },
		rightSeen: { type: types.part, level: 'full', isUsual: true }
	},
	moves: ['shine']
};
