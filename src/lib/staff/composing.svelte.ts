/** A melody on the staff: notes in a row, one of which is chosen. */
import {
	keyOfNote,
	longestMelody,
	nameOfKey,
	readNotes,
	writeNotes,
	type Note
} from '$core/sounds/notes';

/** Lengths that are offered, in beats. */
export const lengths = [0.25, 0.5, 1, 2, 4] as const;

export class Composing {
	private wanted = $state(Infinity);
	/** Of the next note, where none is chosen. */
	private nextBeats = $state(1);

	/** @param onset told of the whole melody, whenever something of it has changed */
	constructor(
		private readonly value: () => string,
		private readonly onset: (notes: string) => void
	) {}

	readonly notes: readonly Note[] = $derived.by(() => {
		const read = readNotes(this.value());
		return read.ok ? read.value : [];
	});
	/** The place of the chosen one, -1 where there is none: something may have been undone since. */
	readonly at = $derived.by(() => Math.min(this.wanted, this.notes.length - 1));
	readonly chosen: Note | undefined = $derived.by(() => this.notes[this.at]);
	/** Of the chosen note, and of the next. */
	readonly beats = $derived.by(() => this.chosen?.beats ?? this.nextBeats);
	readonly isFull = $derived.by(() => this.notes.length >= longestMelody);

	choose(index: number): void {
		this.wanted = Math.max(0, index);
	}

	private set(notes: readonly Note[]): void {
		this.onset(writeNotes(notes));
	}

	/** Behind the chosen one. @param name null for a rest */
	add(name: string | null): void {
		if (this.isFull) return;
		const to = this.at + 1;
		this.set(this.notes.toSpliced(to, 0, { name, beats: this.beats }));
		this.wanted = to;
	}

	/** @param name null makes it a rest */
	setName(name: string | null): void {
		if (this.chosen) this.set(this.notes.with(this.at, { ...this.chosen, name }));
	}

	/** Of the chosen note, and of those that are added from now on. */
	setBeats(beats: number): void {
		this.nextBeats = beats;
		if (this.chosen) this.set(this.notes.with(this.at, { ...this.chosen, beats }));
	}

	/** Half steps up; a rest stays one, and nothing goes where there is no name. */
	shift(by: number): void {
		const { chosen } = this;
		if (!chosen || chosen.name === null) return;
		const name = nameOfKey(keyOfNote(chosen.name) + by);
		if (name !== null) this.setName(name);
	}

	/** The next longer or shorter of the lengths that are offered. */
	stretch(by: 1 | -1): void {
		const now = this.beats;
		const longer = by > 0 ? lengths.find((beats) => beats > now) : undefined;
		const next = longer ?? (by < 0 ? lengths.findLast((beats) => beats < now) : undefined);
		if (next !== undefined) this.setBeats(next);
	}

	/** The chosen one goes, and the one before it is chosen. */
	remove(): void {
		if (!this.chosen) return;
		const { at } = this;
		this.set(this.notes.toSpliced(at, 1));
		this.wanted = Math.max(0, at - 1);
	}

	/** Another melody, whole. */
	take(notes: readonly Note[]): void {
		this.set(notes);
		this.wanted = Infinity;
	}
}
