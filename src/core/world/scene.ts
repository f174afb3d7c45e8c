/** What a robot can find out about the place around it. Places are given as seen from the robot. */
import * as exact from '../exact';
import type { Course, LampPost } from '../course/course';
import type { Surroundings } from './body';
import type { Pose } from './pose';
import type { StandingCrate } from './crates';
import { Ground, type Seen } from './ground';
import { rayLength, sidesOf } from './rays';
import { cornersOf } from './walls';

/** Rays in the cone of a distance sensor. */
const rays = 5;
/** A lit post adds so much light right beside it, and less with the square of the distance, metres. */
const postLight = 0.5;
const postReach = 0.25;

export class Scene implements Surroundings {
	readonly ground: Ground;
	readonly sound: number;
	/** Whether something is touched, or was a moment ago. */
	isBumped = false;
	isTouched = false;
	readonly litPosts: LampPost[] = [];
	private readonly daylight: number;
	private readonly wallSides: Float64Array;

	constructor(
		course: Course,
		private readonly pose: Pose,
		private readonly crates: readonly StandingCrate[]
	) {
		this.ground = new Ground(course);
		this.daylight = course.light;
		this.sound = course.sound;
		this.wallSides = sidesOf(course.walls.map(cornersOf));
	}

	private placeOf(ahead: number, left: number): { x: number; y: number } {
		const { x, y, heading } = this.pose;
		const cos = exact.cos(heading);
		const sin = exact.sin(heading);
		return { x: x + ahead * cos - left * sin, y: y + ahead * sin + left * cos };
	}

	distanceFrom(ahead: number, spread: number, range: number): number {
		const { x, y } = this.placeOf(ahead, 0);
		const standing = this.crates.filter(({ hasFallen }) => !hasFallen);
		const crateSides = sidesOf(standing.map(({ outline }) => outline));
		let nearest = range;
		for (let ray = 0; ray < rays; ray++) {
			const angle = this.pose.heading + spread * ((2 * ray) / (rays - 1) - 1);
			nearest = rayLength(x, y, angle, nearest, this.wallSides);
			nearest = rayLength(x, y, angle, nearest, crateSides);
		}
		return nearest;
	}

	seenUnder(ahead: number, left: number): Seen {
		const { x, y } = this.placeOf(ahead, left);
		return this.ground.seenAt(x, y);
	}

	isEdgeUnder(ahead: number): boolean {
		const { x, y } = this.placeOf(ahead, 0);
		return this.ground.isBeyondEdge(x, y);
	}

	get light(): number {
		const { x, y } = this.pose;
		const shining = this.litPosts.map(({ at }) => {
			const away = exact.lengthOf(at[0] - x, at[1] - y) / postReach;
			return postLight / (1 + away * away);
		});
		return Math.min(
			1,
			shining.reduce((sum, light) => sum + light, this.daylight)
		);
	}
}
