/**
 * The body of a rail car: one number says where it is, the way along its rail. Its motor speeds it up
 * against the friction of its axles, and of its flanges in a curve.
 */
import type { RailPath } from '../../course/rails';
import * as exact from '../../exact';
import { tick } from '../../time';
import { wrapAngle } from '../../units/angles';
import type { Body, Guide, Motion, Obstacle } from '../../world/body';
import type { Pose } from '../../world/pose';
import type { RailValues } from './parameters';
import * as settings from './settings';

const direction = new exact.Direction();

/** A car on a rail. */
export interface OnRail {
	readonly path: RailPath;
	/** Metres from the start of the rail. */
	way: number;
	/** Whether its front points along the rail, 1, or against it, -1. */
	readonly facing: 1 | -1;
}

/** Metres along its rail between which its middle can be: at an end its buffers touch the stop. */
function endsOf({ path }: Pick<OnRail, 'path'>): readonly [number, number] {
	const half = settings.outline[0]![0];
	return path.isClosed ? [-Infinity, Infinity] : [half, path.length - half];
}

/** The nearest place to a way at which its middle can be. */
export function withinEnds(on: Pick<OnRail, 'path'>, way: number): number {
	const [least, most] = endsOf(on);
	return Math.max(least, Math.min(most, way));
}

export class Car implements Body {
	readonly outline = settings.outline;
	readonly mass = settings.mass;
	readonly inertia = settings.inertia;
	readonly tall = settings.tall;

	/** m/s to its front, along the rail. */
	speed = 0;
	/** m/s that something took or gave in this tick. */
	knocked = 0;
	/** It stands against an end stop. */
	isStopped = false;
	private next = 0;
	private readonly motion: Motion = { ahead: 0, left: 0, turning: 0 };

	/** @param stopped called when an end stop stops it */
	constructor(
		private readonly on: OnRail | undefined,
		private readonly own: Pick<RailValues, 'traction' | 'lag' | 'curveDrag'>,
		private readonly stopped: () => void
	) {
		this.curvature = on ? Math.abs(on.path.at(on.way).curvature) : 0;
	}

	/** 1/m, without sign, of the rail under it. */
	curvature: number;

	/** What its motor does in a tick. @param wanted m/s */
	drive(wanted: number): void {
		const { traction, lag } = this.own;
		const gained = Math.max(-traction, Math.min(traction, (wanted - this.speed) / lag));
		this.speed += gained * tick;
		this.slow(0);
	}

	/** Slows down by so much, m/s², and by what a curve takes. */
	slow(rate: number): void {
		const lost = (rate + this.own.curveDrag * this.curvature) * tick;
		const { speed } = this;
		this.speed = Math.abs(speed) > lost ? speed - Math.sign(speed) * lost : 0;
	}

	wish(pose: Readonly<Pose>): Readonly<Motion> {
		const { on, motion } = this;
		this.knocked = 0;
		if (!on) {
			motion.ahead = 0;
			return motion;
		}
		const before = this.isStopped;
		this.next = on.way + on.facing * this.speed * tick;
		this.isStopped = this.stopAtEnd(on);
		if (this.isStopped && !before) this.knocked = Math.abs(this.speed);
		if (this.isStopped) this.speed = 0;
		const { x, y, heading, curvature } = on.path.at(this.next);
		this.curvature = Math.abs(curvature);
		const front = on.facing === 1 ? heading : heading + Math.PI;
		const turned = wrapAngle(front - pose.heading);
		direction.turnTo(pose.heading + turned / 2);
		const { cos, sin } = direction;
		const [dx, dy] = [x - pose.x, y - pose.y];
		motion.ahead = (dx * cos + dy * sin) / tick;
		motion.left = (dy * cos - dx * sin) / tick;
		motion.turning = turned / tick;
		return motion;
	}

	/** @returns whether an end of its rail keeps it from going on */
	private stopAtEnd(on: OnRail): boolean {
		if (on.path.isClosed) return false;
		const [least, most] = endsOf(on);
		const isBeyond = this.next < least || this.next > most;
		this.next = withinEnds(on, this.next);
		const isAway = (this.next === least ? on.facing : -on.facing) * this.speed > 0;
		return isBeyond && !isAway;
	}

	get guide(): Guide | undefined {
		const { on } = this;
		if (!on) return undefined;
		const [least, most] = endsOf(on);
		return { piece: on.path.pieceUnder(on.way), back: on.way - least, on: most - on.way };
	}

	/** Wherever something has pushed it to, it is on its rail, between the ends of it. */
	hold(pose: Pose): void {
		const { on } = this;
		if (!on) return;
		this.next = withinEnds(on, on.path.beside(this.next, pose.x, pose.y));
		const { x, y, heading } = on.path.at(this.next);
		const front = on.facing === 1 ? heading : heading + Math.PI;
		Object.assign(pose, { x, y, heading: pose.heading + wrapAngle(front - pose.heading) });
	}

	settle({ ahead }: Readonly<Motion>, touching: Obstacle | null): void {
		if (!touching || !this.on) return;
		this.knocked = Math.max(this.knocked, Math.abs(ahead - this.speed));
		this.speed = ahead;
	}

	sense(): void {
		if (this.on) this.on.way = this.next;
		if (this.isStopped && this.knocked > settings.stillSpeed) this.stopped();
	}
}
