/** Moving pictures as GIF (89a). */
import { GifReader, GifWriter } from 'omggif';
import { failure, success, type Result } from '../sentence';
import { mostCloths, type Cloth } from './film';
import { gridSize, readPicture } from './picture';
import type { Pixels } from './pixels';

/** Pixels on a side at the most. */
export const longestGifSide = 1024;
/** Colours of a frame: a grid has no more. */
const mostColours = 64;
const bytesOfFrame = 1024;

export const isGif = (bytes: Uint8Array): boolean =>
	[0x47, 0x49, 0x46, 0x38].every((byte, i) => bytes[i] === byte);

/** Plays for ever. @param beat seconds */
export function gifOf(cloths: readonly Cloth[], beat: number): Uint8Array {
	const { columns, rows } = gridSize;
	const bytes = new Uint8Array(bytesOfFrame * (cloths.length + 1));
	const writer = new GifWriter(bytes, columns, rows, { loop: 0 });
	for (const { picture, beats } of cloths) {
		const lamps = readPicture(picture)!;
		const used = [...new Set(lamps)];
		const palette = Array.from({ length: mostColours }, (_, i) => used[i] ?? 0);
		const indices = lamps.map((lamp) => used.indexOf(lamp));
		writer.addFrame(0, 0, columns, rows, indices, {
			palette,
			delay: Math.max(1, Math.round(beats * beat * 100))
		});
	}
	return bytes.subarray(0, writer.end());
}

/** One picture of it, and for how long it stays, seconds. */
export interface GifFrame {
	readonly pixels: Pixels;
	readonly seconds: number;
}

/** @returns as many frames as a moving picture may have cloths, and how many it has */
export function readGif(
	bytes: Uint8Array
): Result<{ readonly frames: readonly GifFrame[]; readonly count: number }> {
	const broken = failure('picture.broken', { what: 'GIF' });
	try {
		const reader = new GifReader(bytes);
		const { width, height } = reader;
		if (width > longestGifSide || height > longestGifSide)
			return failure('picture.tooWide', { width, height, most: longestGifSide });
		const count = reader.numFrames();
		if (width * height === 0 || count === 0) return broken;
		const canvas = new Uint8ClampedArray(width * height * 4);
		const frames = Array.from({ length: Math.min(count, mostCloths) }, (_, i): GifFrame => {
			const frame = reader.frameInfo(i);
			const { x, y, width: wide, height: high, delay, disposal } = frame;
			if (x + wide > width || y + high > height) throw new RangeError('frame');
			if (unpackedSize(bytes, frame.data_offset) < wide * high) throw new RangeError('data');
			const before = disposal === 3 ? canvas.slice() : null;
			reader.decodeAndBlitFrameRGBA(i, canvas);
			const colours = new Uint32Array(width * height);
			for (let at = 0; at < colours.length; at++) {
				const [red, green, blue, alpha] = [0, 1, 2, 3].map((each) => canvas[4 * at + each]!);
				colours[at] = alpha === 0 ? 0 : (red! << 16) | (green! << 8) | blue!;
			}
			if (before) canvas.set(before);
			if (disposal === 2)
				for (let row = y; row < y + high; row++)
					canvas.fill(0, 4 * (row * width + x), 4 * (row * width + x + wide));
			return { pixels: { width, height, colours }, seconds: delay / 100 };
		});
		return success({ frames, count });
	} catch {
		// The package throws at whatever it cannot make sense of.
		return broken;
	}
}

const bitsOfCode = 12;

/**
 * Pixels that the data of a frame unfolds to. The package goes round and round at codes that stand for
 * nothing yet, so that is looked for first.
 * Source: GIF89a, appendix F.
 * @throws RangeError at such a code
 */
function unpackedSize(bytes: Uint8Array, start: number): number {
	const smallest = bytes[start]!;
	if (!(smallest >= 1 && smallest < bitsOfCode)) throw new RangeError('code size');
	const clear = 1 << smallest;
	/** How many pixels each code stands for, from the first that is made. */
	let lengths: number[] = [];
	let before = 0;
	let size = 0;
	let bits = smallest + 1;
	let [held, count] = [0, 0];
	for (let at = start + 1; bytes[at]! > 0; at += bytes[at]! + 1)
		for (const byte of bytes.subarray(at + 1, at + 1 + bytes[at]!)) {
			held |= byte << count;
			count += 8;
			while (count >= bits) {
				const code = held & ((1 << bits) - 1);
				held >>>= bits;
				count -= bits;
				if (code === clear + 1) return size;
				if (code === clear) {
					[lengths, before, bits] = [[], 0, smallest + 1];
					continue;
				}
				const next = clear + 2 + lengths.length;
				const isMade = code < clear || code < next || (code === next && before > 0);
				if (!isMade) throw new RangeError('code');
				const length = code < clear ? 1 : (lengths[code - clear - 2] ?? before + 1);
				size += length;
				if (before > 0 && next < 1 << bitsOfCode) lengths.push(before + 1);
				before = length;
				if (clear + 2 + lengths.length === 1 << bits && bits < bitsOfCode) bits += 1;
			}
		}
	return size;
}
