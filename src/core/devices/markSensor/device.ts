/** Looks at the colour marks beside a rail; between them it sees the pale floor. */
import { types } from '../../types';
import type { Device } from '../device';

export const markSensor: Device = {
	id: 'markSensor',
	commands: {},
	readings: { markColour: { type: types.colour, level: 'further', isUsual: true } }
};
