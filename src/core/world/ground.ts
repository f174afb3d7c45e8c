/**
 * What lies flat under the robot: what the floor is made of, tape, colour patches, the table and its
 * edge. All distances are metres on the floor.
 */
import { surfaces, type Surface } from '../course/surfaces';
import type { Course, Point } from '../course/course';
import { isInside } from '../course/measure';
import { lineOf } from '../course/tape';
import { brightnessOf, type FloorColour } from '../colours';

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
	private lastX = NaN;
	private lastY = NaN;
	private lastSeen: Seen = { colour: 'white', brightness: brightnessOf.white };
	private readonly surface: Surface;
	private readonly areas: readonly {
		readonly surface: Surface;
		readonly corners: readonly Point[];
	}[];
	private readonly table: ((x: number, y: number) => number) | undefined;

	constructor(course: Pick<Course, 'tapes' | 'patches' | 'table' | 'surface' | 'surfaces'>) {
		this.surface = surfaces[course.surface];
		this.areas = course.surfaces
			.map(({ surface, corners }) => ({ surface: surfaces[surface], corners }))
			.toReversed();
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

	/**
	 * Tape covers patches, patches cover paper; at an edge the spot sees some of both. What is seen
	 * at one place is remembered, since colour, brightness and recorder ask for it in the same tick.
	 */
	seenAt(x: number, y: number): Seen {
		if (x !== this.lastX || y !== this.lastY) {
			this.lastX = x;
			this.lastY = y;
			this.lastSeen = this.lookAt(x, y);
		}
		return this.lastSeen;
	}

	private lookAt(x: number, y: number): Seen {
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

	/** What the floor is made of at this point. */
	surfaceAt(x: number, y: number): Surface {
		const { areas } = this;
		for (let i = 0; i < areas.length; i++) {
			if (isInside(areas[i]!.corners, x, y)) return areas[i]!.surface;
		}
		return this.surface;
	}

	/** Whether there is no table under this point. */
	isBeyondEdge(x: number, y: number): boolean {
		return this.table !== undefined && this.table(x, y) < 0;
	}
}

/** Side of the square cells that remember which pieces of a line can be nearest, metres. */
const cell = 0.05;
const halfDiagonal = (cell / 2) * Math.SQRT2;

/** A piece of a line: where it begins, its way, and 1 / length². */
type Piece = readonly [number, number, number, number, number];

/** Distance to a line of many pieces. */
function distanceToLine(line: readonly Point[]): (x: number, y: number) => number {
	const pieces = line.slice(1).map(([x2, y2], index): Piece => {
		const [x1, y1] = line[index]!;
		const squared = (x2 - x1) * (x2 - x1) + (y2 - y1) * (y2 - y1);
		return [x1, y1, x2 - x1, y2 - y1, squared > 0 ? 1 / squared : 0];
	});
	const cells = new Map<number, readonly Piece[]>();

	/** Those that can be nearest from anywhere in this cell. */
	function piecesFor(column: number, row: number): readonly Piece[] {
		const key = column * 65_536 + row;
		const known = cells.get(key);
		if (known) return known;
		const gaps = pieces.map((piece) => gapTo(piece, (column + 0.5) * cell, (row + 0.5) * cell));
		const most = Math.min(...gaps) + 2 * halfDiagonal;
		const near = pieces.filter((_, index) => gaps[index]! <= most);
		cells.set(key, near);
		return near;
	}

	return (x, y) => {
		const near = piecesFor(Math.floor(x / cell), Math.floor(y / cell));
		let nearest = Infinity;
		for (let i = 0; i < near.length; i++) nearest = Math.min(nearest, gapTo(near[i]!, x, y));
		return nearest;
	};
}

function gapTo(piece: Piece, x: number, y: number): number {
	const px = x - piece[0];
	const py = y - piece[1];
	const along = Math.max(0, Math.min(1, (px * piece[2] + py * piece[3]) * piece[4]));
	const gapX = px - along * piece[2];
	const gapY = py - along * piece[3];
	return Math.sqrt(gapX * gapX + gapY * gapY);
}

/** Distance to the outline, positive inside. */
function depthInPolygon(corners: readonly Point[]): (x: number, y: number) => number {
	const toOutline = distanceToLine([...corners, corners[0]!]);
	return (x, y) => (isInside(corners, x, y) ? toOutline(x, y) : -toOutline(x, y));
}
