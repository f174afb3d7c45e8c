/** Measures the way to the nearest thing ahead. */
import { types } from '../../types';
import type { Device } from '../device';

export const rangefinder: Device = {
	id: 'rangefinder',
	commands: {},
	readings: {
		distanceAhead: { type: types.length, level: 'further' }
	}
};
