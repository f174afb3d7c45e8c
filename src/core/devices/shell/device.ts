/** Feels what touches the robot: things, and hands. */
import { types } from '../../types';
import type { Device } from '../device';

export const shell: Device = {
	id: 'shell',
	commands: {},
	readings: {
		bumped: { type: types.truth, level: 'further' },
		touched: { type: types.truth, level: 'further' }
	}
};
