/** Sounds read and made in a worker: whatever a file holds, the page goes on. */
import type { Remote } from 'comlink';
import { failure, type Result } from '$core/sentence';
import { ownNamed } from '$core/sounds/clip';
import { largestMidi, largestWav, longestSound, sampleRate } from '$core/sounds/limits';
import type { ReadMelody } from '$core/sounds/midi';
import type { Note } from '$core/sounds/notes';
import type { OwnClip } from '$core/sounds/own-clips';
import type { Samples } from '$core/sounds/samples';
import { readWav, type ReadWav } from '$core/sounds/wav';
import { readOnce } from '$lib/task';
import type { FinishedSound, SoundService } from '$workers/sounds';
import { wavOfSound } from './sound-store';

function inWorker<T>(
	work: (service: Remote<SoundService>) => Promise<Result<T>>
): Promise<Result<T>> {
	const worker = new Worker(new URL('../../workers/sounds.ts', import.meta.url), {
		type: 'module'
	});
	return readOnce(worker, work, 'bench.fileTooLong');
}

export async function openWav(file: File): Promise<Result<ReadWav>> {
	if (file.size > largestWav)
		return failure('document.tooLarge', { bytes: file.size, maximum: largestWav });
	const bytes = new Uint8Array(await file.arrayBuffer());
	return inWorker((service) => service.read(bytes) as Promise<Result<ReadWav>>);
}

/** @param rate samples a second, as they were recorded */
export const recordedSamples = (voice: Float32Array, rate: number): Promise<Result<Samples>> =>
	inWorker((service) => service.recorded(voice, rate) as Promise<Result<Samples>>);

export const finishSound = (samples: Samples): Promise<Result<FinishedSound>> =>
	inWorker((service) => service.finish(samples) as Promise<Result<FinishedSound>>);

export async function openMidi(file: File): Promise<Result<ReadMelody>> {
	if (file.size > largestMidi)
		return failure('document.tooLarge', { bytes: file.size, maximum: largestMidi });
	const bytes = new Uint8Array(await file.arrayBuffer());
	return inWorker((service) => service.melody(bytes) as Promise<Result<ReadMelody>>);
}

/** @param tempo beats a minute */
export const midiFile = (
	notes: readonly Note[],
	tempo: number
): Promise<Result<Uint8Array<ArrayBuffer>>> =>
	inWorker(
		(service) => service.midi([...notes], tempo) as Promise<Result<Uint8Array<ArrayBuffer>>>
	);

/** One of ours, or of a person's, by its hash; null where nobody has it. */
export async function samplesOfSound(id: string): Promise<Samples | null> {
	const own = ownNamed(id);
	if (own !== undefined) {
		const made = await inWorker(
			(service) => service.own(own as OwnClip) as Promise<Result<Samples>>
		);
		return made.ok ? made.value : null;
	}
	const wav = await wavOfSound(id);
	const read = wav && readWav(wav, longestSound * sampleRate);
	return read?.ok ? read.value.samples : null;
}
