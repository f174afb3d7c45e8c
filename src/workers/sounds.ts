/** The worker that makes our sounds, and reads those of others. */
import { longestSound, sampleRate } from '../core/sounds/limits';
import { expose } from 'comlink';
import { success, type Result } from '../core/sentence';
import { makeClip } from '../core/sounds/clips';
import { midiOf, readMidi } from '../core/sounds/midi';
import type { Note } from '../core/sounds/notes';
import type { OwnClip } from '../core/sounds/own-clips';
import { pitchOfSamples, resampled, type Samples } from '../core/sounds/samples';
import { readWav, wavOf, type ReadWav } from '../core/sounds/wav';

/** A sound that is ready to be kept. */
export interface FinishedSound {
	readonly wav: Uint8Array<ArrayBuffer>;
	readonly pitch: number;
}

/** Samples that are looked at when a file is opened: a part of it is chosen afterwards. */
const longest = 60 * sampleRate;

const service = {
	own: (name: OwnClip): Result<Samples> => success(makeClip(name)),
	read: (bytes: Uint8Array): Result<ReadWav> => readWav(bytes, longest),
	melody: readMidi,
	midi: (notes: readonly Note[], tempo: number): Result<Uint8Array<ArrayBuffer>> =>
		success(midiOf(notes, tempo)),
	/** @param rate samples a second, as they were recorded */
	recorded: (voice: Float32Array, rate: number): Result<Samples> => success(resampled(voice, rate)),
	finish(samples: Samples): Result<FinishedSound> {
		const sound = samples.subarray(0, longestSound * sampleRate);
		return success({ wav: wavOf(sound), pitch: pitchOfSamples(sound) });
	}
};

export type SoundService = typeof service;

expose(service);
