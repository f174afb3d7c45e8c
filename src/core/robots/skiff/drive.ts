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
import type { Body, Motion, Obstacle } from '../../world/body';
import type { Character, Day } from './character';
import { Motor, Travel, Turn, type Firmware, type Move } from './moves';
import type { DrivePorts } from './ports';
import * as settings from './settings';

/** Part of the way to the commanded speed that a motor makes in one tick. */
const response = 1 - exact.exp(-tick / settings.motorLag);

/** First-order lag towards the command, as far as battery and dead zone let it. */
function following({ speed, command }: Motor, top: number, deadZone: number): number {
	if (Math.abs(command) <= deadZone) return speed * (1 - response);
	return speed + (Math.max(-top, Math.min(top, command)) - speed) * response;
}

function coasting(speed: number): number {
	const lost = settings.rollingDrag * tick;
	return Math.abs(speed) > lost ? speed - Math.sign(speed) * lost : 0;
}

export class Drive implements Body, Firmware {
	readonly outline = settings.outline;
	readonly mass = settings.mass;
	readonly inertia = settings.inertia;
	/** 1 full, 0 empty. */
	battery: number;
	/** What they make of the robot, m/s and rad/s. */
	speed = 0;
	turning = 0;
	/** Angle by the gyro since Run, radians. */
	gyroAngle = 0;
	/** The wheels are where they are plugged in. */
	readonly left: Motor;
	readonly right: Motor;
	/** The motors that moves use for them. */
	usedLeft: Motor;
	usedRight: Motor;

	/** Speed to the left that something has pushed it to, m/s; the tyres hold against it. */
	private sliding = 0;
	private readonly motion: Motion = { ahead: 0, left: 0, turning: 0 };
	private move: Move | undefined;
	private isCoasting = false;
	/** Nothing is plugged into the other ports, so nothing turns there. */
	private readonly motors: Readonly<Record<MotorPort, Motor>> = {
		A: new Motor(),
		B: new Motor(),
		C: new Motor(),
		D: new Motor()
	};
	private readonly slip: number;

	constructor(
		{ left, right }: DrivePorts,
		private readonly character: Character,
		{ battery, slip }: Day,
		private readonly chance: Random
	) {
		this.battery = battery;
		this.slip = slip;
		this.left = this.usedLeft = this.motors[left];
		this.right = this.usedRight = this.motors[right];
	}

	get isStalled(): boolean {
		return this.move?.isStalled ?? false;
	}

	get isStill(): boolean {
		return (
			!this.move &&
			this.left.command === 0 &&
			this.right.command === 0 &&
			Math.abs(this.left.speed) < settings.arrivedSpeed &&
			Math.abs(this.right.speed) < settings.arrivedSpeed
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
		this.usedLeft.command = left;
		this.usedRight.command = right;
	}

	/** @param left, right parts of the top speed */
	run(left: number, right: number): void {
		this.letGo();
		this.command(left * settings.topSpeed, right * settings.topSpeed);
	}

	stop(isCoasting: boolean): void {
		this.letGo();
		for (const motor of Object.values(this.motors)) motor.command = 0;
		this.isCoasting = isCoasting;
	}

	setMotor(port: MotorPort, power: number): void {
		this.letGo();
		this.motors[port].command = power * settings.topSpeed;
	}

	usePorts({ left, right }: DrivePorts): void {
		this.letGo();
		this.command(0, 0);
		this.usedLeft = this.motors[left];
		this.usedRight = this.motors[right];
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
		const { left, right } = this;
		const power = (Math.abs(left.command) + Math.abs(right.command)) / (2 * settings.topSpeed);
		const drain = settings.idleDrain + settings.driveDrain * Math.min(1, power);
		this.battery = Math.max(0, this.battery - tick * drain);
		if (this.isCoasting) {
			left.speed = coasting(left.speed);
			right.speed = coasting(right.speed);
		} else {
			const { flatBatteryFactor, topSpeed } = settings;
			const top = topSpeed * (flatBatteryFactor + (1 - flatBatteryFactor) * this.battery);
			const { deadZone } = this.character;
			left.speed = following(left, top, deadZone);
			right.speed = following(right, top, deadZone);
		}
		this.roll();
	}

	private roll(): void {
		const { leftWheel, rightWheel } = this.character;
		let left = this.left.speed * leftWheel;
		let right = this.right.speed * rightWheel;
		if (this.slip > 0) {
			left *= 1 + this.slip * this.chance.chance();
			right *= 1 + this.slip * this.chance.chance();
		}
		this.speed = (left + right) / 2;
		this.turning = (right - left) / settings.axle;
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
		this.left.speed = (speed - half) / this.character.leftWheel;
		this.right.speed = (speed + half) / this.character.rightWheel;
	}

	sense(turned: number): void {
		this.left.way += this.left.speed * tick;
		this.right.way += this.right.speed * tick;
		this.gyroAngle += turned * this.character.gyroGain + this.character.gyroBias * tick;
	}
}
