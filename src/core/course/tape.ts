/** The middle line of a tape, with its corners rounded: what is drawn, and what the sensor follows. */
import * as exact from '../exact';
import type { Point, Tape } from './course';

/** A rounded corner becomes pieces of this angle at the most, radians. */
const piece = Math.PI / 36;

/** Points of the line, metres; for a closed tape the first one comes again at the end. */
export function lineOf({ points, isClosed, radius }: Tape): Point[] {
	const line: Point[] = [];
	points.forEach((corner, index) => {
		const before = points[index - 1] ?? (isClosed ? points.at(-1) : undefined);
		const after = points[index + 1] ?? (isClosed ? points[0] : undefined);
		if (before && after && radius > 0) line.push(...rounded(before, corner, after, radius));
		else line.push(corner);
	});
	if (isClosed) line.push(line[0]!);
	return line;
}

/** The arc that touches both sides of a corner; smaller where a side is too short. */
function rounded(before: Point, corner: Point, after: Point, radius: number): Point[] {
	const towards = ([x, y]: Point): { x: number; y: number; length: number } => {
		const length = exact.lengthOf(x - corner[0], y - corner[1]);
		return { x: (x - corner[0]) / length, y: (y - corner[1]) / length, length };
	};
	const one = towards(before);
	const two = towards(after);
	const between = exact.acos(Math.max(-1, Math.min(1, one.x * two.x + one.y * two.y)));
	const turned = Math.PI - between;
	if (!(turned > 1e-6) || !(between > 1e-6)) return [corner];
	const most = Math.min(one.length, two.length) / 2;
	const back = Math.min(most, radius / exact.tan(between / 2));
	const fitting = back * exact.tan(between / 2);
	const side = Math.sign(two.x * one.y - two.y * one.x) || 1;
	const from: Point = [corner[0] + one.x * back, corner[1] + one.y * back];
	// The middle of the arc stands square to the way in, on the inner side of the corner.
	const centre: Point = [from[0] + side * one.y * fitting, from[1] - side * one.x * fitting];
	const start = exact.atan2(from[1] - centre[1], from[0] - centre[0]);
	const count = Math.ceil(turned / piece);
	return Array.from({ length: count + 1 }, (_, index) => {
		const angle = start + (side * turned * index) / count;
		return [centre[0] + fitting * exact.cos(angle), centre[1] + fitting * exact.sin(angle)];
	});
}
