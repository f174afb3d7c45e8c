/** planck keeps hold of the engine's functions when it is loaded; while it is, ours stand there. */
import * as exact from '../../exact';

export const engines = { sin: Math.sin, cos: Math.cos, atan2: Math.atan2 };

Object.assign(Math, { sin: exact.sin, cos: exact.cos, atan2: exact.atan2 });
