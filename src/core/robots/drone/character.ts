/** How one Petrel differs from the drawing, and one day from another. All sizes are guesses. */
import { Random, seedOfText } from '../../random/random';
import type { Variation } from '../robot';

export interface Character {
	/** Way by its own measure for each metre really flown. */
	readonly measure: number;
	/** Gyro: reading for each radian really turned, and rad/s read while standing still. */
	readonly gyroGain: number;
	readonly gyroBias: number;
}

export interface Day {
	/** Part of what its charger says that is really in the battery. */
	readonly battery: number;
	/** Metres ahead and left, and radians. */
	readonly placing: readonly [number, number, number];
	/** m/s of the breeze, east and north, that it does not notice. */
	readonly breeze: readonly [number, number];
	/** Standard deviation of its wandering, m/s, that lasts `wanderTime` seconds. */
	readonly wander: number;
	/** Standard deviation of the push that a flip leaves, m/s. */
	readonly flipPush: number;
	readonly hasCushion: boolean;
}

/** Seconds in which its wandering changes. */
export const wanderTime = 2;

const spreads = {
	classroom: {
		measure: 0.02,
		gyroGain: 0.004,
		gyroBias: 0.0015,
		battery: [0.92, 1],
		placing: [0.008, 0.02],
		breeze: 0.003,
		wander: 0.01,
		flipPush: 0.15
	},
	worn: {
		measure: 0.06,
		gyroGain: 0.015,
		gyroBias: 0.006,
		battery: [0.6, 0.9],
		placing: [0.015, 0.05],
		breeze: 0.008,
		wander: 0.028,
		flipPush: 0.3
	}
} as const;

export function characterOf(name: string, variation: Variation): Character {
	if (variation === 'ideal') return { measure: 1, gyroGain: 1, gyroBias: 0 };
	const { measure, gyroGain, gyroBias } = spreads[variation];
	const own = new Random(seedOfText(name));
	return {
		measure: 1 + own.eitherSide(measure / 3, measure),
		gyroGain: 1 + own.between(-gyroGain, gyroGain),
		gyroBias: own.between(-gyroBias, gyroBias)
	};
}

const still: Day = {
	battery: 1,
	placing: [0, 0, 0],
	breeze: [0, 0],
	wander: 0,
	flipPush: 0,
	hasCushion: false
};

export function dayOf(variation: Variation, chance: Random): Day {
	if (variation === 'ideal') return still;
	const { battery, placing, breeze, wander, flipPush } = spreads[variation];
	const [metres, angle] = placing;
	return {
		battery: chance.between(battery[0], battery[1]),
		placing: [metres * chance.chance(), metres * chance.chance(), angle * chance.chance()],
		breeze: [breeze * chance.chance(), breeze * chance.chance()],
		wander,
		flipPush,
		hasCushion: true
	};
}
