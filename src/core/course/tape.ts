/** The middle line of a tape, with its corners rounded: what is drawn, and what the sensor follows. */
import * as exact from '../exact';
import type { Point } from './measure';

/** A tape as a course has it: metres. */
interface Tape {
	readonly points: readonly Point[];
	readonly isClosed: boolean;
	readonly radius: number;
}

/** A rounded corner becomes pieces of this angle at the most, radians. */
const piece = Math.PI / 36;

/** A rounded corner: from one of its sides to the other, around a middle. */
export interface Arc {
	readonly from: Point;
	readonly centre: Point;
	readonly radius: number;
	/** Radians, from the middle to where it begins, and by how much it turns; to the left is positive. */
	readonly start: number;
	readonly turned: number;
}

/** Its corners in order, sharp or rounded; of a closed tape, the last is joined to the first. */
export const tapeCorners = ({ points, isClosed, radius }: Tape): (Point | Arc)[] =>
	points.map((corner, index) => {
		const before = points[index - 1] ?? (isClosed ? points.at(-1) : undefined);
		const after = points[index + 1] ?? (isClosed ? points[0] : undefined);
		return (before && after && radius > 0 && arcAt(before, corner, after, radius)) || corner;
	});

/** Points of the line, metres; for a closed tape the first one comes again at the end. */
export function lineOf(tape: Tape): Point[] {
	const line: Point[] = [];
	for (const corner of tapeCorners(tape)) {
		if (!('centre' in corner)) {
			line.push(corner);
			continue;
		}
		const count = Math.ceil(Math.abs(corner.turned) / piece);
		for (let i = 0; i <= count; i++) line.push(onArc(corner, i, count));
	}
	if (tape.isClosed) line.push(line[0]!);
	return line;
}

/** The place after so many of all equal pieces of an arc. */
export function onArc({ centre, radius, start, turned }: Arc, pieces: number, all: number): Point {
	const angle = start + (turned * pieces) / all;
	return [centre[0] + radius * exact.cos(angle), centre[1] + radius * exact.sin(angle)];
}

/** The arc that touches both sides of a corner; smaller where a side is too short. */
function arcAt(before: Point, corner: Point, after: Point, radius: number): Arc | undefined {
	const towards = ([x, y]: Point): { x: number; y: number; length: number } => {
		const length = exact.lengthOf(x - corner[0], y - corner[1]);
		return { x: (x - corner[0]) / length, y: (y - corner[1]) / length, length };
	};
	const one = towards(before);
	const two = towards(after);
	const between = exact.acos(Math.max(-1, Math.min(1, one.x * two.x + one.y * two.y)));
	const turned = Math.PI - between;
	if (!(turned > 1e-6) || !(between > 1e-6)) return undefined;
	const most = Math.min(one.length, two.length) / 2;
	const back = Math.min(most, radius / exact.tan(between / 2));
	const fitting = back * exact.tan(between / 2);
	const side = Math.sign(two.x * one.y - two.y * one.x) || 1;
	const from: Point = [corner[0] + one.x * back, corner[1] + one.y * back];
	// The middle of the arc stands square to the way in, on the inner side of the corner.
	const centre: Point = [from[0] + side * one.y * fitting, from[1] - side * one.x * fitting];
	const start = exact.atan2(from[1] - centre[1], from[0] - centre[0]);
	return { from, centre, radius: fitting, start, turned: side * turned };
}
