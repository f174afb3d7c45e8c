/** Where it believes to be, from what it has done since Run: it drifts, and knows nothing of walls. */
import { types } from '../../types';
import type { Device } from '../device';

export const reckoning: Device = {
	id: 'reckoning',
	commands: {},
	readings: {
		reckonedEast: { type: types.length, level: 'full' },
		reckonedNorth: { type: types.length, level: 'full' }
	}
};
