/** Daylight and lamps around the robot. */
import { types } from '../../types';
import type { Device } from '../device';

export const lightSensor: Device = {
	id: 'lightSensor',
	commands: {},
	readings: {
		light: { type: types.part, level: 'full' }
	}
};
