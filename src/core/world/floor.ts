/**
 * Moves a robot over the floor, one tick at a time. While nothing is near the drive alone
 * decides: an arc. Near a wall or a crate planck decides what is left of it.
 */
import * as exact from '../exact';
import type { Wall } from '../course/course';
import type { Body } from './body';
import { tick } from '../time';
import { Contact } from './contact';
import type { Pose } from './pose';
import type { StandingCrate } from './crates';
import { Clearance } from './walls';

/** Metres kept between the free robot and a wall: planck's skin and slop, with room to spare. */
const skin = 0.004;

export class Floor {
	touching: 'wall' | 'crate' | null = null;
	private readonly clearance: Clearance;
	private readonly radius: number;
	private contact: Contact | undefined;
	private isNear = false;
	/** Metres that the robot can surely still move without meeting a wall. */
	private room = 0;
	/** Speed to the left that a wall has pushed the robot to, m/s. */
	private sliding = 0;

	constructor(
		private readonly walls: readonly Wall[],
		private readonly crates: readonly StandingCrate[],
		private readonly robot: Body,
		private readonly pose: Pose
	) {
		this.clearance = new Clearance(walls);
		this.radius = Math.max(...robot.outline.map(([x, y]) => exact.lengthOf(x, y)));
	}

	/** Pairs of things that touched each other, summed up over all ticks. */
	get work(): number {
		return this.contact?.work ?? 0;
	}

	/** Moves the robot on for one tick and lets its sensors know. */
	move(): void {
		const { robot, pose } = this;
		const before = pose.heading;
		const way = Math.abs(robot.speed) * tick;
		this.room -= way;
		if (this.room <= 0) this.lookAround(way);
		if (this.isNear) this.moveNearWalls();
		else this.moveFreely();
		robot.sense(pose.heading - before);
	}

	private lookAround(way: number): void {
		const { pose } = this;
		this.room = this.roomAt(pose) - this.radius - skin - way;
		const isNear = this.room <= 0 || (this.contact?.isAnyCrateMoving ?? false);
		if (isNear && !this.isNear) {
			this.contact ??= new Contact(this.walls, this.crates, this.robot);
			this.contact.place(pose);
		}
		if (!isNear) {
			this.sliding = 0;
			this.touching = null;
		}
		this.isNear = isNear;
	}

	/** Metres from the robot's middle to the nearest wall or crate, never too much. */
	private roomAt({ x, y }: Pose): number {
		let room = this.clearance.at(x, y);
		for (const { pose, radius, hasFallen } of this.crates) {
			if (!hasFallen) room = Math.min(room, exact.lengthOf(pose.x - x, pose.y - y) - radius);
		}
		return room;
	}

	private moveFreely(): void {
		const { pose, robot } = this;
		const middle = pose.heading + (robot.turning * tick) / 2;
		pose.x += robot.speed * tick * exact.cos(middle);
		pose.y += robot.speed * tick * exact.sin(middle);
		pose.heading += robot.turning * tick;
	}

	private moveNearWalls(): void {
		const { pose, robot } = this;
		const contact = this.contact!;
		const middle = pose.heading + (robot.turning * tick) / 2;
		const cos = exact.cos(middle);
		const sin = exact.sin(middle);
		const held = robot.grip * tick;
		const sideways = this.sliding - Math.max(-held, Math.min(held, this.sliding));
		contact.move(
			pose,
			robot.speed * cos - sideways * sin,
			robot.speed * sin + sideways * cos,
			robot.turning
		);
		this.touching = contact.touching;
		if (!contact.touching) {
			this.sliding = sideways;
			return;
		}
		const { velocityX, velocityY } = contact;
		this.sliding = velocityY * cos - velocityX * sin;
		robot.obstructed(velocityX * cos + velocityY * sin, contact.turning);
	}
}
