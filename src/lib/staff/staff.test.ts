import { expect, it } from 'vitest';
import { longestMelody, readNotes, type Note } from '$core/sounds/notes';
import { Composing } from './composing.svelte';
import { noteIndexAt, lineHeights, nameAt, placedNotes, staffWidth } from './placing';

const notesOf = (text: string): readonly Note[] => {
	const read = readNotes(text);
	if (!read.ok) throw new Error(text);
	return read.value;
};

function composing(text: string) {
	const made = { text, own: undefined as unknown as Composing };
	made.own = new Composing(
		() => made.text,
		(notes) => (made.text = notes)
	);
	return made;
}

it('adds behind the chosen note, with its length, and goes on from there', () => {
	const staff = composing('C4 E4:2');
	expect(staff.own.at).toBe(1);
	staff.own.choose(0);
	staff.own.add('D4');
	expect([staff.text, staff.own.at]).toEqual(['C4 D4 E4:2', 1]);
	staff.own.choose(2);
	staff.own.add(null);
	expect(staff.text).toBe('C4 D4 E4:2 -:2');
	const full = composing(Array.from({ length: longestMelody }, () => 'C4').join(' '));
	full.own.add('D4');
	expect(full.text).not.toContain('D4');
	const none = composing('');
	none.own.setBeats(0.5);
	none.own.add('G4');
	expect(none.text).toBe('G4:0.5');
});

it('moves by half steps, to where there are names, and by lengths that are offered', () => {
	const staff = composing('B4 - B8');
	staff.own.choose(0);
	staff.own.shift(1);
	staff.own.stretch(1);
	expect(staff.text).toBe('C5:2 - B8');
	staff.own.shift(-13);
	staff.own.stretch(-1);
	staff.own.stretch(-1);
	expect(staff.text).toBe('B3:0.5 - B8');
	staff.own.choose(2);
	staff.own.shift(1);
	staff.own.choose(1);
	staff.own.shift(1);
	expect(staff.text).toBe('B3:0.5 - B8');
});

it('takes the chosen one out, one after the other, until nothing is left', () => {
	const staff = composing('C4 D4 E4');
	staff.own.choose(1);
	staff.own.remove();
	expect([staff.text, staff.own.at]).toEqual(['C4 E4', 0]);
	staff.own.remove();
	staff.own.remove();
	staff.own.remove();
	expect([staff.text, staff.own.at, staff.own.chosen]).toEqual(['', -1, undefined]);
	staff.own.take(notesOf('G4 A4'));
	expect([staff.text, staff.own.at]).toEqual(['G4 A4', 1]);
});

it('draws what it reads: each white key has a height of its own, and is meant by it', () => {
	const [top, , middle, , bottom] = lineHeights;
	expect([top, middle, bottom].map((y) => nameAt(y!))).toEqual(['F5', 'B4', 'E4']);
	const keys = ['F3', 'C4', 'E4', 'B4', 'F5', 'A5', 'D6', 'E6', 'C8', 'E1'].map((name) => ({
		name,
		beats: 1
	}));
	const places = placedNotes(keys);
	expect(places.map(({ y, octaves }) => (octaves === 0 ? nameAt(y!) : octaves))).toEqual([
		...['F3', 'C4', 'E4', 'B4', 'F5', 'A5', 'D6', 'E6', 2, -3]
	]);
	expect(places[1]!.ledgers).toHaveLength(1);
	expect(places[3]!.ledgers).toHaveLength(0);
	expect(places[5]!.ledgers).toHaveLength(1);
	expect(placedNotes(notesOf('Bb4 C#5 -')).map(({ sign, y }) => [sign, y === null])).toEqual([
		['♭', false],
		['♯', false],
		['', true]
	]);
});

it('finds the note at a place, and the end behind the last', () => {
	const places = placedNotes(notesOf('C4 D4:4 E4'));
	expect(places.map(({ x, width }) => noteIndexAt(x + width / 2, places))).toEqual([0, 1, 2]);
	expect(noteIndexAt(staffWidth(places) - 1, places)).toBe(3);
	expect(noteIndexAt(0, places)).toBe(0);
	expect(noteIndexAt(50, [])).toBe(0);
});
