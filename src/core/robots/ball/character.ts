/** How one Bobbin differs from the drawing: character, day and chance, as of a Skiff. All sizes are guesses. */
import { Random, seedOfText } from '../../random/random';
import type { Variation } from '../robot';

export interface Character {
	/** Real speed for each m/s that it is told. */
	readonly speedGain: number;
	/** Way by its own estimate for each metre really rolled. */
	readonly estimateGain: number;
	/** Gyro: reading for each radian really turned, and rad/s read while standing still. */
	readonly gyroGain: number;
	readonly gyroBias: number;
}

export interface Day {
	/** 1 full, 0 empty. */
	readonly battery: number;
	/** Metres ahead and left, and radians: its front is hidden, so a hand lines it up badly. */
	readonly placing: readonly [number, number, number];
	/** Standard deviation, in each tick, of the direction in which it rolls, radians. */
	readonly wobble: number;
	/** Standard deviation of what it makes of one stretch, as a part of its way. */
	readonly slip: number;
	/** Whether rough floors and hard corners fool it. */
	readonly isJolted: boolean;
}

const spreads = {
	classroom: {
		speed: 0.03,
		estimate: 0.02,
		gyroGain: 0.003,
		gyroBias: 0.0015,
		battery: [0.4, 1],
		placing: [0.005, 0.07],
		wobble: 0.0035,
		slip: 0.012
	},
	worn: {
		speed: 0.08,
		estimate: 0.06,
		gyroGain: 0.015,
		gyroBias: 0.008,
		battery: [0.15, 0.6],
		placing: [0.01, 0.14],
		wobble: 0.009,
		slip: 0.04
	}
} as const;

export function characterOf(name: string, variation: Variation): Character {
	if (variation === 'ideal') return { speedGain: 1, estimateGain: 1, gyroGain: 1, gyroBias: 0 };
	const { speed, estimate, gyroGain, gyroBias } = spreads[variation];
	const own = new Random(seedOfText(name));
	const around = (size: number) => own.between(-size, size);
	return {
		speedGain: 1 + around(speed),
		estimateGain: 1 + own.eitherSide(estimate / 3, estimate),
		gyroGain: 1 + around(gyroGain),
		gyroBias: around(gyroBias)
	};
}

export function dayOf(variation: Variation, chance: Random): Day {
	if (variation === 'ideal') {
		return { battery: 1, placing: [0, 0, 0], wobble: 0, slip: 0, isJolted: false };
	}
	const { battery, placing, wobble, slip } = spreads[variation];
	const [metres, angle] = placing;
	return {
		battery: chance.between(battery[0], battery[1]),
		placing: [metres * chance.chance(), metres * chance.chance(), angle * chance.chance()],
		wobble,
		slip,
		isJolted: true
	};
}
