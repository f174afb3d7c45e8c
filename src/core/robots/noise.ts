/** How noisy the sensors of toys are. Sizes are plausible guesses, not measurements. */
import type { Random } from '../random/random';
import type { Variation } from './robot';

/** Standard deviations: metres, and as a part of the distance; parts of the whole; degrees. */
export interface Noise {
	readonly distance: number;
	readonly distancePart: number;
	readonly part: number;
	readonly tilt: number;
}

export const noises: Record<Variation, Noise> = {
	ideal: { distance: 0, distancePart: 0, part: 0, tilt: 0 },
	classroom: { distance: 0.003, distancePart: 0.01, part: 0.012, tilt: 0.4 },
	worn: { distance: 0.008, distancePart: 0.03, part: 0.035, tilt: 1 }
};

/** A part of the whole as a sensor says it. @param deviation standard deviation */
export const noisyPart = (real: number, deviation: number, chance: Random): number =>
	Math.max(0, Math.min(1, real + deviation * chance.chance()));
