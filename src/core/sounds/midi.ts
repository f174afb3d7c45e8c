/**
 * Melodies as standard MIDI files. A file may hold many voices: one melody is taken out of it, and what
 * was left out is counted.
 */
import { parseMidi, writeMidi, type MidiEvent } from 'midi-file';
import { failure, success, type Result } from '../sentence';
import { largestMidi } from './limits';
import { longestBeats, longestMelody, nameOfKey, keyOfNote, type Note } from './notes';

/** Parts of a beat in the files that we write: thirds, fifths and sixty-fourths come out whole. */
const ticksPerBeat = 960;
/** Parts of a beat to which what was played by a hand is rounded. */
const finest = 48;
/** Beats a minute where a file says none; and of a step at the least and most. */
const usualTempo = 120;
const tempos = [20, 400] as const;
/** How hard a key is struck, of 127. */
const velocity = 90;
/** The channel of drums, whose numbers are no pitches. */
const drums = 9;

export interface ReadMelody {
	readonly notes: readonly Note[];
	/** Beats a minute. */
	readonly tempo: number;
	/** How much of it is not in the melody. */
	readonly leftOut: {
		/** Voices beside the first. */
		readonly voices: number;
		/** Notes of its own voice: at the same time as others, out of reach, or too many. */
		readonly notes: number;
	};
}

/** @param tempo beats a minute */
export function midiOf(notes: readonly Note[], tempo: number): Uint8Array<ArrayBuffer> {
	const ticksOf = (beats: number) => Math.max(1, Math.round(beats * ticksPerBeat));
	const events: MidiEvent[] = [
		{ deltaTime: 0, meta: true, type: 'setTempo', microsecondsPerBeat: Math.round(60e6 / tempo) }
	];
	let waited = 0;
	for (const { name, beats } of notes) {
		const length = ticksOf(beats);
		if (name === null) {
			waited += length;
			continue;
		}
		const key = { channel: 0, noteNumber: keyOfNote(name), velocity };
		events.push({ deltaTime: waited, type: 'noteOn', ...key });
		events.push({ deltaTime: length, type: 'noteOff', ...key, velocity: 0 });
		waited = 0;
	}
	events.push({ deltaTime: waited, meta: true, type: 'endOfTrack' });
	return Uint8Array.from(
		writeMidi({ header: { format: 0, numTracks: 1, ticksPerBeat }, tracks: [events] })
	);
}

export function readMidi(bytes: Uint8Array): Result<ReadMelody> {
	if (bytes.length > largestMidi)
		return failure('document.tooLarge', { bytes: bytes.length, maximum: largestMidi });
	let parsed: ReturnType<typeof parseMidi>;
	try {
		parsed = parseMidi(bytes);
	} catch {
		// The package throws whatever it finds wrong, in words of its own.
		return failure('midi.damaged');
	}
	const { ticksPerBeat: ticks } = parsed.header;
	// What is counted in pictures of a film has no beats.
	if (!ticks) return failure('midi.noBeats');
	const voices = voicesIn(parsed.tracks);
	const [first] = voices.filter(({ channel }) => channel !== drums);
	if (!first) return failure('midi.noNotes');
	const tempo = tempoIn(parsed.tracks);
	const { notes, leftOut } = melodyOf(first, ticks);
	if (notes.length === 0) return failure('midi.noNotes');
	return success({ notes, tempo, leftOut: { voices: voices.length - 1, notes: leftOut } });
}

/** One key that is held, in ticks. */
interface Held {
	readonly key: number;
	readonly from: number;
	to: number;
}

interface Voice {
	readonly channel: number;
	readonly held: readonly Held[];
	/** Where its track ends, in ticks. */
	readonly end: number;
}

/** Each channel of each track, in their order, those that have notes. */
function voicesIn(tracks: readonly (readonly MidiEvent[])[]): Voice[] {
	return tracks.flatMap((events) => {
		const channels = new Map<number, Held[]>();
		const open = new Map<number, Held>();
		let time = 0;
		const release = (at: number) => {
			const held = open.get(at);
			if (held) held.to = time;
			open.delete(at);
		};
		for (const event of events) {
			time += event.deltaTime;
			if (event.type !== 'noteOn' && event.type !== 'noteOff') continue;
			const { channel, noteNumber: key } = event;
			const at = channel * 128 + key;
			release(at);
			if (event.type === 'noteOff') continue;
			const held = { key, from: time, to: Infinity };
			open.set(at, held);
			channels.set(channel, [...(channels.get(channel) ?? []), held]);
		}
		for (const at of [...open.keys()]) release(at);
		return [...channels].map(([channel, held]) => ({ channel, held, end: time }));
	});
}

/** The first that it says. */
function tempoIn(tracks: readonly (readonly MidiEvent[])[]): number {
	const said = tracks.flat().find((event) => event.type === 'setTempo');
	const tempo = said && said.microsecondsPerBeat > 0 ? 60e6 / said.microsecondsPerBeat : usualTempo;
	return Math.max(tempos[0], Math.min(tempos[1], Math.round(tempo)));
}

/** One note at a time: of several at once the highest, and a new one ends what sounds. */
function melodyOf({ held, end }: Voice, ticks: number): { notes: Note[]; leftOut: number } {
	const inBeats = (from: number, to: number) => Math.round(((to - from) / ticks) * finest) / finest;
	const taken: Held[] = [];
	for (const each of held) {
		const before = taken.at(-1);
		const isInReach = nameOfKey(each.key) !== null && inBeats(each.from, each.to) > 0;
		if (!isInReach) continue;
		if (before?.from === each.from) {
			if (each.key > before.key) taken[taken.length - 1] = { ...each };
		} else {
			if (before && before.to > each.from) before.to = each.from;
			taken.push({ ...each });
		}
	}
	const notes: Note[] = [];
	let [time, count] = [0, 0];
	const isFull = () => notes.length > longestMelody;
	const rest = (to: number) => {
		for (let left = inBeats(time, to); left > 0 && !isFull(); left -= longestBeats)
			notes.push({ name: null, beats: Math.min(left, longestBeats) });
	};
	for (const { key, from, to } of taken) {
		rest(from);
		const beats = Math.min(longestBeats, inBeats(from, to));
		if (beats > 0) {
			notes.push({ name: nameOfKey(key), beats });
			count += 1;
		}
		time = to;
		if (isFull()) break;
	}
	rest(end);
	const cut = notes.slice(0, longestMelody);
	const lost = notes.slice(longestMelody).filter(({ name }) => name !== null).length;
	return { notes: cut, leftOut: held.length - count + lost };
}
