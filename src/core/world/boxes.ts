/** Which of many boxes meet another one. */
import Flatbush from 'flatbush';
import { meet, type Box } from './box';

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
