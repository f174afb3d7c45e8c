/** A gyro, and turns on the spot that are closed on it. They end still. */
import { z } from 'zod';
import { types } from '../../types';
import type { Device } from '../device';

const commands = {
	/** Radians, counter-clockwise (left) is positive. */
	turn: z.strictObject({ angle: z.number() }),
	/** The shorter way. Degrees clockwise from north. */
	turnTo: z.strictObject({ bearing: z.number() }),
	/** Calls where it points now 0. */
	zero: z.strictObject({})
};

export const gyro: Device<typeof commands> = {
	id: 'gyro',
	commands,
	moves: ['turn', 'turnTo'],
	readings: { heading: { type: types.angle, level: 'further', isUsual: true } }
};
