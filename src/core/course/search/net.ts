/** Where on a course something of some width has room, as a fine net of places. */
import * as exact from '../../exact';
import type { Course } from '../course';
import { distanceTo, isInside, lengthTo, type Point } from '../measure';
import { partKinds } from '../parts/list';

/** Metres between places of the net; more on a large floor. */
const finest = 0.01;
const mostPlaces = 1_000_000;
/** Metres that stay free beside it, beyond what the net cannot tell. */
const spare = 0.006;

/** What needs room. */
export interface Walker {
	/** Metres around its middle that have to be free. */
	readonly radius: number;
	/** It must not cross tapes either, as in a maze that is taped on the floor. */
	readonly isTapeWall?: boolean;
}

export class Net {
	readonly columns: number;
	readonly rows: number;
	readonly step: number;
	private readonly isTaken: Uint8Array;

	/** @param radius metres around its middle that have to be free */
	constructor(course: Course, { radius, isTapeWall = false }: Walker) {
		const { width, height } = course.size;
		this.step = Math.max(finest, Math.sqrt((width * height) / mostPlaces));
		this.columns = Math.floor(width / this.step) + 1;
		this.rows = Math.floor(height / this.step) + 1;
		this.isTaken = new Uint8Array(this.columns * this.rows);
		// Half of what lies between two places may be hidden from both of them.
		const room = radius + spare + this.step / 4;
		for (const { from, to, thickness } of course.walls) {
			const half = thickness / 2;
			this.takeAround([from, to], room + half * Math.SQRT2, (point) =>
				isNearWall(point, from, to, half, room)
			);
		}
		for (const crate of course.crates) {
			const { line } = partKinds.crates.extent(crate);
			this.takeAround(line, room, (point) => isNear(point, line, room));
		}
		for (const tape of isTapeWall ? course.tapes : []) {
			const { line, half } = partKinds.tapes.extent(tape);
			this.takeAround(line, room + half, (point) => distanceToLine(point, line) < room + half);
		}
		const { table } = course;
		if (!table) return;
		const edge = [...table, table[0]!];
		for (let i = 0; i < this.isTaken.length; i++) {
			const point = this.pointOf(i);
			if (!isInside(table, ...point) || distanceToLine(point, edge) < room) this.isTaken[i] = 1;
		}
	}

	private takeAround(
		line: readonly Point[],
		reach: number,
		isTaken: (point: Point) => boolean
	): void {
		const { step, columns, rows } = this;
		const within = (value: number, most: number) => Math.max(0, Math.min(most, value));
		const xs = line.map(([x]) => x);
		const ys = line.map(([, y]) => y);
		const west = within(Math.floor((Math.min(...xs) - reach) / step), columns - 1);
		const east = within(Math.ceil((Math.max(...xs) + reach) / step), columns - 1);
		const south = within(Math.floor((Math.min(...ys) - reach) / step), rows - 1);
		const north = within(Math.ceil((Math.max(...ys) + reach) / step), rows - 1);
		for (let row = south; row <= north; row++)
			for (let column = west; column <= east; column++) {
				const index = row * columns + column;
				if (!this.isTaken[index] && isTaken([column * step, row * step])) this.isTaken[index] = 1;
			}
	}

	pointOf(index: number): Point {
		const { columns, step } = this;
		return [(index % columns) * step, Math.floor(index / columns) * step];
	}

	/** @returns -1 off the floor */
	indexOf([x, y]: Point): number {
		const column = Math.round(x / this.step);
		const row = Math.round(y / this.step);
		const isOn = column >= 0 && row >= 0 && column < this.columns && row < this.rows;
		return isOn ? row * this.columns + column : -1;
	}

	isFree(index: number): boolean {
		return index >= 0 && this.isTaken[index] === 0;
	}

	/** Whether one can go straight. */
	isClear(from: Point, to: Point): boolean {
		const count = Math.max(1, Math.ceil((lengthTo(from, to) / this.step) * 2));
		for (let i = 0; i <= count; i++) {
			const x = from[0] + ((to[0] - from[0]) * i) / count;
			const y = from[1] + ((to[1] - from[1]) * i) / count;
			if (!this.isFree(this.indexOf([x, y]))) return false;
		}
		return true;
	}

	/** The free place nearest to a point, within some metres of it. */
	freeNear(point: Point, reach: number): number {
		let found = -1;
		let nearest = reach + this.step;
		const many = Math.ceil(reach / this.step) + 1;
		for (let dy = -many; dy <= many; dy++)
			for (let dx = -many; dx <= many; dx++) {
				const near: Point = [point[0] + dx * this.step, point[1] + dy * this.step];
				const index = this.indexOf(near);
				if (!this.isFree(index)) continue;
				const away = lengthTo(point, this.pointOf(index));
				if (away >= nearest) continue;
				nearest = away;
				found = index;
			}
		return found;
	}
}

const distanceToLine = (point: Point, line: readonly Point[]): number => {
	let nearest = Infinity;
	for (let i = 1; i < line.length; i++)
		nearest = Math.min(nearest, distanceTo(point, line[i - 1]!, line[i]!));
	return nearest;
};
const isNear = (point: Point, outline: readonly Point[], room: number): boolean =>
	isInside(outline, ...point) || distanceToLine(point, outline) < room;

/** A wall is a box: its ends are square and reach half its thickness further. */
function isNearWall([x, y]: Point, [ax, ay]: Point, [bx, by]: Point, half: number, room: number) {
	const length = exact.lengthOf(bx - ax, by - ay);
	const [ux, uy] = length > 0 ? [(bx - ax) / length, (by - ay) / length] : [1, 0];
	const along = (x - ax) * ux + (y - ay) * uy;
	const across = Math.abs((y - ay) * ux - (x - ax) * uy);
	const beyond = Math.max(0, -half - along, along - length - half);
	const beside = Math.max(0, across - half);
	return beyond * beyond + beside * beside < room * room;
}
