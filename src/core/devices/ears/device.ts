/** It understands words: says `happened` of the kind `heard`, with the word. */
import type { Device } from '../device';

export const ears: Device = { id: 'ears', commands: {}, readings: {} };
