/** How far the robot leans. */
import { types } from '../../types';
import type { Device } from '../device';

export const tiltSensor: Device = {
	id: 'tiltSensor',
	commands: {},
	readings: {
		tilt: { type: types.angle, level: 'full' }
	}
};
