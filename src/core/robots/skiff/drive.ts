/**
 * The drive of a Skiff: two motors that follow their command with a first-order lag, and the counted
 * moves that close the loop on what the firmware can read. The firmware knows nothing of wear, slip,
 * bias or dead zone: that is why a real square does not close.
 */
import * as exact from '../../exact';
import type { MotorPort } from '../../devices/ports/device';
import type { Wait } from '../../devices/port';
import type { Random } from '../../random/random';
import { tick } from '../../time';
import type { Motion, Obstacle } from '../../world/body';
import type { Character, Day } from './character';
import { Travel, Turn, type Firmware, type Move } from './moves';
import type { DrivePorts } from './ports';
import * as settings from './settings';

/** Part of the way to the commanded speed that a motor makes in one tick. */
const response = 1 - exact.exp(-tick / settings.motorLag);

export class Drive implements Firmware {
	/** 1 full, 0 empty. */
	battery: number;
	/** Speeds of the wheels, m/s by the nominal wheel. */
	leftWheel = 0;
	rightWheel = 0;
	/** What they make of the robot, m/s and rad/s. */
	speed = 0;
	turning = 0;
	/** Angle by the gyro since Run, radians. */
	gyroAngle = 0;
	/** Ways by the counters since Run, metres by the nominal wheel. */
	leftWay = 0;
	rightWay = 0;

	/** Speed to the left that something has pushed it to, m/s; the tyres hold against it. */
	private sliding = 0;
	private readonly motion: Motion = { ahead: 0, left: 0, turning: 0 };
	private move: Move | undefined;
	private isCoasting = false;
	/** m/s for the motor on each port. */
	private readonly commands: Record<MotorPort, number> = { A: 0, B: 0, C: 0, D: 0 };
	/** The ports that moves use; the wheels are plugged in where they are. */
	private used: DrivePorts;
	private readonly slip: number;

	constructor(
		private readonly plugged: DrivePorts,
		private readonly character: Character,
		{ battery, slip }: Day,
		private readonly chance: Random
	) {
		this.battery = battery;
		this.slip = slip;
		this.used = plugged;
	}

	// --- what moves read and command ---

	get leftCount(): number {
		return this.wayAt(this.used.left);
	}
	get rightCount(): number {
		return this.wayAt(this.used.right);
	}
	set leftCommand(speed: number) {
		this.commands[this.used.left] = speed;
	}
	set rightCommand(speed: number) {
		this.commands[this.used.right] = speed;
	}

	/** Nothing is plugged into the other ports, so nothing turns there. */
	private wayAt(port: MotorPort): number {
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

	// --- orders ---

	/** @param left, right metres @param speed a part of the top speed; less than 0 goes the other way */
	travel(left: number, right: number, speed: number): Wait {
		const sign = speed < 0 ? -1 : 1;
		const pace = Math.max(settings.slowest, Math.abs(speed)) * settings.topSpeed;
		return this.begin(new Travel(this, left * sign, right * sign, pace));
	}

	/** @param angle radians, counter-clockwise */
	turn(angle: number): Wait {
		return this.begin(new Turn(this, angle));
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

	/** @param left, right parts of the top speed */
	run(left: number, right: number): void {
		this.letGo();
		this.command(left * settings.topSpeed, right * settings.topSpeed);
	}

	stop(isCoasting: boolean): void {
		this.letGo();
		for (const port of Object.keys(this.commands)) this.commands[port as MotorPort] = 0;
		this.isCoasting = isCoasting;
	}

	setMotor(port: MotorPort, power: number): void {
		this.letGo();
		this.commands[port] = power * settings.topSpeed;
	}

	usePorts(ports: DrivePorts): void {
		this.letGo();
		this.command(0, 0);
		this.used = ports;
	}

	// --- one tick ---

	advance(): void {
		if (this.move) {
			this.move.advance();
			if (this.move.isDone) {
				this.move = undefined;
				this.command(0, 0);
			}
		}
		const left = this.commands[this.plugged.left];
		const right = this.commands[this.plugged.right];
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

	// --- as the world moves it ---

	wish(): Readonly<Motion> {
		const held = settings.grip * tick;
		this.sliding -= Math.max(-held, Math.min(held, this.sliding));
		this.motion.ahead = this.speed;
		this.motion.left = this.sliding;
		this.motion.turning = this.turning;
		return this.motion;
	}

	settle(moved: Readonly<Motion>, touching: Obstacle | null): void {
		if (!touching) return;
		this.sliding = moved.left;
		this.obstructed(moved.ahead, moved.turning);
	}

	private obstructed(speed: number, turning: number): void {
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
