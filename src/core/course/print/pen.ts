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
} from '@cantoo/pdf-lib';
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
	/** Points from the bottom at which the next row stands. */
	y = 0;

	/** @param size of a page, millimetres */
	constructor(
		private readonly document: PDFDocument,
		readonly font: PDFFont,
		readonly bold: PDFFont,
		readonly size: readonly [number, number],
		/** For what these two cannot write. */
		private readonly others: readonly PDFFont[] = [],
		/** Told, with each page, how many there are. */
		private readonly onPage: (count: number) => void = () => {}
	) {}

	newPage([width, height] = this.size): void {
		this.page = this.document.addPage([width * pt, height * pt]);
		this.labels.clear();
		this.onPage(this.document.getPageCount());
		this.y = (height - margin) * pt - 16;
	}

	/** What no font can write is left as a mark; nothing of it is lost from the course. */
	text(text: string, x: number, y: number, size = textSize, font = this.font): void {
		const signs = [...text];
		const fonts = signs.every((sign) => canWrite(font, sign)) ? [font] : [...this.others, font];
		let at = x;
		for (const { run, by } of runsOf(signs, fonts)) {
			this.page.drawText(run, { x: at, y, size, font: by });
			at += by.widthOfTextAtSize(run, size);
		}
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

const written = new WeakMap<PDFFont, ReadonlySet<number>>();

/** Whether a font has a letter, or another sign. */
export function canWrite(font: PDFFont, sign: string): boolean {
	const signs = written.get(font) ?? new Set(font.getCharacterSet());
	written.set(font, signs);
	return signs.has(sign.codePointAt(0)!);
}

/** Signs that the same font can write, together; the last of the fonts writes a mark for all others. */
function runsOf(signs: readonly string[], fonts: readonly PDFFont[]) {
	const runs: { run: string; readonly by: PDFFont }[] = [];
	for (const sign of signs) {
		const found = fonts.find((font) => canWrite(font, sign));
		const by = found ?? fonts.at(-1)!;
		const last = runs.at(-1);
		if (last?.by === by) last.run += found ? sign : '?';
		else runs.push({ run: found ? sign : '?', by });
	}
	return runs;
}
