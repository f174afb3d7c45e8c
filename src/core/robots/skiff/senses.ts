/** What a Skiff's sensors say, each with its noise. Sizes are plausible guesses, as in ./character. */
import type { Datum } from '../../expressions/types';
import type { Reading } from '../../expressions/vocabulary';
import type { Random } from '../../random/random';
import { floorColours } from '../../world/colours';
import type { Surroundings, Variation } from '../robot';
import { distanceSensor, edgeSensor, floorSensor, ownLoudness } from './settings';

/** Standard deviations: metres, and as a part of the distance; parts of the whole; degrees. */
interface Noise {
	readonly distance: number;
	readonly distancePart: number;
	readonly part: number;
	readonly tilt: number;
}

const noises: Record<Variation, Noise> = {
	ideal: { distance: 0, distancePart: 0, part: 0, tilt: 0 },
	classroom: { distance: 0.003, distancePart: 0.01, part: 0.012, tilt: 0.4 },
	worn: { distance: 0.008, distancePart: 0.03, part: 0.035, tilt: 1 }
};

export class Senses {
	private readonly noise: Noise;
	private distance = 0;
	private distanceTime = -Infinity;

	constructor(
		variation: Variation,
		private readonly chance: Random,
		private readonly surroundings: Surroundings
	) {
		this.noise = noises[variation];
	}

	/** @returns undefined for what is no matter of the place around: counters, gyro, battery */
	read(reading: Reading, time: number, ownVolume: number): Datum | undefined {
		const { surroundings } = this;
		switch (reading) {
			case 'distanceAhead':
				return this.distanceAt(time);
			case 'brightness':
				return this.part(surroundings.seenUnder(floorSensor, 0).brightness);
			case 'floorColour':
				return floorColours[surroundings.seenUnder(floorSensor, 0).colour];
			case 'bumped':
				return surroundings.isBumped;
			case 'touched':
				return surroundings.isTouched;
			case 'edgeAhead':
				return this.seesEdge;
			case 'light':
				return this.part(surroundings.light);
			case 'soundLevel':
				return this.part(Math.max(surroundings.sound, ownVolume * ownLoudness));
			case 'tilt':
				return this.noise.tilt * this.chance.chance();
			default:
				return undefined;
		}
	}

	get seesEdge(): boolean {
		return this.surroundings.isEdgeUnder(edgeSensor);
	}

	/** The sensor measures so many times a second, and says the same in between. */
	private distanceAt(time: number): number {
		const { ahead, spread, range, interval } = distanceSensor;
		if (time - this.distanceTime < interval) return this.distance;
		const real = this.surroundings.distanceFrom(ahead, spread, range);
		const { distance, distancePart } = this.noise;
		const noise = (distance + distancePart * real) * this.chance.chance();
		this.distance = Math.max(0, Math.min(range, real + noise));
		this.distanceTime = time;
		return this.distance;
	}

	private part(real: number): number {
		return Math.max(0, Math.min(1, real + this.noise.part * this.chance.chance()));
	}
}
