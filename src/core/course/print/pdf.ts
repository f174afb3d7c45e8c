/**
 * The tape plan as a PDF: the drawing to scale, every line with its length and its angle, the
 * material; and, if wanted, the course in true size over as many sheets as it takes.
 */
import {
	clip,
	endPath,
	lineTo,
	moveTo,
	PDFDocument,
	popGraphicsState,
	pushGraphicsState,
	rectangle,
	rgb as paint,
	setDashPattern,
	setLineCap,
	setLineWidth,
	setStrokingRgbColor,
	StandardFonts,
	stroke,
	type PDFFont,
	type PDFOperator,
	type PDFPage
} from 'pdf-lib';
import { floorColours } from '../../colours';
import * as exact from '../../exact';
import { headingOfBearing } from '../../units/angles';
import type { Course, Point } from '../course';
import { boxOf, type Box } from '../extent';
import { kindOf, placedParts, type Part, type PartName, type Placed } from '../parts';
import { materialOf, planLines, type PlanLine } from './lines';
import { boxOfSheet, margin, papers, sheetName, sheetsOf, type Inside, type Paper } from './sheets';

export interface PrintWish {
	readonly paper: Paper;
	/** The course itself, over as many sheets as it takes. */
	readonly isTrueSize: boolean;
}

/** Says a message of the caller's language. */
export type Say = (key: string, values?: Readonly<Record<string, string | number>>) => string;

/** Points of a millimetre: a point is a 72nd of an inch. */
const pt = 72 / 25.4;
const textSize = 9;
const rowHeight = 13;
/** Millimetres of the line by which a print can be checked. */
const checkLine = 100;
/** Drawings are made smaller by one of these. */
const scales = [1, 2, 5, 10, 15, 20, 25, 30, 40, 50, 75, 100, 150, 200];

export async function tapePlan(course: Course, wish: PrintWish, say: Say): Promise<Uint8Array> {
	// Without dates: the same course makes the same file.
	const document = await PDFDocument.create({ updateMetadata: false });
	document.setTitle(course.name);
	const font = await document.embedFont(StandardFonts.Helvetica);
	const bold = await document.embedFont(StandardFonts.HelveticaBold);
	const writer = new Writer(document, course, wish, say, font, bold);
	writer.overview();
	writer.list();
	writer.material();
	if (wish.isTrueSize) writer.sheets();
	return document.save();
}

const rgb = (colour: string): [number, number, number] => [
	parseInt(colour.slice(1, 3), 16) / 255,
	parseInt(colour.slice(3, 5), 16) / 255,
	parseInt(colour.slice(5, 7), 16) / 255
];

/** Colour and width of each kind on paper; metres, 0 for a hairline. */
const inks: Readonly<Record<PartName, { colour: string; dash?: number }>> = {
	surfaces: { colour: '#a59a80', dash: 4 },
	patches: { colour: '#3a72c4' },
	tapes: { colour: '#1b1b22' },
	rails: { colour: '#6b4a2b' },
	pads: { colour: '#5a6270' },
	finish: { colour: '#0f7a6e' },
	lampPosts: { colour: '#b87a00', dash: 3 },
	gates: { colour: '#7a5aa0' },
	walls: { colour: '#16233b' },
	crates: { colour: '#8a6a3a' },
	starts: { colour: '#5a6270' },
	table: { colour: '#c0432f', dash: 6 }
};

/** Of walls in true size. */
const paleWall = '#b9bec9';

interface View {
	/** Points of a metre. */
	readonly scale: number;
	/** Where the course's south-west corner is on the page, points. */
	readonly x: number;
	readonly y: number;
}

class Writer {
	private readonly size: readonly [number, number];
	private readonly lines: readonly PlanLine[];
	private page!: PDFPage;
	/** Points from the bottom at which the next row stands. */
	private y = 0;

	constructor(
		private readonly document: PDFDocument,
		private readonly course: Course,
		private readonly wish: PrintWish,
		private readonly say: Say,
		private readonly font: PDFFont,
		private readonly bold: PDFFont
	) {
		const [short, long] = papers[wish.paper];
		const isWide = course.size.width > course.size.height;
		this.size = isWide ? [long, short] : [short, long];
		this.lines = planLines(course);
	}

	private newPage([width, height] = this.size): void {
		this.page = this.document.addPage([width * pt, height * pt]);
		this.y = (height - margin) * pt - 16;
	}

	/** What the font cannot write is left as a mark; nothing of it is lost from the course. */
	private text(text: string, x: number, y: number, size = textSize, font = this.font): void {
		const written = [...text].map((sign) => (canWrite(font, sign) ? sign : '?')).join('');
		this.page.drawText(written, { x, y, size, font });
	}

	private heading(text: string): void {
		this.text(text, margin * pt, this.y, 15, this.bold);
		this.y -= 22;
	}

	// --- the drawing to scale ---

