/** Looks at the floor under the bow. */
import { types } from '../../types';
import type { Device } from '../device';

export const floorSensor: Device = {
	id: 'floorSensor',
	commands: {},
	readings: {
		brightness: { type: types.part, level: 'further' },
		floorColour: { type: types.colour, level: 'further' }
	}
};
