/** A compass: it does not drift as a gyro does, and is wrong wherever iron is near. */
import { types } from '../../types';
import type { Device } from '../device';

export const compass: Device = {
	id: 'compass',
	commands: {},
	readings: { compassBearing: { type: types.angle, level: 'further', isUsual: true } }
};
