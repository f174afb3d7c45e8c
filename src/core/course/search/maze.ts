/**
 * Makes mazes: cells of squares, triangles or hexagons, joined at random so that every cell can be
 * reached from every other; what is not joined is a wall, or a tape.
 */
import * as exact from '../../exact';
import { Random } from '../../random/random';
import { failure, success, type Result } from '../../sentence';
import { headingOfBearing } from '../../units/angles';
import { makeCourse, type Course } from '../course';
import { tidy, tidyBearing, tidyPoint } from '../motions';
import { bearingTo, lengthTo, type Point } from '../measure';
import { wayAlong } from './way';

export const mazeShapes = ['square', 'triangle', 'hexagon'] as const;
export type MazeShape = (typeof mazeShapes)[number];
export const mazeMakings = ['wall', 'tape'] as const;

export interface MazeWish {
	readonly name: string;
	readonly shape: MazeShape;
	/** Cells from west to east, and from south to north. */
	readonly columns: number;
	readonly rows: number;
	/** Metres of one side of a cell. */
	readonly side: number;
	readonly making: (typeof mazeMakings)[number];
	/** Metres: how thick a wall is, or how wide a tape. */
	readonly thickness: number;
	/** Degrees by which it lies slanted on the floor, clockwise. */
	readonly slant: number;
	/** Part of the joints more than are needed: 0 for one way only. */
	readonly loops: number;
	/** 0: long winding corridors; 1: many short dead ends. */
	readonly branching: number;
	readonly seed: number;
}

export interface Maze {
	readonly course: Course;
	/** Middles of the cells from start to finish by the fewest cells. */
	readonly way: readonly Point[];
	/** Cells of that way, in numbers, and of each the cells that it is joined to. */
	readonly cells: readonly MazeCell[];
	readonly cellWay: readonly number[];
	readonly joined: readonly (readonly number[])[];
	readonly figures: MazeFigures;
}

/** How hard it is. */
export interface MazeFigures {
	/** Metres of the way by the middles of cells. */
	readonly length: number;
	readonly turns: number;
	readonly deadEnds: number;
	/** Places on the way at which one can go wrong. */
	readonly choices: number;
}

export interface MazeCell {
	readonly middle: Point;
	readonly corners: readonly Point[];
}

/** Metres of floor around it. */
const margin = 0.15;
/** What a robot needs beside its own radius, metres. */
const elbow = 0.02;
/** Metres: the finish ring is as large as its cell allows, and no larger. */
const largestRing = 0.15;

const root3 = Math.sqrt(3);

/** The cells of a grid with its south-west corner at 0, 0. */
function cellsOf({ shape, columns, rows, side }: MazeWish): MazeCell[] {
	const cells: MazeCell[] = [];
	for (let row = 0; row < rows; row++)
		for (let column = 0; column < columns; column++) cells.push(cellAt[shape](column, row, side));
	return cells;
}

const cellOf = (corners: readonly Point[]): MazeCell => ({
	corners,
	middle: [
		corners.reduce((sum, [x]) => sum + x, 0) / corners.length,
		corners.reduce((sum, [, y]) => sum + y, 0) / corners.length
	]
});

const cellAt: Readonly<Record<MazeShape, (column: number, row: number, side: number) => MazeCell>> =
	{
		square: (column, row, side) => {
			const [x, y] = [column * side, row * side];
			return cellOf([
				[x, y],
				[x + side, y],
				[x + side, y + side],
				[x, y + side]
			]);
		},
		triangle: (column, row, side) => {
			const high = (side * root3) / 2;
			const [x, y] = [(column * side) / 2, row * high];
			// One stands on its side, the next on its point.
			return (column + row) % 2 === 0
				? cellOf([
						[x, y],
						[x + side, y],
						[x + side / 2, y + high]
					])
				: cellOf([
						[x, y + high],
						[x + side / 2, y],
						[x + side, y + high]
					]);
		},
		hexagon: (column, row, side) => {
			const wide = side * root3;
			const x = column * wide + (row % 2 === 0 ? wide / 2 : wide);
			const y = row * side * 1.5 + side;
			const half = wide / 2;
			return cellOf([
				[x, y - side],
				[x + half, y - side / 2],
				[x + half, y + side / 2],
				[x, y + side],
				[x - half, y + side / 2],
				[x - half, y - side / 2]
			]);
		}
	};

/** A side of cells: where it is, and the one or two cells that it bounds. */
interface Side {
	readonly from: Point;
	readonly to: Point;
	readonly cells: number[];
}

