/** Sounds as numbers: one voice, 16 bits. */
import { sampleRate } from './limits';

export type Samples = Int16Array<ArrayBuffer>;

/** The largest number that a sample can be. */
const largest = 32_767;

/** @param value -1 to 1; what is beyond is cut, and what is no number is silence */
export const sampleOf = (value: number): number =>
	Math.round(Math.max(-1, Math.min(1, value || 0)) * largest);

/**
 * The same sound with our number of samples a second: where there were more, what falls into each is
 * averaged, so that what is too high for it does not come back as something low.
 * @param rate samples a second that it has
 */
export function resampled(voice: Float64Array | Float32Array, rate: number): Samples {
	const ratio = rate / sampleRate;
	const made = new Int16Array(Math.floor(voice.length / ratio));
	if (ratio === 1) return made.map((_, i) => kept(voice[i]!));
	for (let i = 0; i < made.length; i++) {
		made[i] = sampleOf(ratio > 1 ? meanIn(voice, i * ratio, ratio) : between(voice, i * ratio));
	}
	return made;
}

/** What was written with 16 bits comes back as it was. */
const kept = (value: number): number =>
	Math.max(-largest - 1, Math.min(largest, Math.round((value || 0) * (largest + 1))));

function meanIn(voice: Float64Array | Float32Array, from: number, width: number): number {
	const end = Math.min(voice.length, from + width);
	let sum = 0;
	for (let i = Math.floor(from); i < end; i++) {
		const part = Math.min(i + 1, end) - Math.max(i, from);
		sum += part * voice[i]!;
	}
	return sum / (end - from);
}

function between(voice: Float64Array | Float32Array, at: number): number {
	const index = Math.floor(at);
	const next = voice[Math.min(voice.length - 1, index + 1)]!;
	return voice[index]! + (at - index) * (next - voice[index]!);
}

/** How loud the loudest of so many parts of it are, 0 to 1: what is drawn of it. */
export function envelopeOf(samples: Samples, parts: number): number[] {
	return Array.from({ length: parts }, (_, part) => {
		const from = Math.floor((part * samples.length) / parts);
		const to = Math.max(from + 1, Math.floor(((part + 1) * samples.length) / parts));
		return (
			samples.subarray(from, to).reduce((most, each) => Math.max(most, Math.abs(each)), 0) / largest
		);
	});
}

/** Pitches that are looked for, Hz, and samples that are looked at. */
const lowest = 60;
const highest = 4000;
const looked = 2048;
/** Of its strongest likeness to itself, what another is to have at least to count. */
const clearly = 0.8;
/** Hz of what has no pitch, such as silence. */
const noPitch = 440;

/**
 * The tone that comes nearest to a sound, Hz: how fast it repeats itself where it is loudest, by its
 * likeness to itself a little later (the first time that this is nearly as strong as it gets).
 */
export function pitchOfSamples(samples: Samples): number {
	const envelope = envelopeOf(samples, Math.max(1, Math.floor(samples.length / looked)));
	const loudest = envelope.indexOf(Math.max(...envelope));
	const from = Math.floor((loudest * samples.length) / envelope.length);
	const part = samples.subarray(from, from + looked);
	const farthest = Math.min(Math.floor(part.length / 2), Math.ceil(sampleRate / lowest));
	const likeness = Array.from({ length: farthest }, (_, lag) => {
		let sum = 0;
		for (let i = 0; i + lag < part.length; i++) sum += part[i]! * part[i + lag]!;
		return sum / (part.length - lag);
	});
	// Whatever there is resembles itself at once: what counts comes after it has fallen from there.
	const peaks = likeness.flatMap((here, lag) =>
		lag >= sampleRate / highest && here > likeness[lag - 1]! && here >= (likeness[lag + 1] ?? here)
			? [lag]
			: []
	);
	const strongest = Math.max(0, ...peaks.map((lag) => likeness[lag]!));
	const found = peaks.find((lag) => strongest > 0 && likeness[lag]! >= clearly * strongest);
	return found === undefined ? noPitch : Math.round(sampleRate / found);
}
