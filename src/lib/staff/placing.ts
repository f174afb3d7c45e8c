/** Where notes stand on a staff of five lines, from E4 to F5, in units of its drawing. */
import type { Note } from '$core/sounds/notes';

const letters = 'CDEFGAB';
/** White keys from C0 on: of the lowest and the highest line, and of what is drawn beside them at most. */
const lines = { low: 30, high: 38 };
const reach = { low: 24, high: 44 };
/** From one white key to the next. */
const half = 4;
const margin = 10;

export const staffHeight = (reach.high - reach.low) * half + 2 * margin;
/** Heights of the five lines. */
export const lineHeights = [38, 36, 34, 32, 30].map(heightOf);

function heightOf(white: number): number {
	return margin + (reach.high - white) * half;
}

export interface PlacedNote {
	readonly x: number;
	readonly width: number;
	/** Null for a rest. */
	readonly y: number | null;
	/** Of the short lines above or below the staff. */
	readonly ledgers: readonly number[];
	readonly sign: '♯' | '♭' | '';
	/** Octaves by which it is drawn lower than it sounds, or higher. */
	readonly octaves: number;
	/** The stem goes up from it. */
	readonly isLow: boolean;
}

/** Room before the first note, for the clef. */
const before = 34;
const least = 20;
const perBeat = 7;

export function placedNotes(notes: readonly Note[]): PlacedNote[] {
	let x = before;
	return notes.map(({ name, beats }) => {
		const width = least + perBeat * Math.min(4, beats);
		const from = x;
		x += width;
		const place = { x: from, width, ...(name === null ? asRest : asNote(name)) };
		return place;
	});
}

const asRest = { y: null, ledgers: [], sign: '', octaves: 0, isLow: true } as const;

function asNote(name: string): Omit<PlacedNote, 'x' | 'width'> {
	const [letter = 'C', sign] = name;
	const white = 7 * Number(name.at(-1)) + letters.indexOf(letter);
	const octaves =
		white > reach.high
			? Math.ceil((white - reach.high) / 7)
			: Math.min(0, -Math.ceil((reach.low - white) / 7));
	const drawn = white - 7 * octaves;
	const ledgers = [24, 26, 28, 40, 42, 44].filter((line) =>
		line < lines.low ? line >= drawn : line > lines.high && line <= drawn
	);
	return {
		y: heightOf(drawn),
		ledgers: ledgers.map(heightOf),
		sign: sign === '#' ? '♯' : sign === 'b' ? '♭' : '',
		octaves,
		isLow: drawn < 34
	};
}

/** How wide all of them are, with room for one more. */
export const staffWidth = (places: readonly PlacedNote[]): number => {
	const last = places.at(-1);
	return (last ? last.x + last.width : before) + least + perBeat;
};

/** The white key that is meant by a height. */
export function nameAt(y: number): string {
	const white = Math.round(reach.high - (y - margin) / half);
	const within = Math.max(reach.low, Math.min(reach.high, white));
	return `${letters[within % 7]}${Math.floor(within / 7)}`;
}

/** The note that is meant by a place; behind the last, as many as there are. */
export function noteIndexAt(x: number, places: readonly PlacedNote[]): number {
	const found = places.findIndex((place) => x < place.x + place.width);
	return found < 0 ? places.length : found;
}
