/**
 * Skiff, the two-wheel car with wheel counters and a gyro. Its motors follow their command with a
 * first-order lag; a counted move closes the loop on what the firmware can read. The firmware knows
 * nothing of wear, slip, bias or dead zone: that is why a real square does not close.
 */
import type { Wait } from '../../interpreter/controls';
import type { Random } from '../../random/random';
import { tick } from '../../simulation/settings';
import type { Robot, RobotKind, Variation } from '../robot';
import { characterOf, dayOf, type Character } from './character';
import { Travel, Turn, type Firmware, type Move } from './moves';
import * as settings from './settings';

/** Part of the way to the commanded speed that a motor makes in one tick. */
const response = 1 - Math.exp(-tick / settings.motorLag);

export class Skiff implements Robot, Firmware {
	readonly outline = settings.outline;
	readonly mass = settings.mass;
	readonly inertia = settings.inertia;
	readonly grip = settings.grip;
	readonly placing: readonly [number, number, number];

	battery: number;
	lampColour = 0;
	onTone: (pitch: number, length: number) => void = () => {};

	leftCount = 0;
	rightCount = 0;
	gyroAngle = 0;
	leftCommand = 0;
	rightCommand = 0;
	leftWheel = 0;
	rightWheel = 0;
	speed = 0;
	turning = 0;

	private time = 0;
	private move: Move | undefined;
	private readonly character: Character;
	private readonly slip: number;

	constructor(
		name: string,
		variation: Variation,
		private readonly chance: Random
	) {
		const day = dayOf(variation, chance);
		this.character = characterOf(name, variation);
		this.battery = day.battery;
		this.slip = day.slip;
		this.placing = day.placing;
	}

	get isStalled(): boolean {
		return this.move?.isStalled ?? false;
	}

	get isStill(): boolean {
		return (
			!this.move &&
			Math.abs(this.leftWheel) < settings.arrivedSpeed &&
			Math.abs(this.rightWheel) < settings.arrivedSpeed
		);
	}

	travel(distance: number, speed: number): Wait {
		return this.begin(new Travel(this, distance, speed * settings.topSpeed));
	}

	turn(angle: number): Wait {
		return this.begin(new Turn(this, angle));
	}

	setLamp(colour: string): void {
		this.lampColour = Number.parseInt(colour.slice(1), 16);
	}

	playTone(pitch: number, length: number): void {
		this.onTone(pitch, length);
	}

	pause(duration: number): Wait {
		const until = this.time + duration;
		return { isOver: (time) => time >= until };
	}

	/** A new move takes the wheels; the one before is over where it is. */
	private begin(move: Move): Wait {
		if (this.move) this.move.isDone = true;
		this.move = move;
		return move;
	}

	drive(time: number): void {
		this.time = time + tick;
		if (this.move) {
			this.move.advance();
			if (this.move.isDone) this.move = undefined;
		}
		if (!this.move) {
			this.leftCommand = 0;
			this.rightCommand = 0;
		}
		const power =
			(Math.abs(this.leftCommand) + Math.abs(this.rightCommand)) / (2 * settings.topSpeed);
		this.battery = Math.max(
			0,
			this.battery - tick * (settings.idleDrain + settings.driveDrain * Math.min(1, power))
		);
		this.leftWheel = this.motor(this.leftWheel, this.leftCommand);
		this.rightWheel = this.motor(this.rightWheel, this.rightCommand);

		const { leftWheel, rightWheel } = this.character;
		let left = this.leftWheel * leftWheel;
		let right = this.rightWheel * rightWheel;
		if (this.slip > 0) {
			left *= 1 + this.slip * this.chance.chance();
			right *= 1 + this.slip * this.chance.chance();
		}
		this.speed = (left + right) / 2;
		this.turning = (right - left) / settings.axle;
	}

	/** First-order lag towards the command, as far as battery and dead zone let it. */
	private motor(wheel: number, command: number): number {
		if (Math.abs(command) <= this.character.deadZone) return wheel * (1 - response);
		const { flatBatteryFactor, topSpeed } = settings;
		const top = topSpeed * (flatBatteryFactor + (1 - flatBatteryFactor) * this.battery);
		return wheel + (Math.max(-top, Math.min(top, command)) - wheel) * response;
	}

	obstructed(speed: number, turning: number): void {
		this.speed = speed;
		this.turning = turning;
		const half = (turning * settings.axle) / 2;
		this.leftWheel = (speed - half) / this.character.leftWheel;
		this.rightWheel = (speed + half) / this.character.rightWheel;
	}

	sense(turned: number): void {
		this.leftCount += this.leftWheel * tick;
		this.rightCount += this.rightWheel * tick;
		this.gyroAngle += turned * this.character.gyroGain + this.character.gyroBias * tick;
	}
}

export const skiff: RobotKind = {
	kind: 'skiff',
	abilities: ['wheels', 'counters', 'gyro', 'lamp', 'speaker'],
	outline: settings.outline,
	topSpeed: settings.topSpeed,
	sampleName: 'Tallow',
	build: (name, variation, chance) => new Skiff(name, variation, chance)
};