	overview(): void {
		this.newPage();
		const { course, size, say } = this;
		this.heading(course.name);
		const room = { width: size[0] - 2 * margin, height: this.y / pt - margin - 12 };
		// The sheets reach a little further than the floor.
		const { columns, rows, inside } = sheetsOf(course, this.wish.paper);
		const across = this.wish.isTrueSize ? columns * inside.width : course.size.width * 1000;
		const up = this.wish.isTrueSize ? rows * inside.height : course.size.height * 1000;
		const scale =
			scales.find((each) => across / each <= room.width && up / each <= room.height) ?? 500;
		const view = {
			scale: (1000 / scale) * pt,
			x: margin * pt,
			y: (margin + 12) * pt
		};
		const facts = { scale, width: course.size.width * 100, height: course.size.height * 100 };
		this.text(say('print.scale', facts), margin * pt, this.y);
		this.frame(view);
		this.drawParts(view);
		for (const line of this.lines) this.numberOf(line, view);
		if (this.wish.isTrueSize) this.grid(view);
		this.text(say('print.origin'), margin * pt, margin * pt);
	}

	private frame(view: View): void {
		const { width, height } = this.course.size;
		const corners: Point[] = [
			[0, 0],
			[width, 0],
			[width, height],
			[0, height]
		];
		this.path([...corners, corners[0]!], view, '#9a9484', 0.5);
	}

	private path(
		line: readonly Point[],
		{ scale, x, y }: View,
		colour: string,
		width: number,
		dash = 0,
		isSquare = false
	): void {
		const at = ([px, py]: Point): [number, number] => [x + px * scale, y + py * scale];
		const [first, ...more] = line;
		this.page.pushOperators(
			pushGraphicsState(),
			setStrokingRgbColor(...rgb(colour)),
			setLineWidth(width),
			...(dash > 0 ? [setDashPattern([dash, dash], 0)] : []),
			...(isSquare ? [setLineCap(2)] : []),
			moveTo(...at(first!)),
			...more.map((point): PDFOperator => lineTo(...at(point))),
			stroke(),
			popGraphicsState()
		);
	}

	private drawParts(view: View): void {
		for (const placed of placedParts(this.course)) this.drawPart(placed, view);
	}

	/** Which way a start mark points. */
	private arrow({ at, bearing }: Part<'starts'>, view: View): void {
		const heading = headingOfBearing(bearing);
		const [cos, sin] = [exact.cos(heading), exact.sin(heading)];
		const to = (ahead: number, left: number): Point => [
			at[0] + ahead * cos - left * sin,
			at[1] + ahead * sin + left * cos
		];
		this.path([to(-0.07, 0), to(0.08, 0)], view, inks.starts.colour, 0.8);
		this.path([to(0.04, 0.03), to(0.08, 0), to(0.04, -0.03)], view, inks.starts.colour, 0.8);
	}

	private drawPart({ ref, value }: Placed, view: View, isTrue = false): void {
		const extent = kindOf(ref.part).extent(value);
		const { colour, dash = 0 } = inks[ref.part];
		const own = 'colour' in value ? floorColours[value.colour] : colour;
		const isLine = !extent.isFilled && ref.part !== 'table' && ref.part !== 'gates';
		const width = isLine ? Math.max(0.4, 2 * extent.half * view.scale) : 0.8;
		const line =
			extent.line.length === 1 ? circleAround(extent.line[0]!, extent.half) : extent.line;
		const isWall = ref.part === 'walls';
		// In true size a wall would take much ink: its place is all that is needed.
		this.path(line, view, isWall && isTrue ? paleWall : own, width, dash, isWall);
		if (ref.part === 'starts') this.arrow(value as Part<'starts'>, view);
	}

	private numberOf({ number, from, to }: PlanLine, { scale, x, y }: View): void {
		const [mx, my] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
		const text = String(number);
		const width = this.bold.widthOfTextAtSize(text, 7);
		const at = { x: x + mx * scale - width / 2 - 1.5, y: y + my * scale - 4 };
		this.page.drawRectangle({ ...at, width: width + 3, height: 8, color: paint(1, 1, 1) });
		this.text(text, at.x + 1.5, at.y + 1.5, 7, this.bold);
	}

	/** Where the sheets lie, over the drawing. */
	private grid(view: View): void {
		const { columns, rows, inside } = sheetsOf(this.course, this.wish.paper);
		for (let column = 0; column < columns; column++)
			for (let row = 0; row < rows; row++) {
				const box = boxOfSheet(column, row, inside);
				this.path(outline(box), view, '#c0432f', 0.4, 2);
				const [x, y] = [view.x + box.west * view.scale, view.y + box.south * view.scale];
				this.text(sheetName(column, row), x + 2, y + 2, 7);
			}
	}

	// --- every line in words ---

	list(): void {
		const { say } = this;
		const columns = [0, 24, 130, 190, 250, 345].map((x) => margin * pt + x);
		const head = ['number', 'what', 'length', 'angle', 'from', 'to'].map((key) =>
			say(`print.head.${key}`)
		);
		const row = (cells: readonly string[], font = this.font) => {
			if (this.y < (margin + 6) * pt) {
				this.newPage();
				row(head, this.bold);
			}
			cells.forEach((cell, i) => this.text(cell, columns[i]!, this.y, textSize, font));
			this.y -= rowHeight;
		};
		this.newPage();
		this.heading(say('print.lines'));
		row(head, this.bold);
		for (const line of this.lines) row(this.cellsOf(line));
	}

