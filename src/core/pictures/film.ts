/**
 * Moving pictures, as text: cloths with "|" between them, each a picture, a space and for how many beats it
 * hangs there.
 */
import { readPicture } from './picture';

export interface Cloth {
	/** @see ./picture */
	readonly picture: string;
	readonly beats: number;
}

export const mostCloths = 32;
export const beatRange = [0.25, 16] as const;
/** Bytes of a file with a picture at the most. */
export const largestPicture = 1_000_000;
/** Letters of a moving picture at the most. */
export const longestFilm = 13_000;

const known = new Map<string, readonly Cloth[] | null>();
/** Texts remembered, so that one that moves is not read in each frame. */
const mostRemembered = 100;

/** @returns null where the text is no moving picture */
export function readFilm(text: string): readonly Cloth[] | null {
	const before = known.get(text);
	if (before !== undefined) return before;
	if (known.size >= mostRemembered) known.clear();
	const read = readAnew(text);
	known.set(text, read);
	return read;
}

function readAnew(text: string): readonly Cloth[] | null {
	if (text.length > longestFilm) return null;
	const cloths = text.split('|').map((cloth): Cloth | null => {
		const [, picture = '', beats] = /^(\S+) (\d{1,2}(?:\.\d{1,2})?)$/.exec(cloth) ?? [];
		const count = Number(beats);
		const isRight = count >= beatRange[0] && count <= beatRange[1] && readPicture(picture) !== null;
		return isRight ? { picture, beats: count } : null;
	});
	const isWhole = cloths.length <= mostCloths && cloths.every((cloth) => cloth !== null);
	return isWhole ? cloths : null;
}

export const writeFilm = (cloths: readonly Cloth[]): string =>
	cloths.map(({ picture, beats }) => `${picture} ${Math.round(beats * 100) / 100}`).join('|');

/** The nearest beats that a cloth may have, in quarters. */
export const inQuarters = (beats: number): number =>
	Math.min(beatRange[1], Math.max(beatRange[0], Math.round(beats * 4) / 4));

export const beatsOf = (cloths: readonly Cloth[]): number =>
	cloths.reduce((sum, { beats }) => sum + beats, 0);

/** The one that hangs there after so many beats, counted from its first one. */
export function clothAt(cloths: readonly Cloth[], beat: number): Cloth {
	let end = 0;
	return cloths.find(({ beats }) => beat < (end += beats)) ?? cloths.at(-1)!;
}
