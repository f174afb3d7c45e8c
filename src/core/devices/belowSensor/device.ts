/** Measures the way down to what is under it: floor, crate or robot. */
import { types } from '../../types';
import type { Device } from '../device';

export const belowSensor: Device = {
	id: 'belowSensor',
	commands: {},
	readings: { distanceBelow: { type: types.length, level: 'full' } }
};