	private cellsOf({ number, part, colour, length, bearing, turn, from, to }: PlanLine): string[] {
		const { say } = this;
		const what = colour
			? `${say(`print.part.${part}`)}, ${say(`print.colour.${colour}`)}`
			: say(`print.part.${part}`);
		const angle =
			turn === undefined
				? say('print.bearing', { degrees: tenth(bearing) })
				: say(turn < 0 ? 'print.left' : 'print.right', { degrees: tenth(Math.abs(turn)) });
		return [
			String(number),
			what,
			`${millimetres(length)} mm`,
			angle,
			placeText(from),
			placeText(to)
		];
	}

	// --- what it takes ---

	material(): void {
		const { say } = this;
		const { tapes, walls, rails, ...counts } = materialOf(this.course);
		const rows = [
			...tapes.map(({ colour, width, length }) =>
				say('print.tape', {
					colour: say(`print.colour.${colour}`),
					width: width * 1000,
					length: hundredth(length)
				})
			),
			...walls.map(({ count, length, thickness, height }) =>
				say('print.walls', {
					count,
					length: hundredth(length),
					thickness: thickness * 1000,
					height: height * 1000
				})
			),
			...(rails > 0 ? [say('print.rails', { length: hundredth(rails) })] : []),
			...Object.entries(counts)
				.filter(([, count]) => count > 0)
				.map(([name, count]) => say(`print.count.${name}`, { count }))
		];
		this.y -= rowHeight;
		if (this.y < (margin + 30) * pt + rows.length * rowHeight) this.newPage();
		this.heading(say('print.material'));
		for (const text of rows) {
			this.text(text, margin * pt, this.y);
			this.y -= rowHeight;
		}
	}

	// --- in true size ---

	sheets(): void {
		const { columns, rows, width, height, inside } = sheetsOf(this.course, this.wish.paper);
		for (let row = 0; row < rows; row++)
			for (let column = 0; column < columns; column++) {
				this.newPage([width, height]);
				this.sheet(boxOfSheet(column, row, inside), sheetName(column, row), inside);
			}
	}

	private sheet(box: Box, name: string, inside: Inside): void {
		const { page } = this;
		const scale = 1000 * pt;
		const view = { scale, x: margin * pt - box.west * scale, y: margin * pt - box.south * scale };
		page.pushOperators(
			pushGraphicsState(),
			rectangle(margin * pt, margin * pt, inside.width * pt, inside.height * pt),
			clip(),
			endPath()
		);
		for (const placed of placedParts(this.course)) {
			const own = boxOf(kindOf(placed.ref.part).extent(placed.value));
			const isHere =
				own.west <= box.east &&
				own.east >= box.west &&
				own.south <= box.north &&
				own.north >= box.south;
			if (isHere) this.drawPart(placed, view, true);
		}
		this.frame(view);
		page.pushOperators(popGraphicsState());
		this.cropMarks(inside);
		this.text(name, margin * pt + 6, margin * pt + 6, 14, this.bold);
		const plain = { scale: pt, x: 0, y: 0 };
		const [x, y] = [margin + 30, margin / 2];
		this.path(
			[
				[x, y],
				[x + checkLine, y]
			],
			plain,
			'#000000',
			0.6
		);
		this.text(
			this.say('print.check', { length: checkLine }),
			(x + checkLine + 3) * pt,
			y * pt - 3,
			7
		);
	}

	/** Where the sheet is cut, so that it meets the next. */
	private cropMarks({ width, height }: Inside): void {
		const plain = { scale: pt, x: 0, y: 0 };
		const long = 6;
		for (const x of [margin, margin + width])
			for (const y of [margin, margin + height]) {
				const outX = x === margin ? -long : long;
				const outY = y === margin ? -long : long;
				this.path(
					[
						[x, y],
						[x + outX, y]
					],
					plain,
					'#000000',
					0.3
				);
				this.path(
					[
						[x, y],
						[x, y + outY]
					],
					plain,
					'#000000',
					0.3
				);
			}
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

const circleAround = ([x, y]: Point, radius: number): Point[] =>
	Array.from({ length: 73 }, (_, i): Point => {
		const angle = (i * Math.PI) / 36;
		return [x + radius * exact.cos(angle), y + radius * exact.sin(angle)];
	});

const outline = ({ west, south, east, north }: Box): Point[] => [
	[west, south],
	[east, south],
	[east, north],
	[west, north],
	[west, south]
];

const tenth = (degrees: number): string => degrees.toFixed(1);
const hundredth = (metres: number): string => metres.toFixed(2);
const millimetres = (metres: number): string => (metres * 1000).toFixed(1);
const placeText = ([x, y]: Point): string => `${millimetres(x)}, ${millimetres(y)}`;
