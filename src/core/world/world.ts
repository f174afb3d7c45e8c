/**
 * Moves bodies over the floor, one tick at a time. While nothing is near a body moves as it wishes,
 * in an arc. Near a wall, a crate or another body planck decides what is left of the wish.
 */
import * as exact from '../exact';
import { tick } from '../time';
import type { Body, Motion, Obstacle } from './body';
import { Contact } from './contact';
import { heightsOf, isOver } from './heights';
import { radiusOf, type Pose } from './pose';
import type { StandingCrate } from './crates';
import type { Terrain } from './scene';

/** Metres kept between a free body and a wall: planck's skin and slop, with room to spare. */
const skin = 0.004;
/** Metres of rising or sinking after which what flies looks around again: it may meet other things. */
const worthLooking = 0.04;

/** A body on the floor. */
export interface Standing {
	readonly body: Body;
	/** Changed as it moves. */
	readonly pose: Pose;
}

class Mover {
	touching: Obstacle | null = null;
	isNear = false;
	/** Metres that it can surely still move without meeting anything. */
	room = 0;
	/** Metres that it wishes to move in this tick. */
	way = 0;
	/** Metres from the floor to its feet when it looked around last. */
	level = 0;
	motion: Readonly<Motion> = { ahead: 0, left: 0, turning: 0 };
	readonly body: Body;
	readonly pose: Pose;
	readonly radius: number;

	constructor({ body, pose }: Standing) {
		this.body = body;
		this.pose = pose;
		this.radius = radiusOf(body.outline);
	}
}

export class World {
	private movers: readonly Mover[] = [];
	private flyers: readonly Mover[] = [];
	private contact: Contact | undefined;

	constructor(
		private readonly terrain: Terrain,
		private readonly crates: readonly StandingCrate[],
		standing: readonly Standing[]
	) {
		this.stand(standing);
	}

	/** Who stands on the floor from now on: hands have carried some there, or away. */
	stand(standing: readonly Standing[]): void {
		this.movers = standing.map((one) => new Mover(one));
		this.flyers = this.movers.filter(({ body }) => body.altitude !== undefined);
		this.contact = undefined;
	}

	/** Pairs of things that touched each other, summed up over all ticks. */
	get work(): number {
		return this.contact?.work ?? 0;
	}

	/** What the body with this number touches. */
	touching(index: number): Obstacle | null {
		return this.movers[index]!.touching;
	}

	/** Moves all bodies on for one tick and lets their sensors know. */
	move(): void {
		const { movers } = this;
		if (this.flyers.length > 0) this.watchHeights();
		for (let i = 0; i < movers.length; i++) this.wish(movers[i]!);
		let isAnyNear = false;
		for (let i = 0; i < movers.length; i++) {
			const mover = movers[i]!;
			// Another one, in looking around, may have found that this one has less room than it thought.
			if (mover.room <= 0 && !mover.isNear) this.lookAround(mover);
			isAnyNear ||= mover.isNear;
		}
		if (isAnyNear) this.moveNear();
		for (let i = 0; i < movers.length; i++) if (!movers[i]!.isNear) moveFreely(movers[i]!);
	}

	private wish(mover: Mover): void {
		const { ahead, left } = (mover.motion = mover.body.wish(mover.pose));
		mover.way = (left === 0 ? Math.abs(ahead) : exact.lengthOf(ahead, left)) * tick;
		// Nothing lets it free before it has moved as far as it lacked room.
		mover.room += mover.isNear ? mover.way : -mover.way;
		const isCrateComing = this.contact?.isAnyCrateMoving === true;
		if (mover.isNear ? mover.room > 0 : mover.room <= 0 || isCrateComing) this.lookAround(mover);
	}

	/** What has risen or sunk may meet other things: it has to look around again. */
	private watchHeights(): void {
		for (const mover of this.flyers) {
			if (Math.abs(mover.body.altitude! - mover.level) > worthLooking)
				mover.room = mover.isNear ? Infinity : -Infinity;
		}
	}

	private lookAround(mover: Mover): void {
		const { pose, radius, way } = mover;
		const heights = heightsOf(mover.body);
		mover.level = heights.bottom;
		mover.room = this.roomAt(pose, heights.bottom - worthLooking) - radius - skin - way;
		for (const other of this.movers) {
			// Either may come nearer by so much before it looks around again.
			if (other === mover || isOver(heights, heightsOf(other.body), 2 * worthLooking)) continue;
			const away = exact.lengthOf(other.pose.x - pose.x, other.pose.y - pose.y);
			// Each may use up half of what lies between them.
			const half = (away - radius - other.radius) / 2 - skin;
			mover.room = Math.min(mover.room, half - way);
			other.room = Math.min(other.room, half - other.way);
		}
		const isNear = mover.room <= 0 || (this.contact?.isAnyCrateMoving ?? false);
		if (isNear && !mover.isNear) {
			this.contact ??= new Contact(this.terrain.course.walls, this.crates, this.movers);
			this.contact.place(this.movers.indexOf(mover), pose);
		}
		if (!isNear) mover.touching = null;
		mover.isNear = isNear;
	}

	/** Metres from a body's middle to the nearest wall or crate, never too much. */
	private roomAt({ x, y }: Pose, level: number): number {
		let room = this.terrain.clearance.at(x, y, level);
		for (const { pose, radius, hasFallen, top } of this.crates) {
			if (!hasFallen && top > level)
				room = Math.min(room, exact.lengthOf(pose.x - x, pose.y - y) - radius);
		}
		return room;
	}

	private moveNear(): void {
		const contact = this.contact!;
		const { movers } = this;
		for (let i = 0; i < movers.length; i++) {
			const { isNear, motion, pose, body } = movers[i]!;
			if (isNear) contact.push(i, pose, motion, body.guide);
			else contact.leaveOut(i);
		}
		contact.step();
		for (let i = 0; i < movers.length; i++) {
			const mover = movers[i]!;
			if (!mover.isNear) continue;
			const { pose, body } = mover;
			const before = pose.heading;
			mover.touching = contact.follow(i, pose);
			if (body.hold) {
				body.hold(pose);
				contact.place(i, pose);
			}
			body.settle(contact.moved, mover.touching);
			body.sense(pose.heading - before);
		}
	}
}

const direction = new exact.Direction();

function moveFreely({ pose, motion: { ahead, left, turning }, body }: Mover): void {
	const before = pose.heading;
	const middle = pose.heading + (turning * tick) / 2;
	direction.turnTo(middle);
	const { sin, cos } = direction;
	pose.x += ahead * tick * cos - left * tick * sin;
	pose.y += ahead * tick * sin + left * tick * cos;
	pose.heading += turning * tick;
	body.sense(pose.heading - before);
}
