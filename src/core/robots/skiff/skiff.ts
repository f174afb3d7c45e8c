/**
 * Skiff, the two-wheel car. Its motors follow their command with a first-order lag; a counted move
 * closes the loop on what the firmware can read. The firmware knows nothing of wear, slip, bias or
 * dead zone: that is why a real square does not close. Skiff Lite is the same car without wheel
 * counters and gyro.
 */
import type { Datum } from '../../expressions/types';
import type { Reading } from '../../expressions/vocabulary';
import type { PlayedNote, Wait } from '../../interpreter/controls';
import type { Random } from '../../random/random';
import { tick } from '../../simulation/settings';
import type { Ability } from '../../steps/definition';
import { bearingOfHeading, headingOfBearing, wrapAngle } from '../../units/angles';
import type { DrivePorts } from '../ports';
import type { Making, Robot, RobotKind } from '../robot';
import { characterOf, dayOf, type Character } from './character';
import { Lamp } from './lamps';
import { Travel, Turn, type Firmware, type Move } from './moves';
import { Senses } from './senses';
import * as settings from './settings';
import { Speaker } from './speaker';

/** Part of the way to the commanded speed that a motor makes in one tick. */
const response = 1 - Math.exp(-tick / settings.motorLag);
const wheelCircumference = Math.PI * settings.wheelDiameter;

export class Skiff implements Robot, Firmware {
	readonly outline = settings.outline;
	readonly mass = settings.mass;
	readonly inertia = settings.inertia;
	readonly grip = settings.grip;
	readonly axle = settings.axle;
	readonly topSpeed = settings.topSpeed;
	readonly wheelCircumference = wheelCircumference;
	readonly placing: readonly [number, number, number];

	battery: number;
	leftWheel = 0;
	rightWheel = 0;
	speed = 0;
	turning = 0;
	gyroAngle = 0;

	private time = 0;
	private move: Move | undefined;
	private isCoasting = false;
	/** m/s for the motor on each port. */
	private readonly commands: Record<string, number> = { A: 0, B: 0, C: 0, D: 0 };
	/** Where the wheels are plugged in, and the ports that moves use. */
	private readonly plugged: DrivePorts;
	private driving: { left: string; right: string };
	/** Ways by the counters since Run, metres by the nominal wheel, and where counting began. */
	private leftWay = 0;
	private rightWay = 0;
	private readonly zeroes = { travelled: 0, left: 0, right: 0 };
	/** The heading that the gyro calls 0, once a step has set it. */
	private headingZero: number | undefined;
	private cruise = settings.initialCruise;

	private readonly character: Character;
	private readonly slip: number;
	private readonly chance: Random;
	private readonly lamps = { left: new Lamp(), right: new Lamp() };
	private readonly speaker = new Speaker();
	private readonly senses: Senses;
	private readonly displayed: Senses;
	/** Heading that it was told when it was lined up. */
	private readonly startHeading: number;

	constructor(
		making: Making,
		private readonly canSense: ReadonlySet<Reading>
	) {
		const { name, ports, variation, chance, surroundings, heading } = making;
		const day = dayOf(variation, chance);
		this.character = characterOf(name, variation);
		this.battery = day.battery;
		this.slip = day.slip;
		this.placing = day.placing;
		this.chance = chance;
		this.plugged = ports;
		this.driving = ports;
		this.startHeading = heading;
		this.senses = new Senses(variation, making.sensorChance, surroundings);
		this.displayed = new Senses(variation, making.displayChance, surroundings);
	}

	// --- what moves read and command ---

	get leftCount(): number {
		return this.wayAt(this.driving.left);
	}
	get rightCount(): number {
		return this.wayAt(this.driving.right);
	}
	set leftCommand(speed: number) {
		this.commands[this.driving.left] = speed;
	}
	set rightCommand(speed: number) {
		this.commands[this.driving.right] = speed;
	}

	/** Nothing is plugged into the other ports, so nothing turns there. */
	private wayAt(port: string): number {
		if (port === this.plugged.left) return this.leftWay;
		return port === this.plugged.right ? this.rightWay : 0;
	}

	get isStalled(): boolean {
		return this.move?.isStalled ?? false;
	}

	get isStill(): boolean {
		return (
			!this.move &&
			this.commands[this.plugged.left] === 0 &&
			this.commands[this.plugged.right] === 0 &&
			Math.abs(this.leftWheel) < settings.arrivedSpeed &&
			Math.abs(this.rightWheel) < settings.arrivedSpeed
		);
	}

	// --- moves ---

	travel(left: number, right: number, speed: number): Wait {
		const sign = speed < 0 ? -1 : 1;
		const pace = Math.max(settings.slowest, Math.abs(speed)) * settings.topSpeed;
		return this.begin(new Travel(this, left * sign, right * sign, pace));
	}

	turn(angle: number): Wait {
		return this.begin(new Turn(this, angle));
	}

	turnTo(bearing: number): Wait {
		const heading = this.startHeading + this.gyroAngle;
		return this.turn(wrapAngle(headingOfBearing(bearing) - heading));
	}

	/** A new move takes the wheels; the one before is over where it is. */
	private begin(move: Move): Wait {
		this.letGo();
		this.move = move;
		return move;
	}

	private letGo(): void {
		if (this.move) this.move.isDone = true;
		this.move = undefined;
		this.isCoasting = false;
	}

	private command(left: number, right: number): void {
		this.leftCommand = left;
		this.rightCommand = right;
	}

	drive(left: number, right: number): void {
		this.letGo();
		this.command(left * settings.topSpeed, right * settings.topSpeed);
	}

