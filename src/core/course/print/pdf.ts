/**
 * The tape plan as a PDF: the drawing to scale, every line with its length and its angle, what stands
 * where, the material; and, if wanted, the course over as many sheets as it takes, in true size too.
 */
import * as fontkit from 'fontkit';
import { PDFDocument, StandardFonts, type PDFFont } from '@cantoo/pdf-lib';
import type { Course } from '../course';
import type { Bounds } from '../extent';
import { drawCourse, cornersOfBounds } from './drawing';
import { materialOf, planLines, planSpots, type PlanLine, type PlanSpot } from './lines';
import { pagesOf } from './pages';
import { canWrite, ofPage, Pen, type PageView } from './pen';
import { rulers, type Ruler } from './ruler';
import { eachSheet, margin, papers, pt, sheetsOf, type Paper, type Sheets } from './sheets';
import type { Point } from '../measure';

export interface PrintWish {
	readonly paper: Paper;
	/** The course over several sheets, made smaller by this; 1 is its true size. */
	readonly sheetScale?: number | undefined;
	/** What lengths are read in; millimetres, if not given. */
	readonly lengths?: keyof typeof rulers;
}

/** Says a message of the caller's language. */
export type Say = (key: string, values?: Readonly<Record<string, string | number>>) => string;

/** The drawing on the first page is made smaller by one of these. */
const scales = [1, 2, 5, 10, 15, 20, 25, 30, 40, 50, 75, 100, 150, 200];

/** What all pages are written with. */
interface Writing {
	readonly pen: Pen;
	readonly say: Say;
	readonly ruler: Ruler;
}

/** What whoever prints has besides the course. */
export interface PrintHelp {
	/** Told, now and then, which part of all pages is written. */
	onProgress?(share: number): void;
	/** TrueType files for names that the usual fonts of PDF cannot write. */
	fonts?(): Promise<readonly Uint8Array[]>;
}

/** @returns the bytes of the PDF */
export async function tapePlan(
	course: Course,
	wish: PrintWish,
	say: Say,
	{ onProgress, fonts }: PrintHelp = {}
): Promise<Uint8Array> {
	// Without dates: the same course makes the same file.
	const document = await PDFDocument.create({ updateMetadata: false });
	document.setTitle(course.name);
	const font = await document.embedFont(StandardFonts.Helvetica);
	const bold = await document.embedFont(StandardFonts.HelveticaBold);
	const [short, long] = papers[wish.paper];
	const isWide = course.size.width > course.size.height;
	const expected = pagesOf(course, wish);
	const isUsual = [...course.name].every((sign) => canWrite(bold, sign));
	const others = isUsual ? [] : await embedded(document, (await fonts?.()) ?? []);
	const size = isWide ? ([long, short] as const) : ([short, long] as const);
	const pen = new Pen(document, font, bold, size, others, (count) =>
		onProgress?.(Math.min(1, count / expected))
	);
	const sheets = wish.sheetScale ? sheetsOf(course, wish.paper, wish.sheetScale) : undefined;
	const lines = planLines(course);
	const spots = planSpots(course);
	const writing = { pen, say, ruler: rulers[wish.lengths ?? 'cm'] };
	writeOverview(writing, course, lines, spots, sheets);
	writeLines(writing, lines);
	writeSpots(writing, spots);
	writeMaterial(writing, course);
	if (sheets) writeSheets(writing, course, sheets);
	return document.save();
}

/** Only what is written of them goes into the file. */
function embedded(document: PDFDocument, files: readonly Uint8Array[]): Promise<PDFFont[]> {
	document.registerFontkit(fontkit);
	return Promise.all(files.map((file) => document.embedFont(file, { subset: true })));
}

// --- the drawing to scale ---

