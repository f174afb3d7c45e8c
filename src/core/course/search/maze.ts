/**
 * Makes mazes: cells of squares, triangles or hexagons, joined at random so that every cell can be
 * reached from every other; what is not joined is a wall, or a tape.
 */
import { Random } from '../../random/random';
import { failure, success, type Result } from '../../sentence';
import { makeCourse, type Course } from '../course';
import { tidy, tidyBearing, tidyPoint } from '../motions';
import { bearingTo, type Point } from '../measure';
import {
	cellsOf,
	laidOn,
	merged,
	root3,
	cellSides,
	type Grid,
	type MazeCell,
	type MazeShape,
	type Side
} from './maze-cells';
import { wayAlong } from './way';

export const mazeMakings = ['wall', 'tape'] as const;

export interface MazeWish extends Grid {
	readonly name: string;
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

/** What a robot needs beside its own radius, metres. */
const elbow = 0.02;
/** Metres: the finish ring is as large as its cell allows, and no larger. */
const largestRing = 0.15;

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
	const sides = cellSides(cells);
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
