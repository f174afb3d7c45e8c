/** Which of many boxes meet another one. */
import Flatbush from 'flatbush';
import type { Point } from '../course/course';

/** West, south, east, north; metres. */
export type Box = readonly [number, number, number, number];

export function boxOf(corners: readonly Point[]): Box {
	let [west, south, east, north] = [Infinity, Infinity, -Infinity, -Infinity];
	for (const [x, y] of corners) {
		if (x < west) west = x;
		if (x > east) east = x;
		if (y < south) south = y;
		if (y > north) north = y;
	}
	return [west, south, east, north];
}

export const meet = (one: Box, other: Box): boolean =>
	one[0] <= other[2] && other[0] <= one[2] && one[1] <= other[3] && other[1] <= one[3];

/** Fewer than these are asked one by one as fast as through a tree. */
const few = 64;

export class Boxes {
	private readonly tree: Flatbush | undefined;

	constructor(private readonly list: readonly Box[]) {
		if (list.length < few) return;
		this.tree = new Flatbush(list.length);
		for (const box of list) this.tree.add(...box);
		this.tree.finish();
	}

	/** There are so many that it is worth asking for those that are near. */
	get isMany(): boolean {
		return this.tree !== undefined;
	}

	/** The numbers of those that meet it, ascending. */
	meeting(box: Box): number[] {
		if (this.tree) return this.tree.search(...box).sort((a, b) => a - b);
		const found: number[] = [];
		for (let i = 0; i < this.list.length; i++) if (meet(this.list[i]!, box)) found.push(i);
		return found;
	}

	/** Those that reach into a square around a point. @param reach half of its side, metres */
	around(x: number, y: number, reach: number): number[] {
		return this.meeting([x - reach, y - reach, x + reach, y + reach]);
	}
}
