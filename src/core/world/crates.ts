/** Crates: things that stand on the floor and can be pushed. */
import { type Crate } from '../course/course';
import { headingOfBearing } from '../units/angles';
import { outlineAt, radiusOf, type Pose } from './pose';
import { topOfCrate } from '../course/parts/crates';
import type { Point } from '../course/measure';

/** Around its middle, counter-clockwise, metres; x along its bearing. */
export function cornersOfCrate({ width, depth }: Pick<Crate, 'width' | 'depth'>): Point[] {
	const [x, y] = [depth / 2, width / 2];
	return [
		[x, -y],
		[x, y],
		[-x, y],
		[-x, -y]
	];
}

export class StandingCrate {
	readonly id: string;
	readonly mass: number;
	/** Metres from the floor. */
	readonly top: number;
	readonly pose: Pose;
	/** Corners around its middle, counter-clockwise, metres; x along its bearing. */
	readonly corners: readonly Point[];
	/** From its middle to a corner, metres. */
	readonly radius: number;
	/** Pushed over the table's edge. */
	hasFallen = false;

	/** @param isStuck it stands in so much that nothing can move it */
	constructor(
		crate: Crate,
		readonly isStuck = false
	) {
		const { id, at, bearing, mass } = crate;
		this.id = id;
		this.mass = mass;
		this.top = topOfCrate(crate);
		this.pose = { x: at[0], y: at[1], heading: headingOfBearing(bearing) };
		this.corners = cornersOfCrate(crate);
		this.radius = radiusOf(this.corners);
	}

	/** kg m² about its middle, evenly filled. */
	get inertia(): number {
		const [x, y] = this.corners[1]!;
		return (this.mass * (x * x + y * y)) / 3;
	}

	/** Where its corners are now. */
	get outline(): Point[] {
		return outlineAt(this.corners, this.pose);
	}
}
