/** What a Skiff's sensors say, each with its noise. */
import { edgeSensor as edgeSensorDevice } from '../../devices/edgeSensor/device';
import { floorSensor as floorSensorDevice } from '../../devices/floorSensor/device';
import { lightSensor } from '../../devices/lightSensor/device';
import { microphone } from '../../devices/microphone/device';
import { rangefinder } from '../../devices/rangefinder/device';
import { shell } from '../../devices/shell/device';
import { tiltSensor } from '../../devices/tiltSensor/device';
import type { Random } from '../../random/random';
import { floorColours } from '../../colours';
import { part, type MachinePart } from '../machine';
import { noises, noisyPart, type Noise } from '../noise';
import type { Surroundings } from '../../world/body';
import type { Variation } from '../robot';
import { distanceSensor, edgeSensorAhead, floorSensorAhead, ownLoudness } from './settings';

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

	/** @param time of the robot's clock @param ownVolume how loud it plays itself, 0 to 1 */
	parts(time: () => number, ownVolume: () => number): MachinePart[] {
		const { surroundings } = this;
		const seen = () => surroundings.seenUnder(floorSensorAhead, 0);
		const loudest = () => Math.max(surroundings.sound, ownVolume() * ownLoudness);
		return [
			part(rangefinder, {}, { distanceAhead: () => this.distanceAt(time()) }),
			part(
				floorSensorDevice,
				{},
				{
					brightness: () => this.part(seen().brightness),
					floorColour: () => floorColours[seen().colour]
				}
			),
			part(
				shell,
				{},
				{
					bumped: () => surroundings.isBumped,
					touched: () => surroundings.isTouched
				}
			),
			part(edgeSensorDevice, {}, { edgeAhead: () => surroundings.isEdgeUnder(edgeSensorAhead) }),
			part(lightSensor, {}, { light: () => this.part(surroundings.light) }),
			part(microphone, {}, { soundLevel: () => this.part(loudest()) }),
			part(tiltSensor, {}, { tilt: () => this.noise.tilt * this.chance.chance() })
		];
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
		return noisyPart(real, this.noise.part, this.chance);
	}
}
