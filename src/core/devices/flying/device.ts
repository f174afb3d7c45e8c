/** Rotors that lift it: it takes off, lands, and goes to any side without turning. */
import { z } from 'zod';
import { types } from '../../types';
import type { Device } from '../device';

export const flyingDirections = ['forward', 'back', 'left', 'right', 'up', 'down'] as const;
export const flipDirections = ['forward', 'back', 'left', 'right'] as const;

/** Metres above the floor to which it takes off. */
export const takeOffHeight = 1;

const direction = z.enum(flyingDirections);
const speed = z.number().min(-1).max(1).describe('Part of the top speed.');

const commands = {
	takeOff: z.strictObject({}),
	land: z.strictObject({}),
	/** Metres by its own measure; less than 0 goes the other way. */
	go: z.strictObject({ direction, distance: z.number().describe('Metres.'), speed }),
	/** Flies on and on, until told otherwise. */
	start: z.strictObject({ direction, speed }),
	flip: z.strictObject({ direction: z.enum(flipDirections) }),
	/** Lets it fall. */
	cut: z.strictObject({})
};

export const flying: Device<typeof commands> = {
	id: 'flying',
	commands,
	moves: ['takeOff', 'land', 'go', 'start', 'flip', 'cut'],
	readings: {
		flying: { type: types.truth, level: 'full' },
		/** Of its feet, by its own measure. */
		height: { type: types.length, level: 'further', isUsual: true },
		/** Degrees: positive with the front down, and with the right side down. */
		pitch: { type: types.angle, level: 'full' },
		roll: { type: types.angle, level: 'full' },
		speedAhead: { type: types.speed, level: 'full' },
		speedLeft: { type: types.speed, level: 'full' },
		speedUp: { type: types.speed, level: 'full' },
		airTime: { type: types.duration, level: 'full' }
	}
};
