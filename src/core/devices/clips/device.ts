/** Its speaker plays sounds as they are, and it has room to hold some: see `clip` of the speaker's notes. */
import type { Device } from '../device';

export const clips: Device = { id: 'clips', commands: {}, readings: {} };
