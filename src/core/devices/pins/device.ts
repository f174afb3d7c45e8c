/** Eight pins of a board: each is on or off, and something may be wired to it. */
import { z } from 'zod';
import { types } from '../../types';
import type { Device } from '../device';

export const pinNumbers = ['1', '2', '3', '4', '5', '6', '7', '8'] as const;
export type PinNumber = (typeof pinNumbers)[number];

const commands = {
	/** Switches these pins, and leaves the others as they are. */
	set: z.strictObject({ pins: z.array(z.enum(pinNumbers)), isOn: z.boolean() }),
	/** Switches all of them off. */
	clear: z.strictObject({})
};

const isOn = { type: types.truth, level: 'full' } as const;

export const pins: Device<typeof commands> = {
	id: 'pins',
	commands,
	/** Whether a pin is on; of one that a button is wired to, whether that is pressed. */
	readings: {
		pin1: isOn,
		pin2: isOn,
		pin3: isOn,
		pin4: isOn,
		pin5: isOn,
		pin6: isOn,
		pin7: isOn,
		pin8: isOn
	},
	moves: ['set', 'clear']
};
