/**
 * Faces, as text: one of ours by its name, or one of a person's as `SKIN:PICTURE`: the colour of its
 * skin as six hex digits, and a picture of sixteen by sixteen with at most two colours on it.
 */
import { readPicture, writePicture, type Lamps, type PictureSize } from './picture';

export const faceSize: PictureSize = { columns: 16, rows: 16 };
/** Colours on the skin. */
export const mostInks = 2;
/** The skin, and what is on it, of a face that nobody has changed. */
export const usualSkin = 0x4a6a92;
export const usualInk = 0xf6efe0;
export const usualSecondInk = 0xffb020;

export interface FacePicture {
	readonly skin: number;
	/** Row by row, 0xrrggbb; 0 where the skin is. */
	readonly lamps: Lamps;
}

/** `#` is the first colour, `o` the second. */
const ours = {
	calm: [
		...['................', '................', '................', '...##......##...'],
		...['...##......##...', '................', '................', '................'],
		...['................', '................', '.....######.....', '................']
	],
	glad: [
		...['................', '................', '................', '...##......##...'],
		...['...##......##...', '................', '................', '................'],
		...['................', '...#........#...', '....#......#....', '.....######.....']
	],
	sleepy: [
		...['................', '................', '................', '................'],
		...['..####....####..', '................', '................', '................'],
		...['................', '................', '......####......', '................']
	],
	startled: [
		...['................', '..####....####..', '..#..#....#..#..', '..#..#....#..#..'],
		...['..####....####..', '................', '................', '......####......'],
		...['.....#....#.....', '.....#....#.....', '......####......', '................']
	],
	lantern: [
		...['.......##.......', '......#..#......', '....########....', '....#oooooo#....'],
		...['....#oo##oo#....', '....#o####o#....', '....#o####o#....', '....#oo##oo#....'],
		...['....#oooooo#....', '....########....', '.....######.....', '................']
	]
} as const satisfies Readonly<Record<string, readonly string[]>>;

export type FaceName = keyof typeof ours;
/** In the order in which a recording counts them, from 0. */
export const faces = Object.keys(ours) as readonly FaceName[];

const inks: Readonly<Record<string, number>> = { '#': usualInk, o: usualSecondInk };

/** @returns null where the text is no face */
export function readFace(text: string): FacePicture | null {
	if (Object.hasOwn(ours, text)) {
		const rows = ours[text as FaceName].map((row) => [...row].map((sign) => inks[sign] ?? 0));
		const below = Array.from({ length: 16 * (16 - rows.length - 2) }, () => 0);
		return { skin: usualSkin, lamps: [...Array<number>(32).fill(0), ...rows.flat(), ...below] };
	}
	const [, skin, picture] = /^([0-9a-f]{6}):(.+)$/.exec(text) ?? [];
	const lamps = picture === undefined ? null : readPicture(picture, faceSize);
	if (skin === undefined || !lamps || inksIn(lamps).length > mostInks) return null;
	return { skin: Number.parseInt(skin, 16), lamps };
}

export const writeFace = ({ skin, lamps }: FacePicture): string =>
	`${skin.toString(16).padStart(6, '0')}:${writePicture(lamps, faceSize)}`;

/** Its colours beside the skin, in the order in which they come. */
export const inksIn = (lamps: Lamps): readonly number[] => [
	...new Set(lamps.filter((lamp) => lamp > 0))
];

/** Its place among ours; one of a person's comes after them. */
export const faceNumber = (text: string): number =>
	Object.hasOwn(ours, text) ? faces.indexOf(text as FaceName) : faces.length;

/** One of a person's, as it is drawn; empty of ours, which are drawn otherwise. */
export const drawnFace = (text: string): string => (Object.hasOwn(ours, text) ? '' : text);
