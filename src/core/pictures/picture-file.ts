/** Pictures from files of any kind that we read. */
import { readDocument } from '../document';
import { failure, success, type Result } from '../sentence';
import { inQuarters, largestPicture, mostCloths, readFilm, type Cloth } from './film';
import { isGif, readGif } from './gif';
import { gridSize, writePicture } from './picture';
import { pictureFormat } from './picture-document';
import { lampsFrom, type Pixels } from './pixels';
import { isPng, readPng } from './png';

export interface ReadPictures {
	readonly cloths: readonly Cloth[];
	/** Its own size, where that is not the grid's. */
	readonly from?: { readonly width: number; readonly height: number };
	/** Frames that it has beyond what a moving picture may have. */
	readonly leftOut: number;
}

const sizeIn = ({ width, height }: Pixels) =>
	width === gridSize.columns && height === gridSize.rows ? {} : { from: { width, height } };

/** @param beat seconds, by which what lasts seconds is counted */
export function readPictureFile(bytes: Uint8Array, beat: number): Result<ReadPictures> {
	if (bytes.length > largestPicture)
		return failure('document.tooLarge', { bytes: bytes.length, maximum: largestPicture });
	if (isPng(bytes)) {
		const read = readPng(bytes);
		if (!read.ok) return read;
		const picture = writePicture(lampsFrom(read.value));
		return success({ cloths: [{ picture, beats: 1 }], ...sizeIn(read.value), leftOut: 0 });
	}
	if (isGif(bytes)) {
		const read = readGif(bytes);
		if (!read.ok) return read;
		const { frames, count } = read.value;
		const cloths = frames.map(({ pixels, seconds }) => ({
			picture: writePicture(lampsFrom(pixels)),
			beats: inQuarters(seconds / beat)
		}));
		const leftOut = Math.max(0, count - mostCloths);
		return success({ cloths, ...sizeIn(frames[0]!.pixels), leftOut });
	}
	const read = readDocument(new TextDecoder().decode(bytes), pictureFormat);
	if (!read.ok) return isText(bytes) ? read : failure('picture.unknown');
	return success({ cloths: readFilm(read.value.film)!, leftOut: 0 });
}

/** It begins as JSON does. */
const isText = (bytes: Uint8Array): boolean =>
	['{', '['].includes(new TextDecoder().decode(bytes.subarray(0, 100)).trim()[0] ?? '');
