/** Room around a point among many walls: only those that are near are measured. */
import type { Wall } from '../course/course';
import { boxOf } from './box';
import { Boxes } from './boxes';
import { Clearance, wallCorners } from './walls';

/** Metres around a point in which the nearest wall is sought first, and that hold every course. */
const firstReach = 0.25;
const farthest = 400;

export class NearClearance extends Clearance {
	private readonly boxes: Boxes;

	constructor(walls: readonly Wall[]) {
		super(walls);
		this.boxes = new Boxes(walls.map((wall) => boxOf(wallCorners(wall))));
	}

	override at(x: number, y: number, level = 0): number {
		const { boxes } = this;
		if (!boxes.isMany) return super.at(x, y, level);
		let nearest = Infinity;
		// Whatever is no farther than a square around the point reaches into it.
		for (let reach = firstReach; ; reach *= 4) {
			for (const wall of boxes.around(x, y, reach))
				if (this.topOf(wall) > level) nearest = Math.min(nearest, this.gapTo(wall, x, y));
			if (nearest <= reach || reach > farthest) return nearest;
		}
	}
}
