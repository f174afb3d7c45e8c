/** Which walls are near something that moves, so that no others have to be looked at. */
import * as exact from '../exact';
import type { Wall } from '../course/course';
import { boxOf } from './box';
import { Boxes } from './boxes';
import { maximumNear } from './crowd';
import { Polygon } from './planck';
import { toPlanck } from './planck/units';
import type { Pose } from './pose';
import { separationOf } from './separation';
import { wallCorners } from './walls';
import type { Point } from '../course/measure';

/** Metres around a thing in which walls count as near. */
const reach = 0.1;
/** Metres of moving or turning after which it looks around again: well within the reach. */
const worthLooking = 0.06;
/** The same in a crowd, where only the nearest are looked at. */
const worthLookingInCrowd = 0.002;

export class Nearby {
	private readonly walls: readonly (readonly Point[])[];
	private readonly boxes: Boxes;
	private readonly shapes: (Polygon | undefined)[] = [];

	constructor(walls: readonly Wall[]) {
		this.walls = walls.map(wallCorners);
		this.boxes = new Boxes(this.walls.map(boxOf));
	}

	/** The numbers of those that reach into a circle's box, in their order. @param radius metres */
	around(x: number, y: number, radius: number): number[] {
		return this.boxes.around(x, y, radius);
	}

	/** Of these, the ones that are nearest to an outline. */
	nearest(near: readonly number[], outline: readonly Point[]): number[] {
		const gaps = near.map((wall) => ({
			wall,
			gap: separationOf(outline, this.walls[wall]!)
		}));
		gaps.sort((a, b) => a.gap - b.gap || a.wall - b.wall);
		return gaps.slice(0, maximumNear).map(({ wall }) => wall);
	}

	shapeOf(wall: number): Polygon {
		return (this.shapes[wall] ??= new Polygon(this.walls[wall]!.map(toPlanck)));
	}
}

/** What is near now, and what was before. */
export interface Change {
	readonly near: readonly number[];
	readonly before: readonly number[];
}

/** What one thing has near it. */
export class Sight {
	private near: readonly number[] = [];
	private place: Pose = { x: NaN, y: NaN, heading: NaN };
	/** Metres until it looks around again. */
	private worth = 0;

	/**
	 * @param radius of the thing, metres
	 * @param outline where its corners are, if it may pass through walls that others are before
	 * @returns null while it has hardly moved
	 */
	at(
		{ x, y, heading }: Pose,
		radius: number,
		nearby: Nearby,
		outline?: () => readonly Point[]
	): Change | null {
		const { place } = this;
		const turned = Math.abs(heading - place.heading) * radius;
		if (exact.lengthOf(x - place.x, y - place.y) + turned < this.worth) return null;
		this.place = { x, y, heading };
		const before = this.near;
		const near = nearby.around(x, y, radius + reach);
		const isCrowded = outline !== undefined && near.length > maximumNear;
		this.worth = isCrowded ? worthLookingInCrowd : worthLooking;
		this.near = isCrowded ? nearby.nearest(near, outline()) : near;
		return { near: this.near, before };
	}
}
