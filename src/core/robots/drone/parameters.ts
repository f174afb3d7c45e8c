/** Petrel: what one may be like, and one day. All sizes are guesses. */
import {
	around,
	batteryFrom,
	beside,
	constant,
	factor,
	gyroBiasUpTo,
	ofTheDay
} from '../parameter';
import { same, scatter, setDownBeside, type ParameterValues } from '../parameter';
import * as settings from './settings';

export const parameters = {
	/** Way by its own measure for each metre really flown. */
	measure: factor(beside(1, 0.02 / 3, 0.02), beside(1, 0.06 / 3, 0.06)),
	/** Gyro: reading for each radian really turned, and rad/s read while standing still. */
	gyroGain: factor(around(1, 0.004), around(1, 0.015)),
	gyroBias: gyroBiasUpTo(0.0015, 0.006),
	/** Part of what its charger says that is really in the battery. */
	battery: batteryFrom([0.92, 1], [0.6, 0.9]),
	...setDownBeside([0.008, 0.02], [0.015, 0.05]),
	/** Of the air, that it does not notice. */
	breezeEast: ofTheDay('mps', 0.003, 0.008, 0.3),
	breezeNorth: ofTheDay('mps', 0.003, 0.008, 0.3),
	/** Standard deviation of its wandering, that lasts `wanderTime` seconds, and of the push that a flip leaves. */
	wander: scatter('mps', same(0.003), same(0.028)),
	flipPush: scatter('mps', same(0.15), same(0.3)),
	/** Of its sinking, what its own wind takes at the most near the floor: an ideal one has no such cushion. */
	cushion: {
		...constant('part', 0, 0),
		classroom: same(settings.cushion, 0.1),
		worn: same(settings.cushion, 0.1),
		range: [0, 0.95]
	},
	topSpeed: constant('mps', settings.topSpeed, 0.06 * settings.topSpeed),
	flatBatteryFactor: constant('part', settings.flatBatteryFactor, 0.06),
	lag: constant('seconds', settings.lag, 0.25 * settings.lag),
	climb: constant('mps', settings.climb, 0.1 * settings.climb),
	sink: constant('mps', settings.sink, 0.1 * settings.sink)
} as const;

export type DroneValues = ParameterValues<typeof parameters>;
