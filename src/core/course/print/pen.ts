/** Writes and draws on the pages of a PDF. */
import {
	clip,
	endPath,
	lineTo,
	moveTo,
	popGraphicsState,
	pushGraphicsState,
	rectangle,
	rgb,
	setDashPattern,
	setLineCap,
	setLineWidth,
	setStrokingRgbColor,
	stroke,
	type PDFDocument,
	type PDFFont,
	type PDFOperator,
	type PDFPage
} from 'pdf-lib';
import { channelsOf } from '../../colours';
import { margin, pt, rowHeight } from './sheets';
import type { Point } from '../measure';

const textSize = 9;

/** How a drawing lies on a page, points. */
export interface PageView {
	/** Points of one unit of the drawing. */
	readonly scale: number;
	/** Where its south-west corner is. */
	readonly x: number;
	readonly y: number;
}
/** Of what is drawn in millimetres of the page. */
export const ofPage: PageView = { scale: pt, x: 0, y: 0 };

/** @see width points @see dash points; none where it is left out */
export interface PenInk {
	readonly colour: string;
	readonly width: number;
	readonly dash?: number;
	/** Its ends reach half a width farther. */
	readonly isSquare?: boolean;
}

interface Label {
	readonly x: number;
	readonly y: number;
}
/** Points: no label is wider. */
const squareSide = 40;
const squareOf = (x: number, y: number): string =>
	`${Math.floor(x / squareSide)},${Math.floor(y / squareSide)}`;

export class Pen {
	private page!: PDFPage;
	/** The middles of those on this page, points, by the square of the page that they are in. */
	private readonly labels = new Map<string, Label[]>();
	/** Signs that a font can write, or not. */
	private readonly known = new Map<PDFFont, Map<string, boolean>>();
	/** Points from the bottom at which the next row stands. */
	y = 0;

	/** @param size of a page, millimetres */
	constructor(
		private readonly document: PDFDocument,
		readonly font: PDFFont,
		readonly bold: PDFFont,
		readonly size: readonly [number, number],
		/** Told, with each page, how many there are. */
		private readonly onPage: (count: number) => void = () => {}
	) {}

	newPage([width, height] = this.size): void {
		this.page = this.document.addPage([width * pt, height * pt]);
		this.labels.clear();
		this.onPage(this.document.getPageCount());
		this.y = (height - margin) * pt - 16;
	}

	/** What the font cannot write is left as a mark; nothing of it is lost from the course. */
	text(text: string, x: number, y: number, size = textSize, font = this.font): void {
		const written = [...text].map((sign) => (this.canWrite(font, sign) ? sign : '?')).join('');
		this.page.drawText(written, { x, y, size, font });
	}

	private canWrite(font: PDFFont, sign: string): boolean {
		let signs = this.known.get(font);
		if (!signs) this.known.set(font, (signs = new Map()));
		let can = signs.get(sign);
		if (can === undefined) signs.set(sign, (can = canWrite(font, sign)));
		return can;
	}

	/**
	 * A number, or a sign, on white, with its middle at a place; below those that are there already.
	 *
	 * @returns whether there was room for it
	 */
	label(text: string, x: number, y: number): boolean {
		const width = this.bold.widthOfTextAtSize(text, 7) + 3;
		const height = 8;
		const isTaken = (row: number) => {
			const middle = y - row * height;
			return this.isLabelled(
				x,
				middle,
				(other) => Math.abs(other.x - x) < width && Math.abs(other.y - middle) < height
			);
		};
		const row = [0, 1, 2, 3].find((each) => !isTaken(each));
		if (row === undefined) return false;
		const square = squareOf(x, y - row * height);
		const before = this.labels.get(square);
		if (before) before.push({ x, y: y - row * height });
		else this.labels.set(square, [{ x, y: y - row * height }]);
		const at = { x: x - width / 2, y: y - (row + 0.5) * height };
		this.page.drawRectangle({ ...at, width, height, color: rgb(1, 1, 1) });
		this.text(text, at.x + 1.5, at.y + 1.5, 7, this.bold);
		return true;
	}

	/** Whether a label around there is so. */
	private isLabelled(x: number, y: number, isSo: (label: Label) => boolean): boolean {
		for (const dx of [-squareSide, 0, squareSide])
			for (const dy of [-squareSide, 0, squareSide])
				if (this.labels.get(squareOf(x + dx, y + dy))?.some(isSo)) return true;
		return false;
	}

	heading(text: string): void {
		this.text(text, margin * pt, this.y, 15, this.bold);
		this.y -= 22;
	}

	line(text: string): void {
		this.text(text, margin * pt, this.y);
		this.y -= rowHeight;
	}

	/** A page begins if there is no room for a heading and so many rows. */
	makeRoom(rows: number): void {
		this.y -= rowHeight;
		if (this.y < (margin + 30) * pt + rows * rowHeight) this.newPage();
	}

	/** @param columns where each begins, points; on each new page the head stands again */
	table(
		columns: readonly number[],
		head: readonly string[],
		rows: readonly (readonly string[])[]
	): void {
		const row = (cells: readonly string[], font = this.font) => {
			if (this.y < (margin + 6) * pt) {
				this.newPage();
				row(head, this.bold);
			}
			cells.forEach((cell, i) => {
				if (cell) this.text(cell, margin * pt + columns[i]!, this.y, textSize, font);
			});
			this.y -= rowHeight;
		};
		row(head, this.bold);
		for (const cells of rows) row(cells);
	}

	path(line: readonly Point[], { scale, x, y }: PageView, ink: PenInk): void {
		const { colour, width, dash = 0, isSquare } = ink;
		const at = ([px, py]: Point): [number, number] => [x + px * scale, y + py * scale];
		const [first, ...more] = line;
		const [red, green, blue] = channelsOf(colour);
		this.page.pushOperators(
			pushGraphicsState(),
			setStrokingRgbColor(red / 255, green / 255, blue / 255),
			setLineWidth(width),
			...(dash > 0 ? [setDashPattern([dash, dash], 0)] : []),
			...(isSquare ? [setLineCap(2)] : []),
			moveTo(...at(first!)),
			...more.map((point): PDFOperator => lineTo(...at(point))),
			stroke(),
			popGraphicsState()
		);
	}

	/** Draws within a rectangle only. Millimetres. */
	within(x: number, y: number, width: number, height: number, draw: () => void): void {
		this.page.pushOperators(
			pushGraphicsState(),
			rectangle(x * pt, y * pt, width * pt, height * pt),
			clip(),
			endPath()
		);
		draw();
		this.page.pushOperators(popGraphicsState());
	}
}

function canWrite(font: PDFFont, sign: string): boolean {
	try {
		font.encodeText(sign);
		return true;
	} catch {
		return false;
	}
}
