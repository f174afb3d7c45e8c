/** A course on paper, seen from above. */
import { floorColours } from '../../colours';
import * as exact from '../../exact';
import type { Course, Part } from '../course';
import { boundsOf, type Bounds } from '../extent';
import { lengthTo, placeBeside, type Point } from '../measure';
import { partKinds } from '../parts/list';
import { coverOf, kindOf, placedParts, type Placed } from '../parts';
import type { Pen, PageView } from './pen';

/** Of walls on sheets: there they would take much ink, and their place is all that is needed. */
const paleWall = '#b9bec9';

/** @param within only what is there, metres, is drawn, as on a sheet of its own */
export function drawCourse(pen: Pen, course: Course, view: PageView, within?: Bounds): void {
	for (const placed of placedParts(course)) {
		const isHere = !within || doMeet(boundsOf(coverOf(placed.ref.part, placed.value)), within);
		if (isHere) drawPart(pen, placed, view, within);
	}
	const { width, height } = course.size;
	const floor = cornersOfBounds({ west: 0, south: 0, east: width, north: height });
	pen.path(floor, view, { colour: '#9a9484', width: 0.5 });
}

const doMeet = (one: Bounds, other: Bounds): boolean =>
	one.west <= other.east &&
	one.east >= other.west &&
	one.south <= other.north &&
	one.north >= other.south;

function drawPart(pen: Pen, { ref, value }: Placed, view: PageView, within?: Bounds): void {
	const extent = coverOf(ref.part, value);
	const { colour, dash = 0 } = kindOf(ref.part).ink;
	const own = 'colour' in value ? floorColours[value.colour] : colour;
	const isLine = !extent.isFilled && ref.part !== 'table' && ref.part !== 'gates';
	const width = isLine ? Math.max(0.4, 2 * extent.half * view.scale) : 0.8;
	const line = extent.line.length === 1 ? circleAround(extent.line[0]!, extent.half) : extent.line;
	const isWall = ref.part === 'walls';
	const ink = { colour: isWall && within ? paleWall : own, width, dash, isSquare: isWall };
	const isCut = within !== undefined && line.length > mostWhole;
	for (const piece of isCut ? piecesIn(line, within, extent.half) : [line])
		pen.path(thinned(piece, finest / view.scale), view, ink);
	if (ref.part === 'starts') drawArrow(pen, value as Part<'starts'>, view);
}

/** Points of a line that is drawn whole on each sheet that it touches. */
const mostWhole = 50;

/** The pieces of a line that can be seen in a box. @param half metres to each side of the line */
function piecesIn(line: readonly Point[], box: Bounds, half: number): Point[][] {
	const pieces: Point[][] = [];
	let isOn = false;
	for (let i = 1; i < line.length; i++) {
		const [[ax, ay], [bx, by]] = [line[i - 1]!, line[i]!];
		const reach = {
			west: Math.min(ax, bx) - half,
			east: Math.max(ax, bx) + half,
			south: Math.min(ay, by) - half,
			north: Math.max(ay, by) + half
		};
		const isHere = doMeet(reach, box);
		if (isHere && !isOn) pieces.push([line[i - 1]!]);
		if (isHere) pieces.at(-1)!.push(line[i]!);
		isOn = isHere;
	}
	return pieces;
}

/** Points of the page: what is nearer to the point before is not seen. */
const finest = 0.15;

/** Without points that are nearer than this to the one before. */
function thinned(line: readonly Point[], least: number): Point[] {
	const kept: Point[] = [];
	line.forEach((point, i) => {
		const last = kept.at(-1);
		if (!last || i === line.length - 1 || lengthTo(last, point) >= least) kept.push(point);
	});
	return kept;
}

/** Which way a start mark points. */
function drawArrow(pen: Pen, { at, bearing }: Part<'starts'>, view: PageView): void {
	const to = (ahead: number, left: number): Point => placeBeside(at, bearing, ahead, left);
	const ink = { colour: partKinds.starts.ink.colour, width: 0.8 };
	pen.path([to(-0.07, 0), to(0.08, 0)], view, ink);
	pen.path([to(0.04, 0.03), to(0.08, 0), to(0.04, -0.03)], view, ink);
}

const circleAround = ([x, y]: Point, radius: number): Point[] =>
	Array.from({ length: 73 }, (_, i): Point => {
		const angle = (i * Math.PI) / 36;
		return [x + radius * exact.cos(angle), y + radius * exact.sin(angle)];
	});

export const cornersOfBounds = ({ west, south, east, north }: Bounds): Point[] => [
	[west, south],
	[east, south],
	[east, north],
	[west, north],
	[west, south]
];
