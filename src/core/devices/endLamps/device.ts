/** Its two lamps shine ahead and behind, not to the sides. */
import type { Device } from '../device';

export const endLamps: Device = { id: 'endLamps', commands: {}, readings: {} };
