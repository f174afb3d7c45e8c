import { zlibSync } from 'fflate';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { writeDocument } from '../document';
import { writeFilm, type Cloth } from './film';
import { gifOf } from './gif';
import { darkLamps, gridSize, readPicture, writePicture } from './picture';
import { pictureDocument } from './picture-document';
import { readPictureFile } from './picture-file';
import { pngOf } from './png';

const pictures = fc
	.array(fc.oneof(fc.constant(0), fc.nat(0xffffff)), { minLength: 64, maxLength: 64 })
	.map((lamps) => writePicture(lamps));
const films = fc.array(
	fc.record({ picture: pictures, beats: fc.integer({ min: 1, max: 64 }).map((n) => n / 4) }),
	{ minLength: 1, maxLength: 32 }
);
const beats = fc.integer({ min: 20, max: 600 }).map((tempo) => 60 / tempo);
const bytesOf = (text: string) => new TextEncoder().encode(text);
const fileOf = (cloths: readonly Cloth[]) =>
	bytesOf(writeDocument(pictureDocument('Beacon', writeFilm(cloths))));
const unchanged = (cloths: readonly Cloth[]) => ({ ok: true, value: { cloths, leftOut: 0 } });

describe('pictures in files', () => {
	it('are the same again: PNG, GIF with its beats, and our own', () => {
		fc.assert(
			fc.property(films, beats, (cloths, beat) => {
				expect(readPictureFile(gifOf(cloths, beat), beat)).toEqual(unchanged(cloths));
				expect(readPictureFile(fileOf(cloths), beat)).toEqual(unchanged(cloths));
				const [{ picture }] = cloths as [Cloth];
				const png = pngOf(readPicture(picture)!);
				expect(readPictureFile(png, beat)).toEqual(unchanged([{ picture, beats: 1 }]));
			}),
			{ numRuns: 500 }
		);
	});

	/** A PNG by the standard alone: rows as they lie in it. */
	function pngWith(
		[width, height]: readonly [number, number],
		[depth, type]: readonly [number, number],
		rows: readonly (readonly number[])[],
		palette: readonly number[] = []
	): Uint8Array {
		const chunk = (name: string, data: Uint8Array | readonly number[]) => {
			const body = [...bytesOf(name), ...data];
			const crc = crcOf(body);
			return [...big(data.length), ...body, ...big(crc)];
		};
		const data = zlibSync(Uint8Array.from(rows.flatMap((row) => [0, ...row])));
		return Uint8Array.from([
			...[0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a],
			...chunk('IHDR', [...big(width), ...big(height), depth, type, 0, 0, 0]),
			...(palette.length > 0 ? chunk('PLTE', palette) : []),
			...chunk('IDAT', data),
			...chunk('IEND', [])
		]);
	}
	const big = (n: number) => [(n >>> 24) & 255, (n >>> 16) & 255, (n >>> 8) & 255, n & 255];
	function crcOf(bytes: readonly number[]): number {
		let crc = 0xffffffff;
		for (const byte of bytes) {
			crc ^= byte;
			for (let bit = 0; bit < 8; bit++) crc = (crc >>> 1) ^ (crc & 1 ? 0xedb88320 : 0);
		}
		return ~crc >>> 0;
	}
	const lampsOf = (file: Uint8Array) => {
		const read = readPictureFile(file, 0.5);
		if (!read.ok) throw new Error(JSON.stringify(read));
		return { ...read.value, lamps: readPicture(read.value.cloths[0]!.picture)! };
	};

	it.each([
		['one bit', [1, 0], [0b10000001], 0xffffff],
		['four bits of a palette', [4, 3], [0x10, 0, 0, 0x01], 0x0a141e],
		['grey with its alpha', [8, 4], [200, 128, ...Array(12).fill(0), 200, 128], 0x646464],
		[
			'sixteen bits',
			[16, 2],
			[255, 0, 0, 0, 0, 0, ...Array(36).fill(0), 255, 0, 0, 0, 0, 0],
			0xfe0000
		]
	] as const)('PNG of %s', (_, kind, row, colour) => {
		const rows = Array.from({ length: 8 }, () => row as readonly number[]);
		const { lamps, from } = lampsOf(
			pngWith([8, 8], kind, rows, kind[1] === 3 ? [0, 0, 0, 10, 20, 30] : [])
		);
		expect(lamps.filter((lamp) => lamp > 0)).toEqual(Array(16).fill(colour));
		expect(lamps.flatMap((lamp, i) => (lamp ? [i % 8] : []))).toEqual(
			Array.from({ length: 16 }, (__, i) => (i % 2) * 7)
		);
		expect(from).toBeUndefined();
	});

	it('larger ones are averaged, and said; what is longer than high stands in the middle', () => {
		// 16 by 8: each lamp is the average of two by two, black and white; two rows stay dark above.
		const row = Array.from({ length: 16 }, (_, x) => (x % 2 ? 255 : 0));
		const { lamps, from } = lampsOf(pngWith([16, 8], [8, 0], Array(8).fill(row)));
		expect(from).toEqual({ width: 16, height: 8 });
		const grey = Array(32).fill(0x808080);
		expect(lamps).toEqual([...Array(16).fill(0), ...grey, ...Array(16).fill(0)]);
	});

	it('more frames than a moving picture may have are left out, and counted', () => {
		const cloth = { picture: writePicture(darkLamps(gridSize)), beats: 1 };
		const read = readPictureFile(gifOf(Array(40).fill(cloth), 0.5), 0.5);
		expect(read).toMatchObject({ ok: true, value: { leftOut: 8 } });
	});

	it('what unfolds without an end is not unfolded', () => {
		const bomb = pngWith([8, 8], [8, 2], Array(40).fill(Array(1_000_000).fill(0)));
		expect(bomb.length).toBeLessThan(100_000);
		expect(readPictureFile(bomb, 0.5)).toMatchObject({ failure: { key: 'picture.broken' } });
		const wide = pngWith([1e6, 1e6], [8, 2], [[0]]);
		expect(readPictureFile(wide, 0.5)).toMatchObject({ failure: { key: 'picture.tooWide' } });
	});

	it('of 200 hostile ones each is read, or refused with a sentence', () => {
		const cloths = [{ picture: writePicture(darkLamps(gridSize).with(3, 0xff)), beats: 1 }];
		const sound = [gifOf(cloths, 0.5), pngOf(darkLamps(gridSize)), fileOf(cloths)];
		const harms = fc.array(fc.tuple(fc.nat(400), fc.nat(255)), { minLength: 1, maxLength: 12 });
		fc.assert(
			fc.property(fc.constantFrom(...sound), harms, fc.nat(500), (file, harm, end) => {
				const bytes = file.slice(0, end);
				for (const [at, byte] of harm) if (at < bytes.length) bytes[at] = byte;
				const read = readPictureFile(bytes, 0.5);
				if (read.ok)
					for (const cloth of read.value.cloths) expect(readPicture(cloth.picture)).not.toBeNull();
				else expect(read.failure.key).toMatch(/^(picture|document)\./);
			}),
			{ numRuns: 200 }
		);
	});
});
