/** The sheets of paper that a course takes at a scale, and how they lie on it. */
import type { Course } from '../course';
import type { Bounds } from '../extent';

export const papers = { a4: [210, 297], letter: [215.9, 279.4] } as const;
export type Paper = keyof typeof papers;

/** Points of a millimetre: a point is a 72nd of an inch. */
export const pt = 72 / 25.4;
/** Of a list, points. */
export const rowHeight = 13;
/** Millimetres that no printer reaches. */
export const margin = 10;
/** More sheets than these nobody glues together. */
export const mostSheets = 400;
/** By how much a course over several sheets is made smaller; 1 is its true size. */
export const sheetScales = [1, 2, 5, 10] as const;

export interface Sheets {
	/** Made smaller by this. */
	readonly scale: number;
	/** Of a sheet, millimetres; `inside` is what of it is printed on. */
	readonly width: number;
	readonly height: number;
	readonly inside: { readonly width: number; readonly height: number };
	readonly columns: number;
	readonly rows: number;
	readonly count: number;
}

/** How many sheets a course takes, and which way round: as few as can be. */
export function sheetsOf({ size }: Pick<Course, 'size'>, paper: Paper, scale = 1): Sheets {
	const [short, long] = papers[paper];
	const ways = [
		[short, long],
		[long, short]
	].map(([width, height]) => {
		const inside = { width: width! - 2 * margin, height: height! - 2 * margin };
		const columns = Math.ceil((size.width * 1000) / scale / inside.width - 1e-9);
		const rows = Math.ceil((size.height * 1000) / scale / inside.height - 1e-9);
		return { scale, width: width!, height: height!, inside, columns, rows, count: columns * rows };
	});
	return ways[1]!.count < ways[0]!.count ? ways[1]! : ways[0]!;
}

/** Letters for columns, numbers for rows from the south: A1 is at the south-west corner. */
export function sheetName(column: number, row: number): string {
	let name = '';
	for (let left = column; left >= 0; left = Math.floor(left / 26) - 1)
		name = String.fromCharCode(65 + (left % 26)) + name;
	return `${name}${row + 1}`;
}

/** What of the course a sheet shows, metres. */
export function boxOfSheet({ inside, scale }: Sheets, column: number, row: number): Bounds {
	const width = (inside.width * scale) / 1000;
	const height = (inside.height * scale) / 1000;
	return {
		west: column * width,
		east: (column + 1) * width,
		south: row * height,
		north: (row + 1) * height
	};
}

/** Each sheet with its name, from the south-west, row by row. */
export function* eachSheet(sheets: Sheets): Generator<{ name: string; box: Bounds }> {
	for (let row = 0; row < sheets.rows; row++)
		for (let column = 0; column < sheets.columns; column++)
			yield { name: sheetName(column, row), box: boxOfSheet(sheets, column, row) };
}
