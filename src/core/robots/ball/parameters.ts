/** Bobbin: what one may be like. All sizes are guesses. */
import { around, batteryFrom, beside, constant, factor, gyroBiasUpTo } from '../parameter';
import { same, scatter, setDownBeside, type ParameterValues } from '../parameter';
import * as settings from './settings';

const placing = setDownBeside([0.005, 0.07], [0.01, 0.14]);

export const parameters = {
	/** Real speed for each m/s that it is told. */
	speedGain: factor(around(1, 0.03), around(1, 0.08)),
	/** Way by its own estimate for each metre really rolled. */
	estimateGain: factor(beside(1, 0.02 / 3, 0.02), beside(1, 0.06 / 3, 0.06)),
	/** Gyro: reading for each radian really turned, and rad/s read while standing still. */
	gyroGain: factor(around(1, 0.003), around(1, 0.015)),
	gyroBias: gyroBiasUpTo(0.0015, 0.008),
	battery: batteryFrom([0.4, 1], [0.15, 0.6]),
	/** Its front is hidden, so a hand lines it up badly: that holds until it is lined up again. */
	...placing,
	setTurned: { ...placing.setTurned, of: 'day' },
	/** Standard deviation, in each tick, of the direction in which it rolls. */
	wobble: scatter('radians', same(0.0035), same(0.009)),
	/** Standard deviation of what it makes of one stretch, as a part of its way. */
	slip: scatter('part', same(0.012), same(0.04)),
	/** How often rough floors and hard corners fool it, against what is usual. */
	falseJolts: scatter('factor', same(1), same(1)),
	topSpeed: constant('mps', settings.topSpeed, 0.06 * settings.topSpeed),
	flatBatteryFactor: constant('part', settings.flatBatteryFactor, 0.08),
	lag: constant('seconds', settings.lag, 0.3 * settings.lag)
} as const;

export type BallValues = ParameterValues<typeof parameters>;
