/**
 * Counted moves of the Skiff: each follows a profile, closed on the wheel counters (going) or on the
 * gyro (turning), and gives the two motors their speeds in m/s.
 */
import type { Wait } from '../../devices/port';
import { tick } from '../../time';
import type { Motor } from '../two-wheels';
import { Profile } from './profile';
import * as settings from './settings';

/** What a move can read and command, as the firmware sees it. */
export interface Firmware {
	/** The wheels. */
	readonly left: Motor;
	readonly right: Motor;
	/** What it takes for the wheels. */
	readonly usedLeft: Motor;
	readonly usedRight: Motor;
	/** Angle by the gyro since Run, radians. */
	readonly gyroAngle: number;
	/** m/s that a motor can reach with the battery as it is. */
	readonly reachable: number;
	/** Seconds of being stuck after which a move is given up; 0 for never. */
	readonly givesUpAfter: number;
}

export abstract class Move implements Wait {
	isDone = false;
	isStalled = false;
	refusal?: string;
	private settling = 0;
	private stalling = 0;
	protected readonly profile: Profile;

	protected constructor(
		protected readonly firmware: Firmware,
		length: number,
		speed: number,
		rate: number,
		private readonly patience: number,
		private readonly arrived: number
	) {
		this.profile = new Profile(Math.abs(length), speed, rate);
	}

	isOver(): boolean {
		return this.isDone;
	}

	/** How far behind the profile it is, in the profile's unit. */
	protected abstract behind(): number;
	protected abstract command(): void;

	advance(): void {
		if (this.behind() < this.patience) this.profile.advance(tick);
		this.command();
		const { left, right } = this.firmware;
		const fastest = Math.max(Math.abs(left.speed), Math.abs(right.speed));
		if (this.profile.isOver) this.settle(fastest);
		else this.watchForStall(fastest);
	}

	private settle(fastest: number): void {
		this.settling += tick;
		const near = fastest < settings.arrivedSpeed && Math.abs(this.behind()) < this.arrived;
		this.isDone = near || this.settling >= settings.settleTime;
	}

	private watchForStall(fastest: number): void {
		const isHeld = fastest < settings.stallSpeed && this.behind() > this.patience / 2;
		this.stalling = isHeld ? this.stalling + tick : 0;
		const { givesUpAfter } = this.firmware;
		if (givesUpAfter === 0) this.isStalled = this.stalling >= settings.stallTime;
		else if (this.stalling >= givesUpAfter) {
			this.refusal = 'gaveUp';
			this.isDone = true;
		}
	}
}

/**
 * Each wheel so far, closed on its own counter: straight on when both go the same way, an arc when
 * they do not. Both arrive together, so the wheel with the shorter way runs slower.
 */
export class Travel extends Move {
	private readonly leftPart: number;
	private readonly rightPart: number;
	private readonly leftFrom: number;
	private readonly rightFrom: number;

	constructor(firmware: Firmware, left: number, right: number, speed: number) {
		const { acceleration, mostBehind: patience, arrivedDistance } = settings;
		const longest = Math.max(Math.abs(left), Math.abs(right));
		super(firmware, longest, speed, acceleration, patience, arrivedDistance);
		this.leftPart = longest > 0 ? left / longest : 0;
		this.rightPart = longest > 0 ? right / longest : 0;
		this.leftFrom = firmware.usedLeft.way;
		this.rightFrom = firmware.usedRight.way;
	}

	protected behind(): number {
		return Math.max(
			Math.sign(this.leftPart) * this.leftBehind(),
			Math.sign(this.rightPart) * this.rightBehind()
		);
	}

	protected command(): void {
		const { velocity, acceleration } = this.profile;
		const ahead = velocity + settings.motorLag * acceleration;
		const { firmware, leftPart, rightPart } = this;
		const left = leftPart * ahead + settings.correction * this.leftBehind();
		const right = rightPart * ahead + settings.correction * this.rightBehind();
		// What is asked of one motor beyond what it can, the other must not do either: the way would bend.
		const most = Math.max(Math.abs(left), Math.abs(right));
		const { reachable } = firmware;
		const share = most > reachable ? reachable / most : 1;
		firmware.usedLeft.command = left * share;
		firmware.usedRight.command = right * share;
	}

	private leftBehind(): number {
		return this.leftPart * this.profile.position - (this.firmware.usedLeft.way - this.leftFrom);
	}

	private rightBehind(): number {
		return this.rightPart * this.profile.position - (this.firmware.usedRight.way - this.rightFrom);
	}
}

/** On the spot, closed on the gyro. */
export class Turn extends Move {
	private readonly sign: number;
	private readonly from: number;

	constructor(firmware: Firmware, angle: number) {
		const { turnRate, turnAcceleration, turnPatience, arrivedAngle } = settings;
		super(firmware, angle, turnRate, turnAcceleration, turnPatience, arrivedAngle);
		this.sign = Math.sign(angle);
		this.from = firmware.gyroAngle;
	}

	protected behind(): number {
		return this.profile.position - this.sign * (this.firmware.gyroAngle - this.from);
	}

	protected command(): void {
		const { velocity, acceleration } = this.profile;
		const rate = velocity + settings.motorLag * acceleration + settings.correction * this.behind();
		const wheel = (this.sign * rate * settings.axle) / 2;
		this.firmware.usedLeft.command = -wheel;
		this.firmware.usedRight.command = wheel;
	}
}
