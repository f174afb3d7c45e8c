/** A gyro: it knows where front points, and drifts. */
import { z } from 'zod';
import { types } from '../../types';
import type { Device } from '../device';

const commands = {
	/** Calls where it points now 0. */
	zero: z.strictObject({})
};

export const gyro: Device<typeof commands> = {
	id: 'gyro',
	commands,
	readings: { heading: { type: types.angle, level: 'further', isUsual: true } }
};