function writeOverview(
	{ pen, say, ruler }: Writing,
	course: Course,
	lines: readonly PlanLine[],
	spots: readonly PlanSpot[],
	sheets: Sheets | undefined
): void {
	pen.newPage();
	pen.heading(course.name);
	const room = { width: pen.size[0] - 2 * margin, height: pen.y / pt - margin - 12 };
	// The sheets reach a little further than the floor.
	const across = sheets
		? sheets.columns * sheets.inside.width * sheets.scale
		: course.size.width * 1000;
	const up = sheets ? sheets.rows * sheets.inside.height * sheets.scale : course.size.height * 1000;
	const scale =
		scales.find((each) => across / each <= room.width && up / each <= room.height) ?? 500;
	const view = { scale: (1000 / scale) * pt, x: margin * pt, y: (margin + 12) * pt };
	const width = ruler.long(course.size.width);
	const height = ruler.long(course.size.height);
	pen.text(say('print.scale', { scale, width, height }), margin * pt, pen.y);
	drawCourse(pen, course, view);
	const label = (text: string, [x, y]: Point) =>
		pen.label(text, view.x + x * view.scale, view.y + y * view.scale);
	const labelled = [
		...lines.map(({ number, from, to }) =>
			label(String(number), [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2])
		),
		...spots.map((spot) => label(signOf(say, spot), spot.at))
	];
	const left = labelled.filter((isThere) => !isThere).length;
	if (left > 0) pen.text(say('print.unlabelled', { count: left }), margin * pt, (margin + 5) * pt);
	if (sheets) drawGrid(pen, view, sheets);
	pen.text(say('print.origin', { unit: ruler.unit }), margin * pt, margin * pt);
}

/** Where the sheets lie, over the drawing. */
function drawGrid(pen: Pen, view: PageView, sheets: Sheets): void {
	for (const { name, box } of eachSheet(sheets)) {
		pen.path(cornersOfBounds(box), view, { colour: '#c0432f', width: 0.4, dash: 2 });
		const [x, y] = [view.x + box.west * view.scale, view.y + box.south * view.scale];
		pen.text(name, x + 2, y + 2, 7);
	}
}

// --- in words ---

function writeLines(writing: Writing, lines: readonly PlanLine[]): void {
	const { pen, say } = writing;
	const head = headOf(writing, 'number', 'what', 'length', 'angle', 'from', 'to');
	pen.newPage();
	pen.heading(say('print.lines'));
	pen.table(
		[0, 24, 120, 180, 320, 415],
		head,
		lines.map((line) => cellsOf(writing, line))
	);
}

const headOf = ({ say, ruler: { unit } }: Writing, ...keys: readonly string[]): string[] =>
	keys.map((key) => say(`print.head.${key}`, { unit }));

function cellsOf({ say, ruler }: Writing, line: PlanLine): string[] {
	const { number, part, colour, length, bearing, turn, round, from, to } = line;
	const what = colour
		? `${say(`print.part.${part}`)}, ${say(`print.colour.${colour}`)}`
		: say(`print.part.${part}`);
	const angle =
		turn === undefined
			? say('print.bearing', { degrees: tenth(bearing) })
			: say(turn < 0 ? 'print.left' : 'print.right', { degrees: tenth(Math.abs(turn)) });
	const corner = round ? `, ${say('print.round', { radius: ruler.short(round) })}` : '';
	return [
		...[String(number), what, ruler.short(length), angle + corner],
		...[placeText(ruler, from), placeText(ruler, to)]
	];
}

/** How it is called on the drawing, such as L2. */
const signOf = (say: Say, { part, number }: PlanSpot): string =>
	`${say(`print.sign.${part}`)}${number}`;

function writeSpots(writing: Writing, spots: readonly PlanSpot[]): void {
	if (spots.length === 0) return;
	const { pen, say, ruler } = writing;
	const rows = spots.flatMap((spot) => {
		const { part, at, bearing } = spot;
		const [size, ...more] = sizesOf(writing, spot);
		const turned = bearing === undefined ? '' : say('print.bearing', { degrees: tenth(bearing) });
		return [
			[signOf(say, spot), say(`print.spot.${part}`), placeText(ruler, at), turned, size ?? ''],
			...more.map((text) => ['', '', '', '', text])
		];
	});
	const head = headOf(writing, 'sign', 'what', 'place', 'angle', 'size');
	pen.makeRoom(3);
	pen.heading(say('print.spots'));
	pen.table([0, 24, 120, 220, 320], head, rows);
}

