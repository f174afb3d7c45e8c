/** What a robot can find out about the place around it. Places are given as seen from the robot. */
import * as exact from '../exact';
import { railNear, type RailSpot } from '../course/rails';
import type { Surface } from '../course/surfaces';
import { type Course, type LampPost } from '../course/course';
import type { Surroundings } from './body';
import type { Pose } from './pose';
import { StandingCrate } from './crates';
import { isInside, type Point } from '../course/measure';
import { Ground } from './ground';
import type { Seen } from './paint';
import { standing, type Heights } from './heights';
import { boxOf } from './box';
import { Boxes } from './boxes';
import { NearClearance } from './near-clearance';
import { coneLength, coneSides } from './cone';
import { setUpCrates, type SetUp } from './set-up';
import type { Clearance } from './walls';
import { wallCorners } from './walls';
import { topOfWall } from '../course/parts/walls';

/** A lit post adds so much light right beside it, and less with the square of the distance, metres. */
const postLight = 0.5;
const postReach = 0.25;

/** What of a course stays the same in every attempt on it. */
export class Terrain {
	readonly ground: Ground;
	readonly clearance: Clearance;
	/** The walls. */
	readonly standing: readonly Thing[];
	private readonly allSides: Float64Array;
	private readonly lowestTop: number;
	private readonly boxes: Boxes;
	private readonly setUp: readonly SetUp[];
	/** By how many walls are higher. */
	private readonly sides = new Map<number, Float64Array>();

	constructor(readonly course: Course) {
		this.standing = course.walls.map((wall) => ({
			outline: wallCorners(wall),
			heights: standing(topOfWall(wall))
		}));
		this.allSides = coneSides(this.standing.map(({ outline }) => outline));
		this.boxes = new Boxes(this.standing.map(({ outline }) => boxOf(outline)));
		this.lowestTop = Math.min(...course.walls.map(topOfWall));
		this.clearance = new NearClearance(course.walls);
		this.ground = new Ground(course);
		this.setUp = setUpCrates(course);
	}

	/** The crates as they stand at Run. */
	get crates(): StandingCrate[] {
		return this.setUp.map(({ crate, isStuck, pose }) => {
			const made = new StandingCrate(crate, isStuck);
			Object.assign(made.pose, pose);
			return made;
		});
	}

	/** The walls that reach into a square around a place, in their order. Metres. */
	near(x: number, y: number, reach: number): readonly Thing[] {
		return this.boxes.around(x, y, reach).map((wall) => this.standing[wall]!);
	}

	/** What stands under a place: no more is said of others. */
	standingAt(x: number, y: number): readonly Thing[] {
		return this.boxes.isMany ? this.near(x, y, 0) : this.standing;
	}

	/** Sides of the walls around a place that reach higher, metres from the floor. */
	wallSides(altitude: number, x: number, y: number, range: number): Float64Array {
		if (this.boxes.isMany)
			return coneSides(
				this.near(x, y, range)
					.filter(({ heights: { top } }) => top > altitude)
					.map(({ outline }) => outline)
			);
		if (altitude < this.lowestTop) return this.allSides;
		const higher = this.standing.filter(({ heights: { top } }) => top > altitude);
		let sides = this.sides.get(higher.length);
		if (!sides) {
			sides = coneSides(higher.map(({ outline }) => outline));
			this.sides.set(higher.length, sides);
		}
		return sides;
	}
}

/** The place that all robots of an attempt share. */
export class CourseState {
	readonly litPosts: LampPost[] = [];
	/** Lamp posts in the order in which they were reached, seconds since Run. */
	readonly reached: { readonly id: string; readonly time: number }[] = [];

	constructor(
		readonly terrain: Terrain,
		readonly crates: readonly StandingCrate[]
	) {}

	/** Outlines of the walls and crates that reach into a square around a place. @param reach metres */
	standingNear({ x, y }: Pose, reach: number): (readonly Point[])[] {
		const walls = this.terrain.near(x, y, reach).map(({ outline }) => outline);
		const crates = this.crates.filter(
			({ pose, radius }) => exact.lengthOf(pose.x - x, pose.y - y) < reach * Math.SQRT2 + radius
		);
		return [...walls, ...crates.map(({ outline }) => outline)];
	}
}

/** Something that stands, or flies, on the course. */
export interface Thing {
	readonly outline: readonly Point[];
	readonly heights: Heights;
}

export class Scene implements Surroundings {
	readonly sound: number;
	/** Whether something is touched, or was a moment ago. */
	isBumped = false;
	isTouched = false;
	private readonly daylight: number;

	/** @param altitude of its own, metres @param others the other robots as they are now */
	constructor(
		private readonly shared: CourseState,
		private readonly pose: Pose,
		private readonly altitude: () => number = () => 0,
		private readonly others: () => readonly Thing[] = () => []
	) {
		const { course } = shared.terrain;
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
		const eye = this.altitude();
		const seen = this.movable.filter(({ heights: { bottom, top } }) => bottom <= eye && eye < top);
		const sides = coneSides(seen.map(({ outline }) => outline));
		const wallSides = this.shared.terrain.wallSides(eye, x, y, range);
		const { heading } = this.pose;
		const nearest = coneLength(x, y, heading, spread, range, wallSides);
		return coneLength(x, y, heading, spread, nearest, sides);
	}

	private get movable(): readonly Thing[] {
		const crates = this.shared.crates.filter(({ hasFallen }) => !hasFallen);
		return [
			...crates.map(({ outline, top }) => ({ outline, heights: standing(top) })),
			...this.others()
		];
	}

	get place(): { readonly x: number; readonly y: number } {
		return this.pose;
	}

	railNear(reach: number): RailSpot | undefined {
		return railNear(this.shared.terrain.course.rails, this.pose, reach);
	}

	get topUnder(): number {
		const { x, y } = this.pose;
		const feet = this.altitude();
		const things = [...this.shared.terrain.standingAt(x, y), ...this.movable];
		return things.reduce(
			(highest, { outline, heights: { top } }) =>
				top > highest && top <= feet && isInside(outline, x, y) ? top : highest,
			0
		);
	}

	get ceiling(): number {
		return this.shared.terrain.course.ceiling;
	}

	seenUnder(ahead: number, left: number): Seen {
		const { x, y } = this.pointAt(ahead, left);
		return this.shared.terrain.ground.seenAt(x, y);
	}

	isEdgeUnder(ahead: number): boolean {
		const { x, y } = this.pointAt(ahead, 0);
		return this.shared.terrain.ground.isBeyondEdge(x, y);
	}

	get surface(): Surface {
		return this.shared.terrain.ground.surfaceAt(this.pose.x, this.pose.y);
	}

	get light(): number {
		const { x, y } = this.pose;
		const shining = this.shared.litPosts.map(({ at }) => {
			const away = exact.lengthOf(at[0] - x, at[1] - y) / postReach;
			return postLight / (1 + away * away);
		});
		return Math.min(
			1,
			shining.reduce((sum, light) => sum + light, this.daylight)
		);
	}
}
