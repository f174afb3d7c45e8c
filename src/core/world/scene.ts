/** What a robot can find out about the place around it. Places are given as seen from the robot. */
import * as exact from '../exact';
import type { Surface } from '../course/surfaces';
import type { Course, LampPost, Point } from '../course/course';
import type { Surroundings } from './body';
import type { Pose } from './pose';
import type { StandingCrate } from './crates';
import { Ground, type Seen } from './ground';
import { rayLength, sidesOf } from './rays';
import { Clearance, cornersOf } from './walls';

/** Rays in the cone of a distance sensor. */
const rays = 5;
/** A lit post adds so much light right beside it, and less with the square of the distance, metres. */
const postLight = 0.5;
const postReach = 0.25;

/** What of a course stays the same in every attempt on it. */
export class Terrain {
	readonly ground: Ground;
	readonly wallSides: Float64Array;
	readonly clearance: Clearance;

	constructor(readonly course: Course) {
		this.clearance = new Clearance(course.walls);
		this.ground = new Ground(course);
		this.wallSides = sidesOf(course.walls.map(cornersOf));
	}
}

/** The place that all robots of an attempt share. */
export class Place {
	readonly litPosts: LampPost[] = [];
	/** Lamp posts in the order in which they were reached, seconds since Run. */
	readonly reached: { readonly id: string; readonly time: number }[] = [];

	constructor(
		readonly terrain: Terrain,
		readonly crates: readonly StandingCrate[]
	) {}
}

export class Scene implements Surroundings {
	readonly sound: number;
	/** Whether something is touched, or was a moment ago. */
	isBumped = false;
	isTouched = false;
	private readonly daylight: number;

	/** @param others where the outlines of other robots are now */
	constructor(
		private readonly place: Place,
		private readonly pose: Pose,
		private readonly others: () => readonly (readonly Point[])[] = () => []
	) {
		const { course } = place.terrain;
		this.daylight = course.light;
		this.sound = course.sound;
	}

	private pointAt(ahead: number, left: number): { x: number; y: number } {
		const { x, y, heading } = this.pose;
		const cos = exact.cos(heading);
		const sin = exact.sin(heading);
		return { x: x + ahead * cos - left * sin, y: y + ahead * sin + left * cos };
	}

	distanceFrom(ahead: number, spread: number, range: number): number {
		const { x, y } = this.pointAt(ahead, 0);
		const standing = this.place.crates.filter(({ hasFallen }) => !hasFallen);
		const movable = sidesOf([...standing.map(({ outline }) => outline), ...this.others()]);
		let nearest = range;
		for (let ray = 0; ray < rays; ray++) {
			const angle = this.pose.heading + spread * ((2 * ray) / (rays - 1) - 1);
			nearest = rayLength(x, y, angle, nearest, this.place.terrain.wallSides);
			nearest = rayLength(x, y, angle, nearest, movable);
		}
		return nearest;
	}

	seenUnder(ahead: number, left: number): Seen {
		const { x, y } = this.pointAt(ahead, left);
		return this.place.terrain.ground.seenAt(x, y);
	}

	isEdgeUnder(ahead: number): boolean {
		const { x, y } = this.pointAt(ahead, 0);
		return this.place.terrain.ground.isBeyondEdge(x, y);
	}

	get surface(): Surface {
		return this.place.terrain.ground.surfaceAt(this.pose.x, this.pose.y);
	}

	get light(): number {
		const { x, y } = this.pose;
		const shining = this.place.litPosts.map(({ at }) => {
			const away = exact.lengthOf(at[0] - x, at[1] - y) / postReach;
			return postLight / (1 + away * away);
		});
		return Math.min(
			1,
			shining.reduce((sum, light) => sum + light, this.daylight)
		);
	}
}
