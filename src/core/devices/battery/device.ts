/** How full the battery is. */
import { types } from '../../types';
import type { Device } from '../device';

export const battery: Device = {
	id: 'battery',
	commands: {},
	readings: {
		battery: { type: types.part, level: 'full' }
	}
};
