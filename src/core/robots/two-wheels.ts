/**
 * A body on two driven wheels, side by side: each motor follows its command with a first-order lag, as
 * far as battery and dead zone let it; the tyres hold against a push from the side.
 */
import * as exact from '../exact';
import { Random, seedOfText } from '../random/random';
import { tick } from '../time';
import type { Body, Motion, Obstacle, Outline } from '../world/body';

/** A motor with its counter, or a socket that nothing is plugged into. */
export class Motor {
	/** m/s at the wheel, told. */
	command = 0;
	/** m/s by the nominal wheel, counted. */
	speed = 0;
	/** Metres by the nominal wheel since Run, counted. */
	way = 0;
}

/** What a kind of robot is made like. */
export interface Chassis {
	readonly outline: Outline;
	/** kg, kg m². */
	readonly mass: number;
	readonly inertia: number;
	/** Metres between the wheels. */
	readonly axle: number;
	/** m/s at 100 % with a full battery, and the part of it that is left with an empty one. */
	readonly topSpeed: number;
	readonly flatBatteryFactor: number;
	/** Seconds in which a motor gets 63 % of the way to the commanded speed. */
	readonly motorLag: number;
	/** m/s² of sideways push before the tyres slide. */
	readonly grip: number;
	/** m/s² by which it slows down when its motors let go. */
	readonly rollingDrag: number;
	/** m/s: slower than this a wheel stands. */
	readonly arrivedSpeed: number;
	/** Part of the battery used in a second standing, and more at full power. */
	readonly idleDrain: number;
	readonly driveDrain: number;
}

/** How one robot differs from the drawing. */
export interface Wear {
	/** Real wheel circumference against the nominal one, as a factor. */
	readonly leftWheel: number;
	readonly rightWheel: number;
	/** Motor commands smaller than this do nothing, m/s. */
	readonly deadZone: number;
}

/** The wear of one robot, that follows from its name. @param wheels greatest difference, as a part; 0 for none */
export function wearOf(name: string, wheels: number): Wear {
	if (wheels === 0) return { leftWheel: 1, rightWheel: 1, deadZone: 0 };
	const difference = new Random(seedOfText(name)).eitherSide(wheels / 3, wheels);
	return { leftWheel: 1 - difference / 2, rightWheel: 1 + difference / 2, deadZone: 0.01 };
}

/** How much robots and days differ. */
export interface Scatter {
	/** Greatest difference between the two wheels, as a part. */
	readonly wheels: number;
	readonly battery: readonly [number, number];
	/** Standard deviation of a wheel's slip in each tick, as a part of its way. */
	readonly slip: number;
	/** Standard deviations of where a hand sets it down, metres and radians. */
	readonly placing: readonly [number, number];
}

/** What is drawn for each attempt. */
export function dayOf({ battery, placing }: Pick<Scatter, 'battery' | 'placing'>, chance: Random) {
	const around = (size: number): number => (size === 0 ? 0 : size * chance.chance());
	const [metres, angle] = placing;
	const set = [around(metres), around(metres), around(angle)] as const;
	return { placing: set, battery: chance.between(battery[0], battery[1]) };
}

/** First-order lag towards the command. @param response part of the way made in one tick */
function following({ speed, command }: Motor, response: number, top: number, deadZone: number) {
	if (Math.abs(command) <= deadZone) return speed * (1 - response);
	return speed + (Math.max(-top, Math.min(top, command)) - speed) * response;
}

const coasting = (speed: number, lost: number): number =>
	Math.abs(speed) > lost ? speed - Math.sign(speed) * lost : 0;

export abstract class TwoWheels implements Body {
	readonly outline: Outline;
	readonly mass: number;
	readonly inertia: number;
	/** What the wheels make of the robot, m/s and rad/s. */
	speed = 0;
	turning = 0;
	isCoasting = false;
	/** m/s that a motor can reach with the battery as it was last. */
	reachable: number;
	/** Speed to the left that something has pushed it to, m/s. */
	private sliding = 0;
	private readonly motion: Motion = { ahead: 0, left: 0, turning: 0 };
	private readonly response: number;

	/**
	 * @param battery 1 full, 0 empty
	 * @param slip standard deviation, in each tick, of a wheel's slip, as a part of its way
	 */
	constructor(
		private readonly chassis: Chassis,
		private readonly wear: Wear,
		public battery: number,
		private readonly slip: number,
		private readonly chance: Random,
		readonly left = new Motor(),
		readonly right = new Motor()
	) {
		this.outline = chassis.outline;
		this.mass = chassis.mass;
		this.inertia = chassis.inertia;
		this.response = 1 - exact.exp(-tick / chassis.motorLag);
		this.reachable = this.topNow;
	}

	get isRolling(): boolean {
		const { arrivedSpeed } = this.chassis;
		return Math.abs(this.left.speed) >= arrivedSpeed || Math.abs(this.right.speed) >= arrivedSpeed;
	}

	/** What its orders come to, without any measuring, m/s and rad/s. */
	get told(): { readonly speed: number; readonly turning: number } {
		const [left, right] = [this.left.command, this.right.command];
		return { speed: (left + right) / 2, turning: (right - left) / this.chassis.axle };
	}

	get isCommanded(): boolean {
		return this.left.command !== 0 || this.right.command !== 0;
	}

	/** Moves the motors on by one tick. */
	turnWheels(): void {
		const { left, right, chassis, response } = this;
		const power = (Math.abs(left.command) + Math.abs(right.command)) / (2 * chassis.topSpeed);
		const drain = chassis.idleDrain + chassis.driveDrain * Math.min(1, power);
		this.battery = Math.max(0, this.battery - tick * drain);
		if (this.isCoasting) {
			const lost = chassis.rollingDrag * tick;
			left.speed = coasting(left.speed, lost);
			right.speed = coasting(right.speed, lost);
		} else {
			const top = (this.reachable = this.topNow);
			const { deadZone } = this.wear;
			left.speed = following(left, response, top, deadZone);
			right.speed = following(right, response, top, deadZone);
		}
		this.roll();
	}

	private get topNow(): number {
		const { flatBatteryFactor, topSpeed } = this.chassis;
		return topSpeed * (flatBatteryFactor + (1 - flatBatteryFactor) * this.battery);
	}

	private roll(): void {
		const { leftWheel, rightWheel } = this.wear;
		let left = this.left.speed * leftWheel;
		let right = this.right.speed * rightWheel;
		if (this.slip > 0) {
			left *= 1 + this.slip * this.chance.chance();
			right *= 1 + this.slip * this.chance.chance();
		}
		this.speed = (left + right) / 2;
		this.turning = (right - left) / this.chassis.axle;
	}

	wish(): Readonly<Motion> {
		const held = this.chassis.grip * tick;
		this.sliding -= Math.max(-held, Math.min(held, this.sliding));
		this.motion.ahead = this.speed;
		this.motion.left = this.sliding;
		this.motion.turning = this.turning;
		return this.motion;
	}

	settle({ ahead, left, turning }: Readonly<Motion>, touching: Obstacle | null): void {
		if (!touching) return;
		this.sliding = left;
		this.speed = ahead;
		this.turning = turning;
		const half = (turning * this.chassis.axle) / 2;
		this.left.speed = (ahead - half) / this.wear.leftWheel;
		this.right.speed = (ahead + half) / this.wear.rightWheel;
	}

	abstract sense(turned: number): void;

	/** Counts what the wheels have turned. */
	protected count(): void {
		this.left.way += this.left.speed * tick;
		this.right.way += this.right.speed * tick;
	}
}
