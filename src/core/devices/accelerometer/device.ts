/** It feels jolts. */
import { types } from '../../types';
import type { Device } from '../device';

export const accelerometer: Device = {
	id: 'accelerometer',
	commands: {},
	/** In parts of the earth's gravity: 0 at rest and while it rolls evenly. */
	readings: { jolt: { type: types.plain, level: 'further', isUsual: true } }
};
