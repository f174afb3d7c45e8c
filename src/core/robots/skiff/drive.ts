/**
 * The drive of a Skiff: two wheels, and the counted moves that close the loop on what the firmware can
 * read. The firmware knows nothing of wear, slip, bias or dead zone: that is why a real square does
 * not close.
 */
import type { MotorPort } from '../../devices/ports/device';
import type { Wait } from '../../devices/port';
import type { Random } from '../../random/random';
import { tick } from '../../time';
import { Motor, TwoWheels, type Chassis } from '../two-wheels';
import { Travel, Turn, type Firmware, type Move } from './moves';
import type { SkiffValues } from './parameters';
import type { DrivePorts } from './ports';
import * as settings from './settings';

/** A plain object: the engine is slow to look into a module. */
const chassis: Chassis = { ...settings };

/** Nothing is plugged into the other ports, so nothing turns there. */
const sockets = (): Readonly<Record<MotorPort, Motor>> => ({
	A: new Motor(),
	B: new Motor(),
	C: new Motor(),
	D: new Motor()
});

export class Drive extends TwoWheels implements Firmware {
	/** Angle by the gyro since Run, radians. */
	gyroAngle = 0;
	/** The motors that moves use for the wheels, which are where they are plugged in. */
	usedLeft: Motor;
	usedRight: Motor;
	/** Seconds of being stuck after which a move is given up; 0 for never. */
	givesUpAfter = 0;
	private move: Move | undefined;
	private readonly gyroGain: number;
	private readonly gyroBias: number;

	constructor(
		{ left, right }: DrivePorts,
		values: SkiffValues,
		chance: Random,
		private readonly motors = sockets()
	) {
		super(chassis, values, chance, motors[left], motors[right]);
		this.gyroGain = values.gyroGain;
		this.gyroBias = values.gyroBias;
		this.usedLeft = this.left;
		this.usedRight = this.right;
	}

	get isStalled(): boolean {
		return this.move?.isStalled ?? false;
	}

	get isStill(): boolean {
		return !this.move && !this.isCommanded && !this.isRolling;
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
		this.turnWheels();
	}

	sense(turned: number): void {
		this.count();
		this.gyroAngle += turned * this.gyroGain + this.gyroBias * tick;
	}
}
