/** How loud it is around the robot. */
import { types } from '../../types';
import type { Device } from '../device';

export const microphone: Device = {
	id: 'microphone',
	commands: {},
	readings: {
		soundLevel: { type: types.part, level: 'full' }
	}
};