/** How large something is; of a rail, piece after piece. */
function sizesOf({ say, ruler: { short } }: Writing, { value }: PlanSpot): string[] {
	if ('pieces' in value)
		return value.pieces.map((piece) =>
			'length' in piece
				? say('print.straight', { length: short(piece.length) })
				: say(piece.angle < 0 ? 'print.curveLeft' : 'print.curveRight', {
						degrees: tenth(Math.abs(piece.angle)),
						radius: short(piece.radius)
					})
		);
	if ('radius' in value) return [say('print.radius', { radius: short(value.radius) })];
	if ('reach' in value) return [say('print.radius', { radius: short(value.reach) })];
	if ('shape' in value) {
		const { width, height } = value;
		const sizes = { width: short(width), height: short(height) };
		return [say(`print.size.${value.shape}`, sizes)];
	}
	if ('depth' in value) {
		const { width, depth } = value;
		return [say('print.size.crate', { width: short(width), depth: short(depth) })];
	}
	return [];
}

function writeMaterial({ pen, say, ruler }: Writing, course: Course): void {
	const { tapes, walls, rails, counts } = materialOf(course);
	const rows = [
		...tapes.map(({ colour, width, length }) =>
			say('print.tape', {
				colour: say(`print.colour.${colour}`),
				width: ruler.short(width),
				length: ruler.long(length)
			})
		),
		...walls.map(({ count, length, thickness, height }) =>
			say('print.walls', {
				count,
				length: ruler.long(length),
				thickness: ruler.short(thickness),
				height: ruler.short(height)
			})
		),
		...(rails > 0 ? [say('print.rails', { length: ruler.long(rails) })] : []),
		...counts
			.filter(({ count }) => count > 0)
			.map(({ part, count }) => say(`print.count.${part}`, { count }))
	];
	pen.makeRoom(rows.length);
	pen.heading(say('print.material'));
	for (const text of rows) pen.line(text);
}

// --- over several sheets ---

function writeSheets(writing: Writing, course: Course, sheets: Sheets): void {
	for (const { name, box } of eachSheet(sheets)) {
		writing.pen.newPage([sheets.width, sheets.height]);
		writeSheet(writing, course, sheets, name, box);
	}
}

function writeSheet(
	{ pen, say, ruler }: Writing,
	course: Course,
	{ inside, scale: smaller }: Sheets,
	name: string,
	box: Bounds
): void {
	const scale = (1000 / smaller) * pt;
	const view = { scale, x: margin * pt - box.west * scale, y: margin * pt - box.south * scale };
	pen.within(margin, margin, inside.width, inside.height, () => drawCourse(pen, course, view, box));
	for (const x of [margin, margin + inside.width])
		for (const y of [margin, margin + inside.height]) drawCropMark(pen, x, y);
	const named = smaller === 1 ? name : say('print.sheet', { name, scale: smaller });
	pen.text(named, margin * pt + 6, margin * pt + 6, 14, pen.bold);
	const [x, y] = [margin + 30, margin / 2];
	const long = ruler.check * 1000;
	const check: Point[] = [
		[x, y],
		[x + long, y]
	];
	pen.path(check, ofPage, { colour: '#000000', width: 0.6 });
	const text = say('print.check', { length: ruler.short(ruler.check) });
	pen.text(text, (x + long + 3) * pt, y * pt - 3, 7);
}

/** Where a sheet is cut, so that it meets the next. Millimetres. */
function drawCropMark(pen: Pen, x: number, y: number): void {
	const long = 6;
	const ink = { colour: '#000000', width: 0.3 };
	for (const end of [
		[x + (x === margin ? -long : long), y],
		[x, y + (y === margin ? -long : long)]
	] as const)
		pen.path([[x, y], end], ofPage, ink);
}

const tenth = (degrees: number): string => degrees.toFixed(1);
const placeText = ({ bare }: Ruler, [x, y]: Point): string => `${bare(x)}, ${bare(y)}`;