/** Corners that are the same have one name, whichever cell counts them. */
const nameOf = ([x, y]: Point): string => `${Math.round(x * 1e4)} ${Math.round(y * 1e4)}`;

function sidesOf(cells: readonly MazeCell[]): Side[] {
	const sides = new Map<string, Side>();
	cells.forEach(({ corners }, cell) =>
		corners.forEach((from, i) => {
			const to = corners[(i + 1) % corners.length]!;
			const name = [nameOf(from), nameOf(to)].sort().join();
			const side = sides.get(name);
			if (side) side.cells.push(cell);
			else sides.set(name, { from, to, cells: [cell] });
		})
	);
	return [...sides.values()];
}

const pick = <T>(list: readonly T[], chance: Random): number =>
	Math.min(list.length - 1, Math.floor(chance.between(0, list.length)));

/** Which sides are open: all cells hang together, and some more than that. */
function opened(count: number, inner: readonly Side[], wish: MazeWish, chance: Random): Set<Side> {
	const around: { side: Side; other: number }[][] = Array.from({ length: count }, () => []);
	for (const side of inner) {
		const [one, other] = side.cells as [number, number];
		around[one]!.push({ side, other });
		around[other]!.push({ side, other: one });
	}
	const open = new Set<Side>();
	const isSeen = new Uint8Array(count);
	const begun = [0];
	isSeen[0] = 1;
	while (begun.length > 0) {
		// On from the last cell, or from any: long corridors, or many short ones.
		const at = chance.between(0, 1) < wish.branching ? pick(begun, chance) : begun.length - 1;
		const fresh = around[begun[at]!]!.filter(({ other }) => !isSeen[other]);
		if (fresh.length === 0) {
			begun.splice(at, 1);
			continue;
		}
		const { side, other } = fresh[pick(fresh, chance)]!;
		open.add(side);
		isSeen[other] = 1;
		begun.push(other);
	}
	const shut = inner.filter((side) => !open.has(side));
	for (let more = Math.round(shut.length * wish.loops); more > 0; more--)
		open.add(shut.splice(pick(shut, chance), 1)[0]!);
	return open;
}

/** From a cell to all others, by the fewest cells: of each, the one before it. */
function fewest(from: number, joined: readonly (readonly number[])[]): Int32Array {
	const before = new Int32Array(joined.length).fill(-1);
	before[from] = from;
	const row = [from];
	for (const cell of row)
		for (const next of joined[cell]!)
			if (before[next] === -1) {
				before[next] = cell;
				row.push(next);
			}
	return before;
}

function pathTo(cell: number, before: Int32Array): number[] {
	const path = [cell];
	while (before[path[0]!] !== path[0]) path.unshift(before[path[0]!]!);
	return path;
}

/** Sides that lie in one line become one: fewer walls, and fewer pieces of tape. */
function merged(sides: readonly Side[]): { from: Point; to: Point }[] {
	const lines = new Map<string, { from: Point; to: Point }[]>();
	for (const { from, to } of sides) {
		const [a, b] =
			from[0] < to[0] - 1e-6 || (Math.abs(from[0] - to[0]) < 1e-6 && from[1] < to[1])
				? [from, to]
				: [to, from];
		const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
		const length = exact.lengthOf(dx, dy);
		const off = (a[0] * dy - a[1] * dx) / length;
		const name = `${Math.round((dx / length) * 1e3)} ${Math.round((dy / length) * 1e3)} ${Math.round(off * 1e3)}`;
		const line = lines.get(name) ?? [];
		line.push({ from: a, to: b });
		lines.set(name, line);
	}
	return [...lines.values()].flatMap((line) => {
		line.sort((one, other) => one.from[0] - other.from[0] || one.from[1] - other.from[1]);
		const whole: { from: Point; to: Point }[] = [];
		for (const piece of line) {
			const last = whole.at(-1);
			if (last && lengthTo(last.to, piece.from) < 1e-3) last.to = piece.to;
			else whole.push({ ...piece });
		}
		return whole;
	});
}

/** Metres: the least side that a cell must have for a robot to turn in it and to pass on. */
export function leastSide(shape: MazeShape, thickness: number, radius: number): number {
	const room = 2 * (radius + elbow) + thickness;
	// A square or a hexagon is as wide as it is between two sides; in a triangle its middle is nearest.
	const perSide = { square: 1, triangle: 1 / root3, hexagon: root3 }[shape];
	return Math.ceil((Math.max(room / perSide, room) + 1e-9) * 100) / 100;
}

