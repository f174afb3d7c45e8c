/** Two lamps that shine in any colour, steadily or blinking. */
import { z } from 'zod';
import type { Device } from '../device';

export const lampSides = ['both', 'left', 'right', 'front', 'back'] as const;

const commands = {
	shine: z.strictObject({
		side: z.enum(lampSides),
		colour: z.string().describe('As in #rrggbb.'),
		brightness: z.number().min(0).max(1),
		period: z.number().min(0).describe('Seconds of one blink, on and off; 0 for a steady light.')
	})
};

export const lampDevice: Device<typeof commands> = { id: 'lamp', commands, readings: {} };
