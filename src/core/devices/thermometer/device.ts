/** How warm it is inside, degrees Celsius as a plain number: motors warm it. */
import { types } from '../../types';
import type { Device } from '../device';

export const thermometer: Device = {
	id: 'thermometer',
	commands: {},
	readings: { temperature: { type: types.plain, level: 'full' } }
};
