/**
 * Notes as text: `C4:1 D4:1/2 -:1` is C for a beat, D for half a beat, a beat of rest. The octave may
 * be left out (4), and so may the length (1). Pitches are in equal temperament with A4 at 440 Hz.
 */
import * as exact from '../exact';
import { failure, success, type Result } from '../sentence';

export interface Note {
	/** As in C4, F#5, Bb3; null for a rest. */
	readonly name: string | null;
	/** In beats. */
	readonly beats: number;
}

/** Beats of one note at the most. */
export const longestBeats = 16;

/** Far more than a melody for a toy. */
export const longestMelody = 200;

const semitones: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const pattern = /^(?:([A-G])([#b]?)([1-8]?)|-)(?::(\d+(?:\.\d+)?)(?:\/(\d+))?)?$/i;

const known = new Map<string, Result<readonly Note[]>>();
/** Texts remembered, so that a melody in a loop is read once. */
const maximumRemembered = 500;

export function readNotes(text: string): Result<readonly Note[]> {
	const before = known.get(text);
	if (before) return before;
	if (known.size >= maximumRemembered) known.clear();
	const read = readAnew(text);
	known.set(text, read);
	return read;
}

function readAnew(text: string): Result<readonly Note[]> {
	const words = text
		.trim()
		.split(/[\s,]+/)
		.filter(Boolean);
	if (words.length > longestMelody) return failure('notes.tooMany', { maximum: longestMelody });
	const notes: Note[] = [];
	for (const [index, word] of words.entries()) {
		const found = pattern.exec(word);
		if (!found)
			return failure('notes.notUnderstood', { number: index + 1, word: word.slice(0, 12) });
		const [, letter, sign, octave, upper, lower] = found;
		const beats =
			upper === undefined ? 1 : Number(upper) / (lower === undefined ? 1 : Number(lower));
		if (!(beats > 0 && beats <= longestBeats)) {
			return failure('notes.badLength', { number: index + 1, word: word.slice(0, 12) });
		}
		const name = letter ? `${letter.toUpperCase()}${sign ?? ''}${octave || '4'}` : null;
		notes.push({ name, beats });
	}
	return success(notes);
}

export const writeNotes = (notes: readonly Note[]): string =>
	notes
		.map(({ name, beats }) => `${name ?? '-'}${beats === 1 ? '' : `:${inBeats(beats)}`}`)
		.join(' ');

/** As a number where it has few digits, or else as a fraction: 0.75, 1/3. */
function inBeats(beats: number): string {
	const plain = String(beats);
	if (plain.length <= 5) return plain;
	const parts = [3, 6, 9, 12, 16, 24, 32, 48, 64].find((count) => {
		const whole = Math.round(beats * count);
		return whole > 0 && whole / count === beats;
	});
	return parts === undefined ? plain : `${Math.round(beats * parts)}/${parts}`;
}

/** The keys of a keyboard from the bottom up, as they are numbered in MIDI: C4 is 60. */
const keyNames = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'];
const lowestKey = 24;
const highestKey = 119;

/** Semitones above the C of its octave, and that octave; null when it is none. */
function partsOf(name: string): { readonly steps: number; readonly octave: number } | null {
	const [, letter, sign, octave] = /^([A-G])([#b]?)([1-8])$/.exec(name) ?? [];
	if (!letter || !octave) return null;
	const sharp = sign === '#' ? 1 : sign === 'b' ? -1 : 0;
	return { steps: semitones[letter]! + sharp, octave: Number(octave) };
}

/** The number of a note's key; NaN when it is none. */
export function keyOfNote(name: string): number {
	const parts = partsOf(name);
	return parts ? parts.steps + 12 * (parts.octave + 1) : NaN;
}

/** What a key is called, C1 to B8; null for one that notes do not reach. */
export const nameOfKey = (key: number): string | null =>
	key >= lowestKey && key <= highestKey ? `${keyNames[key % 12]}${Math.floor(key / 12) - 1}` : null;

/** Hz of a note such as C4; NaN when it is none. */
export function pitchOf(name: string): number {
	const parts = partsOf(name);
	return parts ? 440 * exact.raised(2, (parts.steps - 9) / 12 + parts.octave - 4) : NaN;
}
