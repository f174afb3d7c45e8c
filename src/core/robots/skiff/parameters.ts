/** Skiff: what one may be like. Sizes are plausible guesses for toys of this class, not measurements. */
import { around, batteryFrom, beside, factor, from, gyroBiasUpTo, scatter } from '../parameter';
import { setDownBeside, type ParameterValues } from '../parameter';
import { deadZoneOf, motorsOf, wheelDifferenceOf } from '../two-wheels';
import * as settings from './settings';

export const parameters = {
	wheelDifference: wheelDifferenceOf(beside(0, 0.004, 0.006), beside(0, 0.01, 0.02)),
	wheels: factor(around(1, 0.005), around(1, 0.005)),
	/** Gyro: reading for each radian really turned, and rad/s read while standing still. */
	gyroGain: factor(beside(1, 0.0005, 0.0015), beside(1, 0.006, 0.02)),
	gyroBias: gyroBiasUpTo(0.0005, 0.01),
	deadZone: deadZoneOf(from(0.008, 0.016), from(0.016, 0.035)),
	battery: batteryFrom([0.45, 1], [0.15, 0.7]),
	slip: scatter('part', from(0.01, 0.025), from(0.06, 0.16)),
	...setDownBeside([0.004, 0.012], [0.008, 0.025]),
	...motorsOf(settings)
};

export type SkiffValues = ParameterValues<typeof parameters>;
