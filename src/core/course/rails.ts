/** The way of a rail: straights and curves one after the other, walked along in metres. */
import * as exact from '../exact';
import { headingOfBearing, radians, wrapAngle } from '../units/angles';
import type { FloorColour } from '../colours';

/** A rail as a course has it: metres, degrees. */
export interface Rail {
	readonly at: readonly [number, number];
	readonly bearing: number;
	readonly pieces: readonly (
		{ readonly length: number } | { readonly radius: number; readonly angle: number }
	)[];
	readonly isClosed: boolean;
	readonly marks: readonly { readonly at: number; readonly colour: FloorColour }[];
}

export interface RailPlace {
	readonly x: number;
	readonly y: number;
	/** Radians, counter-clockwise from east. */
	readonly heading: number;
	/** 1/m; positive to the left. */
	readonly curvature: number;
}

/** A straight or a curve, with where it begins. */
export interface RailPiece extends RailPlace {
	/** Metres from the start of the rail, and of this piece. */
	readonly from: number;
	readonly length: number;
	/** Direction in which it begins. */
	readonly cos: number;
	readonly sin: number;
}

/** Newton's steps to the place beside a point: from a few millimetres away, the third changes nothing. */
const roundsBeside = 3;

/** Metres and radians by which the end of a closed rail may miss its start. */
const tolerance = { away: 0.02, turned: 0.05 };

export class RailPath {
	readonly length: number;
	readonly isClosed: boolean;
	readonly marks: Rail['marks'];
	private readonly pieces: readonly RailPiece[];

	constructor({ at, bearing, pieces, isClosed, marks }: Rail) {
		this.isClosed = isClosed;
		this.marks = marks;
		const made: RailPiece[] = [];
		let place: RailPlace = { x: at[0], y: at[1], heading: headingOfBearing(bearing), curvature: 0 };
		let from = 0;
		for (const piece of pieces) {
			const isStraight = 'length' in piece;
			const length = isStraight ? piece.length : Math.abs(radians(piece.angle)) * piece.radius;
			const curvature = isStraight ? 0 : (piece.angle > 0 ? -1 : 1) / piece.radius;
			const { heading } = place;
			const begins = { cos: exact.cos(heading), sin: exact.sin(heading) };
			const next = { ...place, ...begins, curvature, from, length };
			made.push(next);
			place = along(next, length);
			from += length;
		}
		this.pieces = made;
		this.length = from;
	}

	/** Whether it ends where it begins. */
	get doesMeetItself(): boolean {
		const [first] = this.pieces;
		const { end } = this;
		const away = exact.lengthOf(end.x - first!.x, end.y - first!.y);
		const turned = Math.abs(wrapAngle(end.heading - first!.heading));
		return away <= tolerance.away && turned <= tolerance.turned;
	}

	/** @param way metres from its start; round and round on a closed rail */
	at(way: number): RailPlace {
		const on = this.onceRound(way);
		const piece = this.pieceAt(on);
		return along(piece, Math.max(0, Math.min(piece.length, on - piece.from)));
	}

	private onceRound(way: number): number {
		return this.isClosed ? way - Math.floor(way / this.length) * this.length : way;
	}

	private pieceAt(on: number): RailPiece {
		const { pieces } = this;
		let i = pieces.length - 1;
		while (i > 0 && pieces[i]!.from > on) i--;
		return pieces[i]!;
	}

	/** Where the straight or the curve begins that is there: the same object all along it. */
	pieceUnder(way: number): RailPlace {
		return this.pieceAt(this.onceRound(way));
	}

	/** The way to the place on it beside a point that is less than a piece away. @param way metres, about */
	beside(way: number, x: number, y: number): number {
		let found = way;
		for (let i = 0; i < roundsBeside; i++) {
			const place = this.at(found);
			direction.turnTo(place.heading);
			found += (x - place.x) * direction.cos + (y - place.y) * direction.sin;
		}
		return found;
	}

	/** Its straights and curves, each with where it begins. */
	get parts(): readonly RailPiece[] {
		return this.pieces;
	}

	/** Where its last piece ends. */
	get end(): RailPlace {
		const last = this.pieces.at(-1)!;
		return along(last, last.length);
	}

	/** Places all along it, so near each other that the lines between them look round. */
	get line(): RailPlace[] {
		const places = this.pieces.flatMap((piece) => {
			const { length, curvature } = piece;
			const count =
				curvature === 0 ? 1 : Math.ceil((length * Math.abs(curvature)) / (Math.PI / 36));
			return Array.from({ length: count }, (_, i) => along(piece, (length * i) / count));
		});
		return [...places, this.end];
	}

	/** The place on it that is nearest to a point. */
	nearest(x: number, y: number): { way: number; away: number } {
		let found = { way: 0, away: Infinity };
		for (const piece of this.pieces) {
			const way = wayNearest(piece, x, y);
			const place = along(piece, way);
			const away = exact.lengthOf(place.x - x, place.y - y);
			if (away < found.away) found = { way: piece.from + way, away };
		}
		return found;
	}
}

const direction = new exact.Direction();

/** The place so many metres along a piece. */
export function along({ x, y, heading, curvature, cos, sin }: RailPiece, way: number): RailPlace {
	if (curvature === 0) return { x: x + way * cos, y: y + way * sin, heading, curvature };
	const turned = heading + way * curvature;
	direction.turnTo(turned);
	return {
		x: x + (direction.sin - sin) / curvature,
		y: y + (cos - direction.cos) / curvature,
		heading: turned,
		curvature
	};
}

function wayNearest(piece: RailPiece, x: number, y: number): number {
	const { x: px, y: py, cos, sin, curvature, length } = piece;
	const ahead = (x - px) * cos + (y - py) * sin;
	if (curvature === 0) return Math.max(0, Math.min(length, ahead));
	const left = (y - py) * cos - (x - px) * sin;
	// As seen from the middle of the circle, from where the piece begins.
	const turned = exact.atan2(ahead, (1 / curvature - left) * Math.sign(curvature));
	const round = (2 * Math.PI) / Math.abs(curvature);
	const way = (turned < 0 ? turned + 2 * Math.PI : turned) / Math.abs(curvature);
	if (way <= length) return way;
	return way - length < round - way ? length : 0;
}

/** Metres between where a start mark is and a rail, at the most: a hand sets a car on it. */
export const railReach = 0.3;

/** A rail that something stands on, and the way to where it stands, metres. */
export interface RailSpot {
	readonly path: RailPath;
	readonly way: number;
}

/** The nearest of these rails, if one is so near. Metres. */
export function railNear(
	rails: readonly Rail[],
	{ x, y }: { readonly x: number; readonly y: number },
	reach: number
): RailSpot | undefined {
	let found: RailSpot | undefined;
	let nearest = reach;
	for (const rail of rails) {
		const path = new RailPath(rail);
		const { way, away } = path.nearest(x, y);
		if (away > nearest) continue;
		nearest = away;
		found = { path, way };
	}
	return found;
}

/** Which way along its rail something faces: 1 on, -1 back. @param heading radians */
export const facingOf = ({ path, way }: RailSpot, heading: number): 1 | -1 =>
	Math.abs(wrapAngle(path.at(way).heading - heading)) <= Math.PI / 2 ? 1 : -1;