	stop(isCoasting: boolean): void {
		this.letGo();
		for (const port of Object.keys(this.commands)) this.commands[port] = 0;
		this.isCoasting = isCoasting;
	}

	untilStill(): Wait {
		return { isOver: () => this.isStill };
	}

	setMotor(port: string, power: number): void {
		this.letGo();
		this.commands[port] = power * settings.topSpeed;
	}

	setDrivePorts(left: string, right: string): void {
		this.letGo();
		this.command(0, 0);
		this.driving = { left, right };
	}

	setCruise(speed: number): void {
		this.cruise = speed;
	}

	// --- lamps and sounds ---

	setLamp(side: string, colour: string, brightness: number, period = 0): void {
		const { left, right } = this.lamps;
		if (side !== 'right') left.set(colour, brightness, period, this.time);
		if (side !== 'left') right.set(colour, brightness, period, this.time);
	}
	get leftLamp(): number {
		return this.lamps.left.shownAt(this.time);
	}
	get rightLamp(): number {
		return this.lamps.right.shownAt(this.time);
	}

	play(notes: readonly PlayedNote[]): Wait {
		return this.speaker.play(notes, this.time);
	}
	setVolume(level: number): void {
		this.speaker.volume = level;
	}
	silence(): void {
		this.speaker.silence(this.time);
	}
	get isPlaying(): boolean {
		return this.speaker.isPlayingAt(this.time);
	}
	set onPlay(listener: Robot['onPlay']) {
		this.speaker.onPlay = listener;
	}

	pause(duration: number): Wait {
		const until = this.time + duration;
		return { isOver: (time) => time >= until };
	}

	// --- sensors ---

	get seesEdge(): boolean {
		return this.senses.seesEdge;
	}

	read(reading: Reading): Datum {
		return this.sensed(reading, this.senses);
	}

	display(reading: Reading): Datum {
		return this.sensed(reading, this.displayed);
	}

	private sensed(reading: Reading, senses: Senses): Datum {
		if (!this.canSense.has(reading)) return NaN;
		const { zeroes, leftWay, rightWay } = this;
		switch (reading) {
			case 'heading': {
				const { headingZero, gyroAngle, startHeading } = this;
				if (headingZero === undefined) return bearingOfHeading(startHeading + gyroAngle);
				return bearingOfHeading(headingOfBearing(0) + gyroAngle - headingZero);
			}
			case 'travelled':
				return (leftWay + rightWay) / 2 - zeroes.travelled;
			case 'leftCount':
				return ((leftWay - zeroes.left) / wheelCircumference) * 360;
			case 'rightCount':
				return ((rightWay - zeroes.right) / wheelCircumference) * 360;
			case 'speed':
				return (this.leftWheel + this.rightWheel) / 2;
			case 'battery':
				return this.battery;
			case 'time':
				return this.time;
			case 'cruise':
				return this.cruise;
			default:
				return senses.read(reading, this.time, this.speaker.loudnessAt(this.time)) ?? NaN;
		}
	}

	zero(what: string): void {
		const { zeroes, leftWay, rightWay } = this;
		if (what === 'travelled') zeroes.travelled = (leftWay + rightWay) / 2;
		else if (what === 'heading') this.headingZero = this.gyroAngle;
		else Object.assign(zeroes, { left: leftWay, right: rightWay });
	}

	// --- one tick ---

	advance(time: number): void {
		this.time = time + tick;
		if (this.move) {
			this.move.advance();
			if (this.move.isDone) {
				this.move = undefined;
				this.command(0, 0);
			}
		}
		const left = this.commands[this.plugged.left]!;
		const right = this.commands[this.plugged.right]!;
		const power = (Math.abs(left) + Math.abs(right)) / (2 * settings.topSpeed);
		const drain = settings.idleDrain + settings.driveDrain * Math.min(1, power);
		this.battery = Math.max(0, this.battery - tick * drain);
		this.leftWheel = this.motor(this.leftWheel, left);
		this.rightWheel = this.motor(this.rightWheel, right);
		this.roll();
	}

	private roll(): void {
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
		if (this.isCoasting) {
			const lost = settings.rollingDrag * tick;
			return Math.abs(wheel) > lost ? wheel - Math.sign(wheel) * lost : 0;
		}
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
		this.leftWay += this.leftWheel * tick;
		this.rightWay += this.rightWheel * tick;
		this.gyroAngle += turned * this.character.gyroGain + this.character.gyroBias * tick;
	}
}

const sensedByAll = [
	'distanceAhead',
	'brightness',
	'floorColour',
	'bumped',
	'touched',
	'edgeAhead',
	'tilt',
	'battery',
	'light',
	'soundLevel',
	'time',
	'cruise'
] as const;

function kindOf(
	kind: string,
	sampleName: string,
	abilities: readonly Ability[],
	senses: readonly Reading[]
): RobotKind {
	const canSense = new Set(senses);
	return {
		kind,
		abilities,
		senses,
		outline: settings.outline,
		topSpeed: settings.topSpeed,
		sampleName,
		build: (making) => new Skiff(making, canSense)
	};
}

export const skiff = kindOf(
	'skiff',
	'Tallow',
	['wheels', 'counters', 'gyro', 'lamp', 'speaker', 'ports'],
	[...sensedByAll, 'heading', 'travelled', 'leftCount', 'rightCount', 'speed']
);

export const skiffLite = kindOf(
	'skiffLite',
	'Wick',
	['wheels', 'lamp', 'speaker', 'ports'],
	sensedByAll
);
