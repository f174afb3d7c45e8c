import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../testing/runs';
import { midiOf, readMidi } from './midi';
import { keyOfNote, longestMelody, nameOfKey, readNotes, writeNotes, type Note } from './notes';

const beats = fc.oneof(
	fc.integer({ min: 1, max: 16 }),
	fc.integer({ min: 1, max: 47 }).map((parts) => parts / 48),
	fc.constantFrom(0.25, 0.5, 0.75, 1.5)
);
const melody = fc.array(
	fc.record({
		name: fc.option(
			fc.integer({ min: 24, max: 119 }).map((key) => nameOfKey(key)!),
			{ freq: 4 }
		),
		beats
	}),
	{ minLength: 1, maxLength: 60 }
);
/** Rests that follow each other are one pause, written as few rests as there can be. */
function paused(notes: readonly Note[]): Note[] {
	const made: Note[] = [];
	let rest = 0;
	const end = () => {
		for (; rest > 1e-9; rest -= 16) made.push({ name: null, beats: Math.min(16, rest) });
		rest = 0;
	};
	for (const note of notes) {
		if (note.name === null) rest = Math.round((rest + note.beats) * 48) / 48;
		else {
			end();
			made.push(note);
		}
	}
	end();
	return made;
}

describe('melodies', () => {
	it('are the same after being written as text, and as a MIDI file', () => {
		fc.assert(
			fc.property(melody, fc.integer({ min: 20, max: 400 }), (notes, tempo) => {
				expect(readNotes(writeNotes(notes))).toEqual({ ok: true, value: notes });
				if (notes.every(({ name }) => name === null)) return;
				const leftOut = { voices: 0, notes: 0 };
				expect(readMidi(midiOf(notes, tempo))).toEqual({
					ok: true,
					value: { notes: paused(notes), tempo, leftOut }
				});
			}),
			{ numRuns: runs(500, 3000) }
		);
	});

	it('name keys as they are numbered', () => {
		expect(['C4', 'A4', 'Bb3', 'B#3', 'Cb5', 'H4'].map(keyOfNote)).toEqual([
			60,
			69,
			58,
			60,
			71,
			NaN
		]);
		expect([23, 24, 61, 119, 120].map(nameOfKey)).toEqual([null, 'C1', 'C#4', 'B8', null]);
	});
});

/** A file by the standard alone: chunks of events with their waits. */
function file(ticks: number, ...tracks: readonly (readonly number[])[]): Uint8Array {
	const chunk = (name: string, content: readonly number[]) => [
		...[...name].map((letter) => letter.charCodeAt(0)),
		...[24, 16, 8, 0].map((bits) => (content.length >> bits) & 0xff),
		...content
	];
	const head = [0, 1, 0, tracks.length, ticks >> 8, ticks & 0xff];
	return Uint8Array.from([
		...chunk('MThd', head),
		...tracks.flatMap((track) => chunk('MTrk', [...track, 0, 0xff, 0x2f, 0]))
	]);
}
const on = (wait: number, key: number, channel = 0) => [wait, 0x90 + channel, key, 64];
const off = (wait: number, key: number, channel = 0) => [wait, 0x80 + channel, key, 0];

describe('a file of many voices', () => {
	const notesOf = (bytes: Uint8Array) => {
		const read = readMidi(bytes);
		return read.ok ? { ...read.value, notes: writeNotes(read.value.notes) } : read.failure.key;
	};

	it('gives its first voice, one note at a time, and says what was left out', () => {
		const chords = [
			...on(0, 60),
			...on(0, 64),
			...off(96, 60),
			...off(0, 64),
			...on(48, 62),
			...off(48, 62)
		];
		const other = [...on(0, 40, 1), ...off(96, 40, 1)];
		const beat = [...on(0, 35, 9), ...off(96, 35, 9)];
		expect(notesOf(file(96, beat, [0, 0xff, 0x51, 3, 0x09, 0x27, 0xc0], chords, other))).toEqual({
			notes: 'E4 -:0.5 D4:0.5',
			tempo: 100,
			leftOut: { voices: 2, notes: 1 }
		});
	});

	it('ends a note where the next begins, and leaves out what is out of reach', () => {
		const bytes = file(96, [
			...on(0, 60),
			...on(48, 64),
			...off(96, 60),
			...off(0, 64),
			...on(0, 10),
			...off(96, 10)
		]);
		expect(notesOf(bytes)).toMatchObject({
			notes: 'C4:0.5 E4 -',
			leftOut: { voices: 0, notes: 1 }
		});
	});

	it('takes as many notes as a melody has', () => {
		const long = Array.from({ length: longestMelody + 7 }, (_, i) => [
			...on(0, 60 + (i % 9)),
			...off(48, 60 + (i % 9))
		]);
		expect(readMidi(file(96, long.flat()))).toMatchObject({ value: { leftOut: { notes: 7 } } });
	});

	it('makes nothing of a pause of years', () => {
		const years = [0xff, 0xff, 0xff, 0x7f, 0x90, 60, 64];
		expect(readMidi(file(1, [...years, ...off(1, 60)]))).toMatchObject({
			value: { notes: { length: longestMelody }, leftOut: { notes: 1 } }
		});
	});

	it('says why it gives none', () => {
		expect(notesOf(file(96, on(0, 35, 9)))).toBe('midi.noNotes');
		expect(notesOf(file(0xe728, on(0, 60)))).toBe('midi.noBeats');
		expect(notesOf(new Uint8Array(300_000))).toBe('document.tooLarge');
		const whole = file(96, [...on(0, 60), ...off(96, 60)]);
		fc.assert(
			fc.property(
				fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { minLength: 1, maxLength: 9 }),
				fc.nat(whole.length),
				(changes, length) => {
					const bytes = whole.slice(0, length);
					for (const [at, value] of changes) if (at < length) bytes[at] = value;
					const from = performance.now();
					const read = readMidi(bytes);
					expect(performance.now() - from).toBeLessThan(1000);
					if (read.ok) expect(readNotes(writeNotes(read.value.notes)).ok).toBe(true);
					else expect(read.failure.key).toMatch(/^midi\./);
				}
			),
			{ numRuns: runs(500, 3000) }
		);
	});
});
