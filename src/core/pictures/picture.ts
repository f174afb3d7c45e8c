/**
 * Pictures of lamps, as text: rows from the top with "/" between them, in each its lamps from the left:
 * six hex digits of a colour, or "." for a dark one.
 */

/** Lamps across, and up. */
export interface PictureSize {
	readonly columns: number;
	readonly rows: number;
}

/** Of a lamp grid. */
export const gridSize: PictureSize = { columns: 8, rows: 8 };

/** Colours of lamps as 0xrrggbb, row by row from the top left; 0 is dark. */
export type Lamps = readonly number[];

export const darkLamps = ({ columns, rows }: PictureSize): Lamps =>
	Array.from({ length: columns * rows }, () => 0);

/** @returns null where the text is no picture of this size */
export function readPicture(text: string, size: PictureSize = gridSize): Lamps | null {
	const rows = text.split('/').map((row) => row.match(/\.|[0-9a-f]{6}/g) ?? []);
	const isWhole =
		rows.length === size.rows &&
		rows.every(({ length }) => length === size.columns) &&
		rows.map((row) => row.join('')).join('/') === text;
	if (!isWhole) return null;
	return rows.flat().map((lamp) => (lamp === '.' ? 0 : Number.parseInt(lamp, 16)));
}

/** The shortest text of these lamps. */
export function writePicture(lamps: Lamps, { columns, rows }: PictureSize = gridSize): string {
	const written = lamps.map((lamp) => (lamp === 0 ? '.' : lamp.toString(16).padStart(6, '0')));
	return Array.from({ length: rows }, (_, row) =>
		written.slice(row * columns, (row + 1) * columns).join('')
	).join('/');
}
