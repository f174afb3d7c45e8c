/**
 * The body of a drone. Its speeds ahead, left and up follow what they are told with a first-order lag,
 * as its controller sees to; it leans as it speeds up. What the air does to it comes on top of that.
 */
import * as exact from '../../exact';
import { tick } from '../../time';
import type { Body, Motion, Obstacle } from '../../world/body';
import * as settings from './settings';

const responseOf = (lag: number): number => 1 - exact.exp(-tick / lag);
/** What its firmware takes for its response. */
const assumed = responseOf(settings.lag);
/** Metres that it still floats, for each m/s, when it is told to stop: its lag, less what ticks make of it. */
export const coasting = tick / (exact.exp(tick / settings.lag) - 1);
const inDegrees = 180 / Math.PI;
const direction = new exact.Direction();

export class Airframe implements Body {
	readonly outline = settings.outline;
	readonly mass = settings.mass;
	readonly inertia = settings.inertia;
	readonly tall = settings.tall;

	altitude = 0;
	/** m/s by its own rotors. */
	ahead = 0;
	left = 0;
	up = 0;
	/** rad/s */
	turning = 0;
	/** m/s of the air, east and north. */
	readonly air = { east: 0, north: 0 };
	/** Degrees: the front down, the right side down. */
	pitch = 0;
	roll = 0;
	/** Where its front really points, radians. */
	heading: number;
	/** What it ran into in the air. */
	hit: Obstacle | null = null;

	private readonly motion: Motion = { ahead: 0, left: 0, turning: 0 };

	private readonly response: number;

	/** @param lag seconds in which it gets 63 % of the way to the speed it is told */
	constructor(heading: number, lag: number) {
		this.heading = heading;
		this.response = responseOf(lag);
	}

	get speed(): number {
		return exact.lengthOf(exact.lengthOf(this.ahead, this.left), this.up);
	}

	/** It sinks more than it flies anywhere. */
	get isSinking(): boolean {
		return -this.up > exact.lengthOf(this.ahead, this.left);
	}

	/** Follows what it is told, m/s, for one tick. */
	follow(ahead: number, left: number, up: number): void {
		const { response } = this;
		const forwards = (ahead - this.ahead) * response;
		const leftwards = (left - this.left) * response;
		this.pitch = leanOf(forwards);
		this.roll = -leanOf(leftwards + this.ahead * this.turning * tick);
		this.ahead += forwards;
		this.left += leftwards;
		this.up += (up - this.up) * response;
	}

	/**
	 * What to tell it so that, floating from the next tick on, it comes just so far.
	 * @param speed m/s in its direction now @param left metres
	 */
	endingSpeed(speed: number, left: number): number {
		return speed + (left / (tick + coasting) - speed) / assumed;
	}

	/** Falls for one tick. */
	fall(): void {
		this.up -= settings.gravity * tick;
	}

	/** Rises or sinks for one tick, not below the floor. @returns m/s with which it reached that, or 0 */
	rise(): number {
		this.altitude += this.up * tick;
		if (this.altitude > 0) return 0;
		const speed = -this.up;
		this.stand();
		return Math.max(0, speed);
	}

	/** Stands on the floor. */
	stand(): void {
		this.altitude = this.ahead = this.left = this.up = this.turning = this.pitch = this.roll = 0;
	}

	wish(): Readonly<Motion> {
		const { motion, air } = this;
		motion.turning = this.turning;
		motion.ahead = this.ahead;
		motion.left = this.left;
		if (this.altitude > 0) {
			direction.turnTo(this.heading + (this.turning * tick) / 2);
			const { cos, sin } = direction;
			motion.ahead += air.east * cos + air.north * sin;
			motion.left += air.north * cos - air.east * sin;
		}
		return motion;
	}

	settle(_: Readonly<Motion>, touching: Obstacle | null): void {
		if (touching && this.altitude > 0) this.hit = touching;
	}

	sense(turned: number): void {
		this.heading += turned;
	}
}

/** Degrees that it leans to gain so much speed in one tick. */
const leanOf = (gained: number): number => exact.atan2(gained / tick, settings.gravity) * inDegrees;
