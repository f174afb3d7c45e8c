/**
 * How one Skiff differs from the drawing. The *character* persists: it follows from the robot's name
 * and stays the same from run to run. The *day* is drawn for each attempt: battery, floor, how well
 * a hand set it down. *Chance* acts in every tick. All sizes are plausible guesses for toys of this
 * class, not measurements; a fitted model will replace them.
 */
import { Random, seedOfText } from '../../random/random';
import type { Variation } from '../robot';
import type { Wear } from '../two-wheels';

export interface Character extends Wear {
	/** Gyro: reading for each radian really turned, and rad/s read while standing still. */
	readonly gyroGain: number;
	readonly gyroBias: number;
}

export interface Day {
	/** 1 full, 0 empty. */
	readonly battery: number;
	/** Standard deviation, in each tick, of a wheel's slip, as a part of its way. */
	readonly slip: number;
	/** Metres ahead and left, and radians, from the start mark. */
	readonly placing: readonly [number, number, number];
}

interface Spread {
	/** Least and greatest difference between the two wheels, as a part. */
	readonly wheels: readonly [number, number];
	readonly gyroGain: readonly [number, number];
	readonly gyroBias: number;
	readonly deadZone: readonly [number, number];
	readonly battery: readonly [number, number];
	readonly slip: readonly [number, number];
	readonly placing: readonly [number, number];
}

const spreads: Record<Exclude<Variation, 'ideal'>, Spread> = {
	classroom: {
		wheels: [0.004, 0.006],
		gyroGain: [0.0005, 0.0015],
		gyroBias: 0.0005,
		deadZone: [0.008, 0.016],
		battery: [0.45, 1],
		slip: [0.01, 0.025],
		placing: [0.004, 0.012]
	},
	worn: {
		wheels: [0.01, 0.02],
		gyroGain: [0.006, 0.02],
		gyroBias: 0.01,
		deadZone: [0.016, 0.035],
		battery: [0.15, 0.7],
		slip: [0.06, 0.16],
		placing: [0.008, 0.025]
	}
};

export function characterOf(name: string, variation: Variation): Character {
	if (variation === 'ideal') {
		return { leftWheel: 1, rightWheel: 1, gyroGain: 1, gyroBias: 0, deadZone: 0 };
	}
	const spread = spreads[variation];
	const own = new Random(seedOfText(name));
	const difference = own.eitherSide(...spread.wheels);
	const common = own.between(-0.005, 0.005);
	return {
		leftWheel: 1 + common - difference / 2,
		rightWheel: 1 + common + difference / 2,
		gyroGain: 1 + own.eitherSide(...spread.gyroGain),
		gyroBias: own.between(-spread.gyroBias, spread.gyroBias),
		deadZone: own.between(...spread.deadZone)
	};
}

export function dayOf(variation: Variation, chance: Random): Day {
	if (variation === 'ideal') return { battery: 1, slip: 0, placing: [0, 0, 0] };
	const spread = spreads[variation];
	const [metres, angle] = spread.placing;
	return {
		battery: chance.between(...spread.battery),
		slip: chance.between(...spread.slip),
		placing: [metres * chance.chance(), metres * chance.chance(), angle * chance.chance()]
	};
}
