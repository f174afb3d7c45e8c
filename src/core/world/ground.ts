/**
 * What lies flat under the robot: tape, colour patches, the table and its edge. All distances are
 * metres on the floor.
 */
import type { Course, Point } from '../course/course';
import { lineOf } from '../course/tape';
import { brightnessOf, type FloorColour } from './colours';

/** Radius of the spot that a floor sensor sees. */
const spot = 0.006;

export interface Seen {
	readonly colour: FloorColour;
	/** 0 to 1 */
	readonly brightness: number;
}

interface Layer {
	readonly colour: FloorColour;
	/** How far inside it a point is; negative outside. */
	readonly depthAt: (x: number, y: number) => number;
}

export class Ground {
	private readonly layers: readonly Layer[];
	private readonly table: ((x: number, y: number) => number) | undefined;

	constructor(course: Pick<Course, 'tapes' | 'patches' | 'table'>) {
		this.layers = [
			...course.patches.map(({ colour, corners }) => ({
				colour,
				depthAt: depthInPolygon(corners)
			})),
			...course.tapes.map((tape) => {
				const gap = distanceToLine(lineOf(tape));
				const half = tape.width / 2;
				return { colour: tape.colour, depthAt: (x: number, y: number) => half - gap(x, y) };
			})
		];
		this.table = course.table ? depthInPolygon(course.table) : undefined;
	}

	/** Tape covers patches, patches cover paper; at an edge the spot sees some of both. */
	seenAt(x: number, y: number): Seen {
		let colour: FloorColour = 'white';
		let brightness = brightnessOf.white;
		for (const layer of this.layers) {
			const share = Math.max(0, Math.min(1, 0.5 + layer.depthAt(x, y) / (2 * spot)));
			if (share === 0) continue;
			brightness += (brightnessOf[layer.colour] - brightness) * share;
			if (share > 0.5) colour = layer.colour;
		}
		return { colour, brightness };
	}

	/** Whether there is no table under this point. */
	isBeyondEdge(x: number, y: number): boolean {
		return this.table !== undefined && this.table(x, y) < 0;
	}
}

/** Squared distance from a point to the piece of line from (x1, y1) to (x2, y2). */
function squaredGap(x: number, y: number, x1: number, y1: number, x2: number, y2: number): number {
	const dx = x2 - x1;
	const dy = y2 - y1;
	const squared = dx * dx + dy * dy;
	const along = squared > 0 ? ((x - x1) * dx + (y - y1) * dy) / squared : 0;
	const part = Math.max(0, Math.min(1, along));
	const gapX = x - x1 - part * dx;
	const gapY = y - y1 - part * dy;
	return gapX * gapX + gapY * gapY;
}

function distanceToLine(line: readonly Point[]): (x: number, y: number) => number {
	const numbers = Float64Array.from(line.flat());
	return (x, y) => {
		let nearest = Infinity;
		for (let i = 0; i + 3 < numbers.length; i += 2) {
			const [x1, y1, x2, y2] = [numbers[i]!, numbers[i + 1]!, numbers[i + 2]!, numbers[i + 3]!];
			nearest = Math.min(nearest, squaredGap(x, y, x1, y1, x2, y2));
		}
		return Math.sqrt(nearest);
	};
}

/** Distance to the outline, positive inside. */
function depthInPolygon(corners: readonly Point[]): (x: number, y: number) => number {
	const toOutline = distanceToLine([...corners, corners[0]!]);
	return (x, y) => {
		let isInside = false;
		corners.forEach(([x1, y1], index) => {
			const [x2, y2] = corners[(index + 1) % corners.length]!;
			const crosses = y1 > y !== y2 > y && x < ((x2 - x1) * (y - y1)) / (y2 - y1) + x1;
			if (crosses) isInside = !isInside;
		});
		return isInside ? toOutline(x, y) : -toOutline(x, y);
	};
}
