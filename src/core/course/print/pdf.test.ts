import { readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import {
	decodePDFRawStream,
	PDFArray,
	PDFDocument,
	PDFRawStream,
	type PDFPage
} from '@cantoo/pdf-lib';
import { describe, expect, it, vi } from 'vitest';
import { randomCourse } from '../../testing/random-course';
import { courseOf, points, wall } from '../../testing/sample';
import type { Course } from '../course';
import { bearingTo, lengthTo, type Point } from '../measure';
import { materialOf, planLines } from './lines';
import { pagesOf } from './pages';
import { tapePlan, type PrintWish, type Say } from './pdf';
import { boxOfSheet, papers, sheetName, sheetsOf } from './sheets';

const pt = 72 / 25.4;
/** Messages by their keys: what stands on a page can be found again. */
const say: Say = (key, values = {}) =>
	[key.replace('print.', ''), ...Object.values(values)].join(' ');

interface Read {
	/** Millimetres. */
	readonly width: number;
	readonly height: number;
	/** From the bottom of the page to the top, from left to right; millimetres. */
	readonly texts: readonly { readonly text: string; readonly x: number; readonly y: number }[];
	readonly paths: readonly (readonly Point[])[];
}

const codeOf = (stream: PDFRawStream): string =>
	new TextDecoder('latin1').decode(decodePDFRawStream(stream).decode());

/** What a page draws and writes, out of the file again. */
function read(page: PDFPage): Read {
	const contents = page.node.Contents();
	const streams =
		contents instanceof PDFArray
			? contents.asArray().map((ref) => page.doc.context.lookup(ref))
			: [contents];
	const code = streams.map((stream) => codeOf(stream as PDFRawStream)).join('\n');
	const texts: { text: string; x: number; y: number }[] = [];
	const paths: Point[][] = [];
	let at: [number, number] = [0, 0];
	for (const line of code.split('\n')) {
		const words = line.trim().split(/\s+/);
		const name = words.pop();
		const n = words.map(Number);
		if (name === 'Tm') at = [n[4]! / pt, n[5]! / pt];
		else if (name === 'Tj') {
			const hex = words[0]!.slice(1, -1);
			const text = Buffer.from(hex, 'hex').toString('latin1');
			texts.push({ text, x: at[0], y: at[1] });
		} else if (name === 'm') paths.push([[n[0]! / pt, n[1]! / pt]]);
		else if (name === 'l') paths.at(-1)!.push([n[0]! / pt, n[1]! / pt]);
	}
	const { width, height } = page.getSize();
	return { width: width / pt, height: height / pt, texts, paths };
}

async function printed(course: Course, wish: Partial<PrintWish> = {}): Promise<Read[]> {
	const bytes = await tapePlan(course, { paper: 'a4', ...wish }, say);
	const document = await PDFDocument.load(bytes);
	return document.getPages().map(read);
}

const tape = (points: [number, number][], more: Partial<Course['tapes'][number]> = {}) => ({
	...{ id: 'tape-1', points, isClosed: false, radius: 0, width: 0.02, colour: 'red' as const },
	...more
});
const course = courseOf({
	size: { width: 2, height: 1.5 },
	walls: [wall([1, 0.2], [1, 0.8]), wall([1, 0.8], [1.3, 0.8])],
	tapes: [tape(points('0.2,0.2 0.2,0.8 0.6,0.8 1,1.2'))]
});

/** The rows of the list: number, what, length, angle, from, to. */
function rowsOf(pages: readonly Read[]): string[][] {
	const rows: Record<string, { text: string; x: number }[]> = {};
	pages.forEach(({ texts }, page) =>
		texts.forEach(({ text, x, y }) => (rows[`${page} ${y.toFixed(2)}`] ??= []).push({ text, x }))
	);
	return Object.values(rows)
		.map((row) => row.toSorted((a, b) => a.x - b.x).map(({ text }) => text))
		.filter((row) => row.length === 6 && /^\d+$/.test(row[0]!));
}

describe('the lines of a course', () => {
	it('have lengths and angles as they are laid', () => {
		const lines = planLines(course);
		expect(lines.map(({ part, length }) => [part, Number(length.toFixed(4))])).toEqual([
			['tapes', 0.6],
			['tapes', 0.4],
			['tapes', 0.5657],
			['walls', 0.6],
			['walls', 0.3]
		]);
		expect(lines.map(({ turn }) => turn && Math.round(turn))).toEqual([
			undefined,
			90,
			-45,
			undefined,
			90
		]);
	});

	it('take so much material, rounded corners as they are', () => {
		const corner = points('0.2,0.2 0.2,0.8 0.8,0.8');
		const round = courseOf({ tapes: [tape(corner), tape(corner, { id: 'b', radius: 0.2 })] });
		const [{ length, colour }] = materialOf(round).tapes as unknown as [
			{ length: number; colour: string }
		];
		expect(colour).toBe('red');
		expect(length).toBeCloseTo(1.2 + 1.2 - 0.4 + (Math.PI / 2) * 0.2, 3);
		expect(materialOf(course).walls).toMatchObject([{ count: 2, thickness: 0.02 }]);
	});
});

describe('the tape plan', () => {
	it('states each line as the document has it, of random courses', async () => {
		for (let seed = 1; seed <= 12; seed++) {
			const any = randomCourse([seed, seed * 77, seed * 1009, 5, seed * 31, 8]);
			const rows = rowsOf(await printed(any, { paper: seed % 2 ? 'a4' : 'letter' }));
			const lines = planLines(any);
			expect(rows).toHaveLength(lines.length);
			lines.forEach(({ from, to, turn }, i) => {
				const [, , length, angle, start, end] = rows[i]!;
				expect(Math.abs(parseFloat(length!) - lengthTo(from, to) * 1000)).toBeLessThan(0.1);
				const [word, degrees] = angle!.replace(',', '').split(' ');
				const meant = turn === undefined ? bearingTo(from, to) : Math.abs(turn);
				expect(word).toBe(turn === undefined ? 'bearing' : turn < 0 ? 'left' : 'right');
				expect(Math.abs(Number(degrees) - meant)).toBeLessThan(0.1);
				for (const [text, point] of [
					[start, from],
					[end, to]
				] as const) {
					const [x, y] = text!.split(', ').map(Number);
					expect(Math.abs(x! - point[0] * 1000)).toBeLessThan(0.1);
					expect(Math.abs(y! - point[1] * 1000)).toBeLessThan(0.1);
				}
			});
		}
	});

	it('draws to the scale that it says', async () => {
		const [page] = await printed(course);
		const said = page!.texts.find(({ text }) => text.startsWith('scale '))!;
		const scale = Number(said.text.split(' ')[1]);
		expect(scale).toBe(10);
		const drawn = page!.paths.find((path) => path.length === 4)!;
		drawn.slice(1).forEach((to, i) => {
			const meant = planLines(course)[i]!.length * 1000;
			expect(lengthTo(drawn[i]!, to) * scale).toBeCloseTo(meant, 1);
		});
	});

	it('is in true size on its sheets: a line of 600 mm is 600 mm, and joins from sheet to sheet', async () => {
		for (const paper of ['a4', 'letter'] as const) {
			const pages = await printed(course, { paper, sheetScale: 1 });
			const { columns, rows, inside, width, height } = sheetsOf(course, paper);
			const sheets = pages.slice(-columns * rows);
			expect([...papers[paper]].sort()).toEqual([width, height].sort());
			sheets.forEach((sheet, index) => {
				expect(sheet.width).toBeCloseTo(width, 2);
				const [column, row] = [index % columns, Math.floor(index / columns)];
				expect(sheet.texts.map(({ text }) => text)).toContain(sheetName(column, row));
				const [west, south] = [10 - column * inside.width, 10 - row * inside.height];
				const whole = sheet.paths.find(
					(path) => path.length === 4 && lengthTo(path[0]!, path[1]!) > 500
				);
				// Drawn wherever it passes, cut off at the edge.
				const isNear = column === 0 && row === 0;
				expect(whole !== undefined || !isNear).toBe(true);
				whole?.forEach(([x, y], i) => {
					const [px, py] = course.tapes[0]!.points[i]!;
					expect(x - west).toBeCloseTo(px * 1000, 1);
					expect(y - south).toBeCloseTo(py * 1000, 1);
				});
				if (whole) expect(lengthTo(whole[0]!, whole[1]!)).toBeCloseTo(600, 1);
				// The line by which a print is checked.
				expect(
					sheet.paths.some((path) => Math.abs(lengthTo(path[0]!, path.at(-1)!) - 100) < 0.05)
				).toBe(true);
			});
		}
	});

	it('is smaller by a chosen scale: 600 mm are 120 mm at 1 : 5, cut as the sheets of that scale are', async () => {
		const pages = await printed(course, { sheetScale: 5 });
		const { count, inside } = sheetsOf(course, 'a4', 5);
		expect(count).toBe(4);
		const [first] = pages.slice(-count);
		const [, ...points] = first!.paths.find((path) => path.length === 4)!;
		const [start, end] = course.tapes[0]!.points.slice(1);
		expect(lengthTo(points[0]!, points[1]!)).toBeCloseTo((lengthTo(start!, end!) * 1000) / 5, 1);
		expect(first!.texts.map(({ text }) => text)).toContain('sheet A1 5');
		const shown = boxOfSheet(sheetsOf(course, 'a4', 5), 0, 0);
		expect(shown.east).toBeCloseTo((inside.width * 5) / 1000, 6);
	});

	it('tells before how many pages it takes, and meanwhile which part is written', async () => {
		const points = Array.from({ length: 200 }, (_, i): [number, number] => [i / 100, (i % 7) / 9]);
		const many = courseOf({
			tapes: Array.from({ length: 5 }, (_, i) => ({ ...tape(points), id: `many-${i}` }))
		});
		for (const sheetScale of [undefined, 2]) {
			const shares: number[] = [];
			const wish = { paper: 'a4' as const, sheetScale };
			const bytes = await tapePlan(many, wish, say, { onProgress: (share) => shares.push(share) });
			const length = (await PDFDocument.load(bytes)).getPageCount();
			expect(Math.abs(length - pagesOf(many, wish))).toBeLessThanOrEqual(2);
			expect(shares).toEqual(shares.toSorted((a, b) => a - b));
			expect(shares.length).toBe(length);
		}
	});

	it('says where everything else stands, how it is turned, and how large it is', async () => {
		const spots = courseOf({
			starts: [{ at: [0.4, 0.3], bearing: 90 }],
			finish: { at: [1.6, 1.1], radius: 0.13 },
			lampPosts: [{ id: 'post', at: [1, 1.2], reach: 0.15 }],
			crates: [{ id: 'c', at: [1.2, 0.5], bearing: 15, width: 0.12, depth: 0.2, mass: 0.2 }],
			rails: [
				{
					...{ id: 'r', at: [0.2, 0.2], bearing: 0, isClosed: false, marks: [] },
					pieces: [{ length: 0.5 }, { radius: 0.4, angle: -90 }]
				}
			]
		});
		const texts = (await printed(spots)).slice(1).flatMap(({ texts }) => texts);
		const rowOf = (sign: string) => {
			const { y } = texts.find(({ text }) => text === sign)!;
			const row = texts.filter((each) => Math.abs(each.y - y) < 0.01);
			return row.toSorted((a, b) => a.x - b.x).map(({ text }) => text);
		};
		expect(rowOf('sign.starts1')).toEqual([
			...['sign.starts1', 'spot.starts', '400.0, 300.0', 'bearing 90.0']
		]);
		expect(rowOf('sign.finish1').slice(2)).toEqual(['1600.0, 1100.0', 'radius 130.0 mm']);
		expect(rowOf('sign.lampPosts1').slice(2)).toEqual(['1000.0, 1200.0', 'radius 150.0 mm']);
		expect(rowOf('sign.crates1').slice(2)).toEqual([
			...['1200.0, 500.0', 'bearing 15.0', 'size.crate 120.0 mm 200.0 mm']
		]);
		expect(rowOf('sign.rails1').slice(2)).toEqual([
			...['200.0, 200.0', 'bearing 0.0', 'straight 500.0 mm']
		]);
		expect(texts.map(({ text }) => text)).toContain('curveLeft 90.0 400.0 mm');
	});

	it('leaves the signs of what stands at one place apart', async () => {
		const at: [number, number] = [1, 0.7];
		const pads = [{ id: 'pad', at, radius: 0.2 }];
		const [page] = await printed(courseOf({ starts: [{ at, bearing: 0 }], pads }));
		const heights = ['sign.starts1', 'sign.pads1'].map(
			(sign) => page!.texts.find(({ text }) => text === sign)!.y
		);
		expect(heights[0]! - heights[1]!).toBeGreaterThan(2.5);
	});

	it('says how widely a corner is rounded', async () => {
		const corner = points('0.2,0.2 0.2,0.8 0.8,0.8');
		const rows = rowsOf(await printed(courseOf({ tapes: [tape(corner, { radius: 0.2 })] })));
		expect(rows.map(([, , , angle]) => angle)).toEqual([
			...['bearing 0.0', 'right 90.0, round 200.0 mm']
		]);
	});

	it('is in inches and feet for who reads them, and its line to check by is 4 inches long', async () => {
		const feet = courseOf({
			size: { width: 3.048, height: 1.524 },
			tapes: [tape(points('0.254,0.254 0.254,1.27'))]
		});
		const pages = await printed(feet, { lengths: 'inch', paper: 'letter', sheetScale: 1 });
		const [first, ...others] = pages;
		expect(first!.texts.map(({ text }) => text)).toContain('scale 15 10.00 ft 5.00 ft');
		expect(rowsOf(pages)[0]!.slice(2)).toEqual([
			...['40.00 in', 'bearing 0.0', '10.00, 10.00', '10.00, 50.00']
		]);
		expect(others.flatMap(({ texts }) => texts.map(({ text }) => text))).toEqual(
			expect.arrayContaining(['head.place in', 'tape colour.red 0.79 in 3.33 ft', 'check 4.00 in'])
		);
		const lines = others.at(-1)!.paths.filter((path) => path.length === 2);
		expect(lines.some(([a, b]) => Math.abs(lengthTo(a!, b!) - 101.6) < 0.05)).toBe(true);
	});

	it('is the same file again, and takes names that its letters cannot write', async () => {
		const wish = { paper: 'a4', sheetScale: 1 } as const;
		expect(await tapePlan(course, wish, say)).toEqual(await tapePlan(course, wish, say));
		const [page] = await printed({ ...course, name: 'Quay 東 ✓' });
		expect(page!.texts.map(({ text }) => text)).toContain('Quay ? ?');
	});

	it('names its sheets as a map does', () => {
		expect([sheetName(0, 0), sheetName(2, 4), sheetName(26, 0)]).toEqual(['A1', 'C5', 'AA1']);
	});
});

/** What the fonts of a file can say, by the tables with which a reader copies text. */
async function lettersOf(bytes: Uint8Array): Promise<string> {
	const document = await PDFDocument.load(bytes);
	const letters: string[] = [];
	for (const [, object] of document.context.enumerateIndirectObjects()) {
		if (!(object instanceof PDFRawStream)) continue;
		for (const [, hex] of codeOf(object).matchAll(/^<[0-9a-f]+> <([0-9a-f]+)>$/gim))
			letters.push(String.fromCodePoint(parseInt(hex!, 16)));
	}
	return letters.join('');
}

describe('a name that the usual fonts cannot write', () => {
	const file = fileURLToPath(import.meta.resolve('dejavu-fonts-ttf/ttf/DejaVuSans.ttf'));
	const fonts = vi.fn(async () => [await readFile(file)]);
	const print = (name: string) => tapePlan(courseOf({ name }), { paper: 'a4' }, say, { fonts });

	it('brings no font along where it is not needed', async () => {
		await print('Quay, café, Žižka');
		expect(fonts).not.toHaveBeenCalled();
	});

	it('is written in a font that has it, of which only its letters are in the file', async () => {
		const bytes = await print('Žlutý člun, Łódź, Ναυς, Лодка');
		const letters = await lettersOf(bytes);
		for (const letter of 'ŽčŁźΝЛ') expect(letters).toContain(letter);
		expect(bytes.length).toBeLessThan(60_000);
		expect(await print('Žlutý člun, Łódź, Ναυς, Лодка')).toEqual(bytes);
	});
});
