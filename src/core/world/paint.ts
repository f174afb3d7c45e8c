/**
 * What colour the floor has: patches on paper, tape over patches. Only what a floor sensor sees at once
 * matters, so squares of the floor remember what of which layer can lie under one in them. They are
 * made when something comes there, each from the one of twice its side around it, so that a floor full
 * of tape costs no more than the squares that are visited.
 */
import { brightnessOf, type FloorColour } from '../colours';
import type { Course } from '../course/course';
import { isInside, type Point } from '../course/measure';
import { lineOf } from '../course/tape';

/** Radius of the spot that a floor sensor sees, metres. */
const spot = 0.006;
/** Side of the smallest squares, metres; each larger one has twice the side of the one before. */
const side = 0.05;
/** The largest squares are 2^levels times as large: a few of them hold any course. */
const levels = 10;
/** Numbers of a piece of a line: where it begins, its way, and 1 / length². */
const stride = 5;

export interface Seen {
	readonly colour: FloorColour;
	/** 0 to 1 */
	readonly brightness: number;
}

/** A tape, or a patch. */
interface Layer {
	readonly colour: FloorColour;
	/** Of a tape: half of its width; of a patch: its corners. */
	readonly half: number;
	readonly corners: readonly Point[] | undefined;
	/** The middle line of a tape, or the outline of a patch. */
	readonly pieces: Float64Array;
}

/** What of one layer may be seen in a square. */
interface Part {
	readonly layer: Layer;
	/** Numbers of pieces that may be near enough to be seen. */
	readonly near: readonly number[];
	/** Of a patch without any of those: all of the square lies in it. */
	readonly isWithin: boolean;
}

export class Paint {
	private readonly whole: readonly Part[];
	/** By size from the smallest, then by place. */
	private readonly squares: readonly Map<number, readonly Part[]>[];

	constructor({ patches, tapes }: Pick<Course, 'tapes' | 'patches'>) {
		const layers: Layer[] = [
			...patches.map(({ colour, corners }) => ({
				...{ colour, corners, half: 0 },
				pieces: piecesOf([...corners, corners[0]!])
			})),
			...tapes.map((tape) => ({
				...{ colour: tape.colour, corners: undefined, half: tape.width / 2 },
				pieces: piecesOf(lineOf(tape))
			}))
		];
		this.whole = layers.map((layer) => ({
			layer,
			near: Array.from({ length: layer.pieces.length / stride }, (_, i) => i),
			isWithin: false
		}));
		this.squares = Array.from({ length: levels + 1 }, () => new Map());
	}

	/** At an edge the spot sees some of both. Metres. */
	seenAt(x: number, y: number): Seen {
		let colour: FloorColour = 'white';
		let brightness = brightnessOf.white;
		for (const part of this.squareAt(0, Math.floor(x / side), Math.floor(y / side))) {
			const share = Math.max(0, Math.min(1, 0.5 + depthIn(part, x, y) / (2 * spot)));
			if (share === 0) continue;
			brightness += (brightnessOf[part.layer.colour] - brightness) * share;
			if (share > 0.5) colour = part.layer.colour;
		}
		return { colour, brightness };
	}

	private squareAt(level: number, column: number, row: number): readonly Part[] {
		if (level > levels) return this.whole;
		const squares = this.squares[level]!;
		const key = column * 65_536 + row;
		const known = squares.get(key);
		if (known) return known;
		const around = this.squareAt(level + 1, column >> 1, row >> 1);
		const long = side * (1 << level);
		const found = partsIn(around, (column + 0.5) * long, (row + 0.5) * long, long);
		squares.set(key, found);
		return found;
	}
}

/** What of these may be seen in the square of this middle and side. */
function partsIn(parts: readonly Part[], x: number, y: number, long: number): readonly Part[] {
	const found: Part[] = [];
	for (const part of parts) {
		const { layer, near } = part;
		const reach = layer.half + spot + long * Math.SQRT1_2;
		const nearer = near.filter((piece) => gapTo(layer.pieces, piece, x, y) <= reach);
		const isWithin =
			nearer.length === 0 &&
			(near.length === 0 ? part.isWithin : !!layer.corners && isInside(layer.corners, x, y));
		if (isWithin || nearer.length > 0) found.push({ layer, near: nearer, isWithin });
	}
	return found;
}

/** How far inside it a point is, metres; negative outside. Infinite where its edge cannot be seen. */
function depthIn({ layer, near, isWithin }: Part, x: number, y: number): number {
	if (isWithin) return Infinity;
	let gap = Infinity;
	for (let i = 0; i < near.length; i++) gap = Math.min(gap, gapTo(layer.pieces, near[i]!, x, y));
	if (!layer.corners) return layer.half - gap;
	return isInside(layer.corners, x, y) ? gap : -gap;
}

function piecesOf(line: readonly Point[]): Float64Array {
	const pieces = new Float64Array((line.length - 1) * stride);
	for (let i = 0; i + 1 < line.length; i++) {
		const [x1, y1] = line[i]!;
		const [wayX, wayY] = [line[i + 1]![0] - x1, line[i + 1]![1] - y1];
		const squared = wayX * wayX + wayY * wayY;
		pieces.set([x1, y1, wayX, wayY, squared > 0 ? 1 / squared : 0], i * stride);
	}
	return pieces;
}

/** Metres from a point to a piece of a line. */
function gapTo(pieces: Float64Array, piece: number, x: number, y: number): number {
	const first = piece * stride;
	const px = x - pieces[first]!;
	const py = y - pieces[first + 1]!;
	const wayX = pieces[first + 2]!;
	const wayY = pieces[first + 3]!;
	const along = Math.max(0, Math.min(1, (px * wayX + py * wayY) * pieces[first + 4]!));
	const gapX = px - along * wayX;
	const gapY = py - along * wayY;
	return Math.sqrt(gapX * gapX + gapY * gapY);
}
