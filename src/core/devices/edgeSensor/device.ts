/** Sees the drop beyond an edge ahead. */
import { types } from '../../types';
import type { Device } from '../device';

export const edgeSensor: Device = {
	id: 'edgeSensor',
	commands: {},
	readings: {
		edgeAhead: { type: types.truth, level: 'further' }
	}
};
