/** The sheets of paper that a course takes in true size, and how they lie on it. */
import type { Course } from '../course';
import type { Box } from '../extent';

export const papers = { a4: [210, 297], letter: [215.9, 279.4] } as const;
export type Paper = keyof typeof papers;

/** Millimetres that no printer reaches. */
export const margin = 10;
/** More sheets than these nobody glues together. */
export const mostSheets = 400;

/** What of a sheet is printed on, millimetres. */
export interface Inside {
	readonly width: number;
	readonly height: number;
}

/** How many sheets a course takes in true size, and which way round. */
export function sheetsOf({ size }: Pick<Course, 'size'>, paper: Paper) {
	const [short, long] = papers[paper];
	const ways = [
		[short, long],
		[long, short]
	].map(([width, height]) => {
		const inside = { width: width! - 2 * margin, height: height! - 2 * margin };
		const columns = Math.ceil((size.width * 1000) / inside.width - 1e-9);
		const rows = Math.ceil((size.height * 1000) / inside.height - 1e-9);
		return { width: width!, height: height!, inside, columns, rows, count: columns * rows };
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
export const boxOfSheet = (column: number, row: number, { width, height }: Inside): Box => ({
	west: (column * width) / 1000,
	east: ((column + 1) * width) / 1000,
	south: (row * height) / 1000,
	north: ((row + 1) * height) / 1000
});
