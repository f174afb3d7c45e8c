/**
 * A body on two driven wheels, side by side: each motor follows its command with a first-order lag, as
 * far as battery and dead zone let it; the tyres hold against a push from the side.
 */
import * as exact from '../exact';
import type { Random } from '../random/random';
import { tick } from '../time';
import type { Body, Motion, Obstacle, Outline } from '../world/body';
import { batteryFrom, beside, constant, factor, same, scatter, setDownBeside } from './parameter';
import type { Parameter, ParameterValues, Variety } from './parameter';

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

// --- what one robot on wheels may be like ---

/** By which the right wheel is larger than the left, as a part of the drawn one. */
export const wheelDifferenceOf = (classroom: Variety, worn: Variety): Parameter => ({
	unit: 'part',
	of: 'robot',
	drawing: 0,
	range: [-0.3, 0.3],
	classroom,
	worn
});

/** Motor commands smaller than this do nothing, m/s. */
export const deadZoneOf = (classroom: Variety, worn: Variety): Parameter => ({
	unit: 'mps',
	of: 'robot',
	drawing: 0,
	range: [0, 0.1],
	classroom,
	worn
});

/** The motors and the floor under the wheels. */
export const motorsOf = (chassis: Chassis) => ({
	/** Speed of a wheel for each m/s that its motor is told. */
	motorGain: factor(same(1, 0.05), same(1, 0.05)),
	topSpeed: constant('mps', chassis.topSpeed, 0.06 * chassis.topSpeed),
	flatBatteryFactor: constant('part', chassis.flatBatteryFactor, 0.08),
	motorLag: constant('seconds', chassis.motorLag, 0.3 * chassis.motorLag),
	rollingDrag: constant('mps2', chassis.rollingDrag, 0.3 * chassis.rollingDrag)
});

/** How much robots and days differ: standard deviations, but of the battery least and most. */
export interface WheelsScatter {
	/** Greatest difference between the two wheels, as a part. */
	readonly wheels: number;
	readonly battery: readonly [number, number];
	/** Of a wheel's slip in each tick, as a part of its way. */
	readonly slip: number;
	/** Of where a hand sets it down, metres and radians. */
	readonly placing: readonly [number, number];
}

/** Those of a robot without any control of its own. */
export const wheelParameters = (
	chassis: Chassis,
	classroom: WheelsScatter,
	worn: WheelsScatter
) => ({
	wheelDifference: wheelDifferenceOf(
		beside(0, classroom.wheels / 3, classroom.wheels),
		beside(0, worn.wheels / 3, worn.wheels)
	),
	wheels: factor(same(1, 0.02), same(1, 0.02)),
	deadZone: deadZoneOf(same(0.01, 0.005), same(0.01, 0.005)),
	...setDownBeside(classroom.placing, worn.placing),
	battery: batteryFrom(classroom.battery, worn.battery),
	slip: scatter('part', same(classroom.slip), same(worn.slip)),
	...motorsOf(chassis)
});

type WheelValues = ParameterValues<ReturnType<typeof wheelParameters>>;

/** How one robot differs from the drawing. */
interface Wear {
	/** Real wheel circumference against the nominal one, as a factor. */
	readonly leftWheel: number;
	readonly rightWheel: number;
	readonly deadZone: number;
	readonly motorGain: number;
}

/** First-order lag towards the command. @param response part of the way made in one tick */
function following(
	{ speed, command }: Motor,
	response: number,
	top: number,
	{ deadZone, motorGain }: Wear
) {
	if (Math.abs(command) <= deadZone) return speed * (1 - response);
	return speed + (Math.max(-top, Math.min(top, command * motorGain)) - speed) * response;
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
	private readonly chassis: Chassis;
	private readonly wear: Wear;
	private readonly slip: number;
	/** 1 full, 0 empty. */
	battery: number;

	/** @param asDrawn what this one is in its own way takes the place of */
	constructor(
		asDrawn: Chassis,
		values: WheelValues,
		private readonly chance: Random,
		readonly left = new Motor(),
		readonly right = new Motor()
	) {
		const { topSpeed, flatBatteryFactor, motorLag, rollingDrag } = values;
		const { wheels, wheelDifference, deadZone, motorGain } = values;
		const chassis = { ...asDrawn, topSpeed, flatBatteryFactor, motorLag, rollingDrag };
		this.chassis = chassis;
		this.wear = {
			leftWheel: wheels - wheelDifference / 2,
			rightWheel: wheels + wheelDifference / 2,
			deadZone,
			motorGain
		};
		this.battery = values.battery;
		this.slip = values.slip;
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
			left.speed = following(left, response, top, this.wear);
			right.speed = following(right, response, top, this.wear);
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
