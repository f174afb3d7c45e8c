/** It feels that nothing is under it any more: too late to stop. */
import { types } from '../../types';
import type { Device } from '../device';

export const dropSensor: Device = {
	id: 'dropSensor',
	commands: {},
	readings: { falling: { type: types.truth, level: 'full' } }
};
