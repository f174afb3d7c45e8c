/** Sounds as WAV files (RIFF, as Microsoft and IBM described it in 1991): written in one form, read in any that is not packed. */
import { failure, success, type Result } from '../sentence';
import { headerBytes, largestWav, sampleRate, wavBytes } from './limits';
import { resampled, type Samples } from './samples';

/** Of the samples of a file, whole numbers or fractions. */
const whole = 1;
const fraction = 3;
/** Says that the form stands further behind. */
const extensible = 0xfffe;

/** One voice, 16 bits, `sampleRate` samples a second. */
export function wavOf(samples: Samples): Uint8Array<ArrayBuffer> {
	const bytes = new Uint8Array(wavBytes(samples.length));
	const view = new DataView(bytes.buffer);
	const text = (at: number, letters: string) =>
		[...letters].forEach((letter, index) => view.setUint8(at + index, letter.charCodeAt(0)));
	text(0, 'RIFF');
	view.setUint32(4, bytes.length - 8, true);
	text(8, 'WAVEfmt ');
	view.setUint32(16, 16, true);
	view.setUint16(20, whole, true);
	view.setUint16(22, 1, true);
	view.setUint32(24, sampleRate, true);
	view.setUint32(28, 2 * sampleRate, true);
	view.setUint16(32, 2, true);
	view.setUint16(34, 16, true);
	text(36, 'data');
	view.setUint32(40, 2 * samples.length, true);
	samples.forEach((sample, index) => view.setInt16(headerBytes + 2 * index, sample, true));
	return bytes;
}

export const isWav = (bytes: Uint8Array): boolean =>
	tagAt(bytes, 0) === 'RIFF' && tagAt(bytes, 8) === 'WAVE';

const tagAt = (bytes: Uint8Array, at: number): string =>
	String.fromCharCode(...bytes.subarray(at, at + 4));

/** How the samples of a file lie in it. */
interface Form {
	readonly kind: number;
	readonly voices: number;
	/** Samples a second. */
	readonly rate: number;
	readonly bits: number;
}

export interface ReadWav {
	readonly samples: Samples;
	/** Of the file, where it is another than ours. */
	readonly rate?: number;
	readonly voices?: number;
	/** Seconds that it has beyond the longest that is taken. */
	readonly leftOut: number;
}

/** @param longest samples that are taken at the most */
export function readWav(bytes: Uint8Array, longest: number): Result<ReadWav> {
	if (bytes.length > largestWav)
		return failure('document.tooLarge', { bytes: bytes.length, maximum: largestWav });
	if (!isWav(bytes)) return failure('sound.notWav');
	const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
	let form: Form | undefined;
	// Each part has a name, its length, and what it holds, to an even number of bytes.
	for (let at = 12; at + 8 <= bytes.length;) {
		const [tag, length, from] = [tagAt(bytes, at), view.getUint32(at + 4, true), at + 8];
		if (tag === 'fmt ') {
			if (length < 16 || from + length > bytes.length) return failure('sound.cutOff', { at });
			form = formAt(view, from, length);
		} else if (tag === 'data') {
			if (!form) return failure('sound.noForm', { at });
			// Whoever streams says a length that is not yet known: what is there is taken.
			return samplesIn(view, form, from, Math.min(length, bytes.length - from), longest);
		}
		at = from + length + (length % 2);
	}
	return failure('sound.noSamples');
}

function formAt(view: DataView, at: number, length: number): Form {
	const kind = view.getUint16(at, true);
	return {
		kind: kind === extensible && length >= 26 ? view.getUint16(at + 24, true) : kind,
		voices: view.getUint16(at + 2, true),
		rate: view.getUint32(at + 4, true),
		bits: view.getUint16(at + 14, true)
	};
}

function readerOf(view: DataView, { kind, bits }: Form): ((at: number) => number) | undefined {
	if (kind === fraction && bits === 32) return (at) => view.getFloat32(at, true);
	if (kind === fraction && bits === 64) return (at) => view.getFloat64(at, true);
	if (kind !== whole) return undefined;
	switch (bits) {
		case 8:
			return (at) => (view.getUint8(at) - 128) / 128;
		case 16:
			return (at) => view.getInt16(at, true) / 32768;
		case 24:
			return (at) => (view.getUint16(at, true) + view.getInt8(at + 2) * 65536) / 8388608;
		case 32:
			return (at) => view.getInt32(at, true) / 2147483648;
	}
	return undefined;
}

function samplesIn(
	view: DataView,
	form: Form,
	from: number,
	length: number,
	longest: number
): Result<ReadWav> {
	const { voices, rate, bits, kind } = form;
	const read = readerOf(view, form);
	if (!read) return failure('sound.form', { kind, bits });
	if (voices < 1 || voices > 8) return failure('sound.voices', { voices });
	if (rate < 4000 || rate > 192_000) return failure('sound.rate', { rate });
	const step = (bits / 8) * voices;
	const count = Math.floor(length / step);
	if (count === 0) return failure('sound.noSamples');
	const taken = Math.min(count, Math.ceil((longest * rate) / sampleRate));
	const voice = new Float64Array(taken);
	for (let i = 0; i < taken; i++) {
		let sum = 0;
		for (let each = 0; each < voices; each++) sum += read(from + i * step + (each * bits) / 8);
		voice[i] = sum / voices;
	}
	return success({
		samples: resampled(voice, rate).subarray(0, longest),
		...(rate !== sampleRate && { rate }),
		...(voices > 1 && { voices }),
		leftOut: (count - taken) / rate
	});
}
