/**
 * Mimic, the face robot: a phone on a card chassis. Two patches of its screen, each watched by a light
 * sensor, drive a motor each while they are bright: forward only, the brighter the faster. What the
 * room's light does to the sensors, it does to the way.
 */
import { battery } from '../../devices/battery/device';
import { compass } from '../../devices/compass/device';
import { ears } from '../../devices/ears/device';
import { lightSensor } from '../../devices/lightSensor/device';
import { microphone } from '../../devices/microphone/device';
import { motion } from '../../devices/motion/device';
import { patchesDevice } from '../../devices/patches/device';
import { refused, type Port, type Wait } from '../../devices/port';
import { screen } from '../../devices/screen/device';
import { shell } from '../../devices/shell/device';
import { tiltSensor } from '../../devices/tiltSensor/device';
import { wheelsDevice } from '../../devices/wheels/device';
import * as exact from '../../exact';
import { drawnFace, faceNumber } from '../../pictures/face';
import type { Random } from '../../random/random';
import { tick } from '../../time';
import { bearingOfHeading } from '../../units/angles';
import { assemble, Assembled, part, type Machine, type MachinePart } from '../machine';
import { noises, noisyPart, type Noise } from '../noise';
import { drawValues, placingOf } from '../parameter';
import type { Making } from '../robot';
import { Speaker, speakerPart, voicePart } from '../speaker';
import { TwoWheels } from '../two-wheels';
import { parameters } from './parameters';
import * as settings from './settings';

/** Part of the way to what it sees that a sensor makes in one tick. */
const response = 1 - exact.exp(-tick / settings.sensorLag);

/** As which part of full light a dark patch is seen. @param light of the room, 0 to 1 */
function glareOf(light: number): number {
	const { from, most } = settings.glare;
	return most * Math.max(0, Math.min(1, (light - from) / (1 - from)));
}

class Body extends TwoWheels {
	/** The angle that it has really turned since Run, radians. */
	turned = 0;
	sense(turned: number): void {
		this.turned += turned;
		this.count();
	}
}

interface Patch {
	/** As told, and as its sensor sees it, 0 to 1. */
	brightness: number;
	seen: number;
}

export class FaceRobot extends Assembled implements Machine {
	readonly body: Body;
	readonly placing: readonly [number, number, number];
	readonly isStalled = false;
	readonly left: Patch = { brightness: 0, seen: 0 };
	readonly right: Patch = { brightness: 0, seen: 0 };
	/** The number of the face that it shows. */
	face = 0;
	/** What somebody has drawn for it; empty while it shows one of ours. */
	readonly grid = { picture: '' };
	private time = 0;
	/** Run is over: a hand covers its sensors, so that the room drives it no more. */
	private isResting = false;
	private readonly dead: number;
	private readonly speaker: Speaker;
	protected readonly port: Port;
	protected readonly shown: Port;

	constructor(private readonly making: Making) {
		super();
		const { variation, chance } = making;
		const values = drawValues(parameters, making);
		this.placing = placingOf(values);
		this.dead = values.darkest;
		this.body = new Body(settings.chassis, values, chance);
		this.speaker = new Speaker(making.played, () => this.time, true);
		const withSenses = (own: Random) =>
			assemble([
				...this.parts(),
				...this.senses(own, noises[variation], values.compass, values.compassNoise)
			]);
		this.port = withSenses(making.sensorChance);
		this.shown = withSenses(making.displayChance);
	}

	private parts(): MachinePart[] {
		const { body } = this;
		return [
			part(
				patchesDevice,
				{ shine: ({ left, right }) => this.shine(left, right) },
				{ leftSeen: () => this.left.seen, rightSeen: () => this.right.seen }
			),
			part(motion, {
				start: ({ speed }) => this.drive(speed, speed),
				stop: () => this.shine(0, 0),
				stand: () => ({ isOver: () => this.isStill })
			}),
			part(wheelsDevice, { drive: ({ left, right }) => this.drive(left, right) }),
			part(screen, {
				show: ({ face }) => {
					this.face = faceNumber(face);
					this.grid.picture = drawnFace(face);
				}
			}),
			speakerPart(this.speaker),
			voicePart(this.speaker),
			part(ears, {}),
			part(battery, {}, { battery: () => body.battery })
		];
	}

	private senses(chance: Random, noise: Noise, offset: number, jitter: number): MachinePart[] {
		const { surroundings, heading } = this.making;
		const noisy = (real: number) => noisyPart(real, noise.part, chance);
		const bearing = () => {
			const real = bearingOfHeading(heading + this.placing[2] + this.body.turned);
			return (real + offset + jitter * chance.chance() + 720) % 360;
		};
		return [
			part(compass, {}, { compassBearing: bearing }),
			part(
				shell,
				{},
				{ bumped: () => surroundings.isBumped, touched: () => surroundings.isTouched }
			),
			part(lightSensor, {}, { light: () => noisy(surroundings.light) }),
			part(microphone, {}, { soundLevel: () => noisy(surroundings.sound) }),
			part(tiltSensor, {}, { tilt: () => noise.tilt * chance.chance() })
		];
	}

	/** A patch cannot drive backwards: in a turn, the wheel that would is left to stand. */
	private drive(left: number, right: number): Wait | void {
		if (Math.max(left, right) <= 0 && Math.min(left, right) < 0) return refused('noBackwards');
		this.shine(Math.max(0, left), Math.max(0, right));
	}

	private shine(left: number, right: number): void {
		this.left.brightness = left;
		this.right.brightness = right;
	}

	get battery(): number {
		return this.body.battery;
	}
	set battery(part: number) {
		this.body.battery = part;
	}

	get isStill(): boolean {
		const isDark = this.left.brightness === 0 && this.right.brightness === 0;
		return isDark && !this.body.isRolling;
	}
	get isPlaying(): boolean {
		return this.speaker.isPlaying;
	}

	advance(time: number): void {
		this.time = time + tick;
		const glare = this.isResting ? 0 : glareOf(this.making.surroundings.light);
		const { body, left, right } = this;
		body.left.command = this.command(left, glare);
		body.right.command = this.command(right, glare);
		body.turnWheels();
	}

	/** m/s for the motor that watches a patch. */
	private command(patch: Patch, glare: number): number {
		const real = patch.brightness + (1 - patch.brightness) * glare;
		patch.seen += (real - patch.seen) * response;
		const above = Math.max(0, patch.seen - this.dead) / (1 - this.dead);
		return above * settings.chassis.topSpeed;
	}

	rest(): void {
		this.isResting = true;
		this.shine(0, 0);
	}
}
