/** Pictures as PNG (ISO/IEC 15948). */
import { decode, encode, type DecodedPng } from 'fast-png';
import { Inflate } from 'fflate';
import { failure, success, type Result } from '../sentence';
import { gridSize, type Lamps } from './picture';
import type { Pixels } from './pixels';

/** Pixels on a side at the most. */
export const longestSide = 2048;

const signature = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
export const isPng = (bytes: Uint8Array): boolean =>
	signature.every((byte, i) => bytes[i] === byte);

export const pngOf = (lamps: Lamps): Uint8Array =>
	encode({
		width: gridSize.columns,
		height: gridSize.rows,
		data: Uint8Array.from(lamps.flatMap((lamp) => [lamp >> 16, (lamp >> 8) & 0xff, lamp & 0xff])),
		channels: 3,
		depth: 8
	});

const broken = failure('picture.broken', { what: 'PNG' });

export function readPng(bytes: Uint8Array): Result<Pixels> {
	const size = sizeOf(bytes);
	if (!size) return broken;
	const [width, height] = size;
	if (width > longestSide || height > longestSide)
		return failure('picture.tooWide', { width, height, most: longestSide });
	if (!isWithin(bytes, width, height)) return broken;
	try {
		return success({ width, height, colours: coloursOf(decode(bytes)) });
	} catch {
		// The package throws at whatever it cannot make sense of.
		return broken;
	}
}

/** Of what is transparent, as much as shows before the dark. */
function coloursOf({ width, height, data, channels, depth, palette }: DecodedPng): Uint32Array {
	const most = (1 << depth) - 1;
	/** Bytes of a row where several pixels share one. */
	const rowBytes = Math.ceil((width * depth) / 8);
	const sample = (x: number, y: number, channel: number): number => {
		if (depth >= 8) return data[(y * width + x) * channels + channel]!;
		const bit = x * depth;
		return (data[y * rowBytes + (bit >> 3)]! >> (8 - depth - (bit & 7))) & most;
	};
	const isGrey = channels < 3;
	const colours = new Uint32Array(width * height);
	for (let y = 0; y < height; y++)
		for (let x = 0; x < width; x++) {
			const entry = palette?.[sample(x, y, 0)];
			const part = (channel: number) => (sample(x, y, channel) / most) * 255;
			const [red, green, blue, alpha = 255] =
				entry ??
				(isGrey
					? [part(0), part(0), part(0), ...(channels === 2 ? [part(1)] : [])]
					: Array.from({ length: channels }, (_, channel) => part(channel)));
			const shown = [red!, green!, blue!].map((each) => Math.round((each * alpha) / 255));
			colours[y * width + x] = shown.reduce((colour, each) => colour * 256 + each, 0);
		}
	return colours;
}

/** Width and height, as the first chunk says. */
function sizeOf(bytes: Uint8Array): readonly [number, number] | null {
	if (bytes.length < 33 || !isPng(bytes)) return null;
	const view = viewOf(bytes);
	const [width, height] = [view.getUint32(16), view.getUint32(20)];
	return width > 0 && height > 0 ? [width, height] : null;
}

const viewOf = ({ buffer, byteOffset, byteLength }: Uint8Array) =>
	new DataView(buffer, byteOffset, byteLength);

/** Bytes of a pixel at the most, and what rows begin with, also of one that comes in seven passes. */
const bytesOfPixel = 8;

/** Its data does not unfold to more than its size can hold: that is found out while it unfolds. */
function isWithin(bytes: Uint8Array, width: number, height: number): boolean {
	const most = (width * bytesOfPixel + 1) * height + 16 * (width + height);
	let unfolded = 0;
	const inflate = new Inflate((part) => (unfolded += part.length));
	const view = viewOf(bytes);
	const idat = 0x49444154;
	/** Of the two bytes of zlib that stand before what is deflated. */
	let head = 2;
	try {
		for (let at = signature.length; at + 12 <= bytes.length;) {
			const length = view.getUint32(at);
			if (view.getUint32(at + 4) === idat) {
				const data = bytes.subarray(at + 8 + head, at + 8 + length);
				head = 0;
				for (let from = 0; from < data.length && unfolded <= most; from += slice)
					inflate.push(data.subarray(from, from + slice));
			}
			at += 12 + length;
		}
	} catch {
		return false;
	}
	return unfolded > 0 && unfolded <= most;
}

/** Bytes that are unfolded at once. */
const slice = 4096;
