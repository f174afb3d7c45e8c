/** Where the cells of a maze lie, and the sides between them. */
import * as exact from '../../exact';
import { headingOfBearing } from '../../units/angles';
import type { Course } from '../course';
import { lengthTo, type Point } from '../measure';

export const mazeShapes = ['square', 'triangle', 'hexagon'] as const;
export type MazeShape = (typeof mazeShapes)[number];
/** Cells in rows. */
export interface Grid {
	readonly shape: MazeShape;
	/** Cells from west to east, and from south to north. */
	readonly columns: number;
	readonly rows: number;
	/** Metres of one side of a cell. */
	readonly side: number;
}

export interface MazeCell {
	readonly middle: Point;
	readonly corners: readonly Point[];
}

/** Metres of floor around it. */
const margin = 0.15;
export const root3 = Math.sqrt(3);

/** The cells of a grid with its south-west corner at 0, 0. */
export function cellsOf({ shape, columns, rows, side }: Grid): MazeCell[] {
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
export interface Side {
	readonly from: Point;
	readonly to: Point;
	readonly cells: number[];
}

/** Corners that are the same have one name, whichever cell counts them. */
const nameOf = ([x, y]: Point): string => `${Math.round(x * 1e4)} ${Math.round(y * 1e4)}`;

export function cellSides(cells: readonly MazeCell[]): Side[] {
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

/** Sides that lie in one line become one: fewer walls, and fewer pieces of tape. */
export function merged(sides: readonly Side[]): { from: Point; to: Point }[] {
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

/** Turned, and with a margin around it. */
export function laidOn(
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