/** @param radius of the robot that has to find its way, metres */
export function makeMaze(wish: MazeWish, radius: number): Result<Maze> {
	const least = leastSide(wish.shape, wish.thickness, radius);
	if (wish.side < least) return failure('maze.narrow', { least: least * 100 });
	const chance = new Random(wish.seed);
	const plain = cellsOf(wish);
	const { cells, size } = laidOn(plain, wish.slant);
	if (Math.max(size.width, size.height) > 20) return failure('maze.large', {});
	const sides = sidesOf(cells);
	const inner = sides.filter((side) => side.cells.length === 2);
	const open = opened(cells.length, inner, wish, chance);
	const joined: number[][] = cells.map(() => []);
	for (const { cells: pair } of open) {
		const [one, other] = pair as [number, number];
		joined[one]!.push(other);
		joined[other]!.push(one);
	}
	// From the first cell to the one that is farthest from it.
	const before = fewest(0, joined);
	const ways = cells.map((_, cell) => pathTo(cell, before));
	const cellWay = ways.reduce((far, way) => (way.length > far.length ? way : far));
	const way = cellWay.map((cell) => tidyPoint(cells[cell]!.middle));
	const shut = merged(sides.filter((side) => !open.has(side)));
	if (wish.making === 'tape' && shut.length > 200) return failure('maze.tapes', {});
	if (shut.length > 2000) return failure('maze.walls', {});
	const inside = insideOf(wish);
	const course = makeCourse({
		name: wish.name,
		size,
		starts: [
			{
				at: [...way[0]!],
				bearing: way[1] ? tidyBearing(Math.round(bearingTo(way[0]!, way[1]))) : 0
			}
		],
		finish: { at: [...way.at(-1)!], radius: tidy(Math.min(largestRing, inside * 0.8)) },
		...(wish.making === 'wall'
			? { walls: shut.map(({ from, to }, i) => wallOf(`wall-${i + 1}`, from, to, wish.thickness)) }
			: {
					tapes: shut.map(({ from, to }, i) => ({
						...{
							id: `tape-${i + 1}`,
							points: [[...tidyPoint(from)], [...tidyPoint(to)]] as [number, number][]
						},
						...{ isClosed: false, radius: 0, width: wish.thickness, colour: 'black' as const }
					}))
				})
	});
	return success({ course, way, cells, cellWay, joined, figures: figuresOf(way, cellWay, joined) });
}

const wallOf = (
	id: string,
	from: Point,
	to: Point,
	thickness: number
): Course['walls'][number] => ({
	...{ id, from: tidyPoint(from), to: tidyPoint(to), thickness }
});

/** Metres from the middle of a cell to its sides. */
const insideOf = ({ shape, side, thickness }: MazeWish): number =>
	({ square: side / 2, triangle: side / (2 * root3), hexagon: (side * root3) / 2 })[shape] -
	thickness / 2;

/** Turned, and with a margin around it. */
function laidOn(
	plain: readonly MazeCell[],
	slant: number
): { cells: MazeCell[]; size: Course['size'] } {
	const heading = headingOfBearing(90 + slant);
	const [cos, sin] = [exact.cos(heading), exact.sin(heading)];
	const turned = ([x, y]: Point): Point => [x * cos - y * sin, x * sin + y * cos];
	const all = plain.flatMap(({ corners }) => corners.map(turned));
	const west = Math.min(...all.map(([x]) => x)) - margin;
	const south = Math.min(...all.map(([, y]) => y)) - margin;
	const width = Math.max(...all.map(([x]) => x)) + margin - west;
	const height = Math.max(...all.map(([, y]) => y)) + margin - south;
	const laid = (point: Point): Point => {
		const [x, y] = turned(point);
		return [x - west, y - south];
	};
	const up = (length: number) => Math.max(0.5, Math.ceil(length * 100 - 1e-6) / 100);
	return {
		cells: plain.map(({ middle, corners }) => ({
			middle: laid(middle),
			corners: corners.map(laid)
		})),
		size: { width: up(width), height: up(height) }
	};
}

function figuresOf(
	way: readonly Point[],
	cellWay: readonly number[],
	joined: readonly (readonly number[])[]
): MazeFigures {
	const { length, turns } = wayAlong(way);
	const deadEnds = joined.filter((others) => others.length === 1).length;
	const choices = cellWay.filter((cell) => joined[cell]!.length > 2).length;
	return { length, turns, deadEnds, choices };
}

/** In one word how hard it is, by what one can do wrong on the way. */
export function difficultyOf({ turns, choices }: MazeFigures): 'easy' | 'middling' | 'hard' {
	const effort = turns + 2 * choices;
	return effort <= 8 ? 'easy' : effort <= 24 ? 'middling' : 'hard';
}
