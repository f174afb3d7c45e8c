/**
 * The shell of a Bobbin as a body: it has momentum, and the floor can only hold it so much. Told
 * another direction while it rolls, it takes a round corner with all the grip there is, of radius
 * v² / grip; what grip is left speeds it up or slows it down. Told the opposite, it brakes and comes
 * back. (Friction circle of a rolling body: any textbook on vehicle dynamics.)
 */
import * as exact from '../../exact';
import type { Surface } from '../../course/surfaces';
import { tick } from '../../time';
import type { Body, Motion, Obstacle } from '../../world/body';
import * as settings from './settings';

const direction = new exact.Direction();

export class Shell implements Body {
	readonly outline = settings.outline;
	readonly mass = settings.mass;
	readonly inertia = settings.inertia;
	readonly bounce = settings.bounce;

	/** m/s, along x and y of the course. */
	private vx = 0;
	private vy = 0;
	/** m/s in the direction in which it rolls. */
	speed = 0;
	/** rad/s of what is inside, which points to the front. */
	turning = 0;
	/** Where its front really points, radians. */
	heading: number;
	/** m/s² across the direction in which it rolls. */
	cornering = 0;
	/** m/s that a wall, a crate or another robot took or gave in this tick. */
	knocked = 0;
	isTouching = false;

	private readonly motion: Motion = { ahead: 0, left: 0, turning: 0 };
	/** Direction of the front halfway through the tick: what the world's speeds refer to. */
	private cos = 1;
	private sin = 0;

	/** @param lag seconds in which it gets 63 % of the way to a speed */
	constructor(
		heading: number,
		private readonly lag: number
	) {
		this.heading = heading;
	}

	/** Speeds up towards a speed, m/s, in a direction, radians. */
	drive(heading: number, wanted: number, { grip }: Surface): void {
		direction.turnTo(heading);
		const { cos: ux, sin: uy } = direction;
		const { speed } = this;
		this.cornering = 0;
		if (speed < settings.slowSpeed) {
			const along = this.vx * ux + this.vy * uy;
			const next = along + Math.max(-grip, Math.min(grip, (wanted - along) / this.lag)) * tick;
			return this.roll(next * ux, next * uy);
		}
		const along = (this.vx * ux + this.vy * uy) / speed;
		const across = (this.vx * uy - this.vy * ux) / speed;
		const sideways = Math.max(-grip, Math.min(grip, (wanted * across) / this.lag));
		const left = Math.sqrt(grip * grip - sideways * sideways);
		const ahead = Math.max(-left, Math.min(left, (wanted * along - speed) / this.lag));
		this.cornering = Math.abs(sideways);
		this.veer((sideways / speed) * tick, Math.max(0, speed + ahead * tick) / speed);
	}

	/** Slows down by so much, m/s², until it stands. */
	slow(rate: number): void {
		this.cornering = 0;
		const lost = rate * tick;
		const part = this.speed > lost ? 1 - lost / this.speed : 0;
		this.roll(this.vx * part, this.vy * part);
	}

	/** Turns the direction in which it rolls, radians, and changes its speed by a factor. */
	veer(angle: number, factor = 1): void {
		direction.turnTo(angle);
		const { cos, sin } = direction;
		const { vx, vy } = this;
		this.roll((vx * cos - vy * sin) * factor, (vx * sin + vy * cos) * factor);
	}

	private roll(vx: number, vy: number): void {
		this.vx = vx;
		this.vy = vy;
		this.speed = exact.lengthOf(vx, vy);
	}

	wish(): Readonly<Motion> {
		direction.turnTo(this.heading + (this.turning * tick) / 2);
		const { cos, sin } = direction;
		this.cos = cos;
		this.sin = sin;
		this.motion.ahead = this.vx * cos + this.vy * sin;
		this.motion.left = this.vy * cos - this.vx * sin;
		this.motion.turning = this.turning;
		this.knocked = 0;
		this.isTouching = false;
		return this.motion;
	}

	settle({ ahead, left }: Readonly<Motion>, touching: Obstacle | null): void {
		if (!touching) return;
		const vx = ahead * this.cos - left * this.sin;
		const vy = ahead * this.sin + left * this.cos;
		this.knocked = exact.lengthOf(vx - this.vx, vy - this.vy);
		this.isTouching = true;
		this.roll(vx, vy);
	}

	sense(turned: number): void {
		this.heading += turned;
	}
}
