/** Peg: what one may be like. Sizes are guesses: cheap motors are far from alike. */
import { wheelParameters } from '../two-wheels';
import * as settings from './settings';

export const parameters = wheelParameters(
	settings.chassis,
	{ wheels: 0.02, battery: [0.4, 1], slip: 0.03, placing: [0.005, 0.02] },
	{ wheels: 0.06, battery: [0.1, 0.6], slip: 0.1, placing: [0.01, 0.04] }
);
