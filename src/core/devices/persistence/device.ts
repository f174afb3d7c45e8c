/** It feels when a move does not get on, and can be told to give that move up after a while. */
import { z } from 'zod';
import type { Device } from '../device';

const commands = {
	/**
	 * From now on, a measured move that is stuck for so many seconds is given up, and is refused as
	 * `gaveUp`. 0: it is not given up, and needs a hand.
	 */
	giveUpAfter: z.strictObject({
		seconds: z.number().min(0).describe('Until a stuck move is given up; 0 for never.')
	})
};

export const persistence: Device<typeof commands> = { id: 'persistence', commands, readings: {} };
