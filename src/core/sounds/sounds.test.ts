import { sampleRate, wavBytes } from './limits';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../testing/runs';
import { readClip, writeClip } from './clip';
import { makeClip } from './clips';
import { ownClips, ownNames } from './own-clips';
import { envelopeOf, pitchOfSamples, resampled } from './samples';
import { readWav, wavOf } from './wav';

const longest = 10 * sampleRate;
const sine = (hertz: number, seconds: number, rate: number) =>
	Float64Array.from({ length: seconds * rate }, (_, i) =>
		Math.sin((2 * Math.PI * hertz * i) / rate)
	);

/** A file of any form, by the description of RIFF alone. */
function anyWav(
	{ kind, voices, rate, bits }: { kind: number; voices: number; rate: number; bits: number },
	write: (view: DataView, at: number, frame: number) => void,
	frames: number,
	before = ''
): Uint8Array {
	const step = (bits / 8) * voices;
	const bytes = new Uint8Array(44 + before.length + frames * step);
	const view = new DataView(bytes.buffer);
	const text = (at: number, letters: string) => bytes.set(new TextEncoder().encode(letters), at);
	text(0, 'RIFF');
	view.setUint32(4, bytes.length - 8, true);
	text(8, 'WAVE');
	text(12, before);
	const at = 12 + before.length;
	text(at, 'fmt ');
	view.setUint32(at + 4, 16, true);
	[kind, voices].forEach((value, i) => view.setUint16(at + 8 + 2 * i, value, true));
	view.setUint32(at + 12, rate, true);
	view.setUint32(at + 16, rate * step, true);
	view.setUint16(at + 20, step, true);
	view.setUint16(at + 22, bits, true);
	text(at + 24, 'data');
	view.setUint32(at + 28, frames * step, true);
	for (let frame = 0; frame < frames; frame++)
		for (let voice = 0; voice < voices; voice++)
			write(view, at + 32 + frame * step + (voice * bits) / 8, frame);
	return bytes;
}

describe('our own sounds', () => {
	it.each(ownNames)('%s is what the table says, to the byte', (name) => {
		const samples = makeClip(name);
		expect({
			id: bytesToHex(sha256(wavOf(samples))),
			samples: samples.length,
			pitch: pitchOfSamples(samples)
		}).toEqual(ownClips[name]);
		// It can be heard, is not cut at the top, and neither begins nor ends with a crack.
		expect(Math.max(...envelopeOf(samples, 50))).toBeCloseTo(0.8, 1);
		expect(Math.abs(samples.at(-1)!)).toBeLessThan(2000);
	});

	it('are at least sixteen', () => expect(ownNames.length).toBeGreaterThanOrEqual(16));
});

describe('WAV', () => {
	it('gives back the samples that were written', () => {
		fc.assert(
			fc.property(fc.int16Array({ minLength: 1, maxLength: 2000 }), (values) => {
				const samples = Int16Array.from(values);
				const bytes = wavOf(samples);
				expect(bytes).toHaveLength(wavBytes(samples.length));
				expect(readWav(bytes, longest)).toEqual({ ok: true, value: { samples, leftOut: 0 } });
			}),
			{ numRuns: runs(500, 2000) }
		);
	});

	const full = (bits: number) => 2 ** (bits - 1) - 1;
	const forms = [
		[
			{ kind: 1, voices: 1, rate: 44_100, bits: 8 },
			(v: DataView, at: number, x: number) => v.setUint8(at, 128 + x * 127)
		],
		[
			{ kind: 1, voices: 2, rate: 48_000, bits: 16 },
			(v: DataView, at: number, x: number) => v.setInt16(at, x * full(16), true)
		],
		[
			{ kind: 1, voices: 2, rate: 44_100, bits: 24 },
			(v: DataView, at: number, x: number) => {
				const whole = Math.round(x * full(24));
				v.setInt16(at, ((whole & 0xffff) << 16) >> 16, true);
				v.setInt8(at + 2, whole >> 16);
			}
		],
		[
			{ kind: 1, voices: 1, rate: 8000, bits: 32 },
			(v: DataView, at: number, x: number) => v.setInt32(at, x * full(32), true)
		],
		[
			{ kind: 3, voices: 1, rate: 22_050, bits: 32 },
			(v: DataView, at: number, x: number) => v.setFloat32(at, x, true)
		],
		[
			{ kind: 3, voices: 1, rate: 96_000, bits: 64 },
			(v: DataView, at: number, x: number) => v.setFloat64(at, x, true)
		]
	] as const;

	it.each(forms)('reads %j, as one voice with our pace', (form, write) => {
		const wave = sine(440, 0.5, form.rate);
		const put = (view: DataView, at: number, i: number) => write(view, at, 0.5 * wave[i]!);
		const read = readWav(
			anyWav(form, put, wave.length, 'LIST\u0003\u0000\u0000\u0000abc\u0000'),
			longest
		);
		if (!read.ok) throw new Error(read.failure.key);
		const { samples, rate, voices, leftOut } = read.value;
		expect([samples.length, rate, voices, leftOut]).toEqual([
			...[8000, form.rate],
			...[form.voices > 1 ? form.voices : undefined, 0]
		]);
		expect(Math.abs(pitchOfSamples(samples) - 440)).toBeLessThan(8);
		expect(envelopeOf(samples, 1)[0]).toBeCloseTo(0.5, 1);
	});

	it('leaves out what is longer than a sound may be, and says how much', () => {
		const form = { kind: 1, voices: 1, rate: 16_000, bits: 16 };
		const read = readWav(
			anyWav(form, () => {}, 12 * 16_000),
			longest
		);
		expect(read).toMatchObject({ ok: true, value: { leftOut: 2 } });
		expect(read.ok && read.value.samples).toHaveLength(longest);
	});

	it('says of whatever is hostile what is wrong, at once, and makes nothing large of it', () => {
		const whole = wavOf(Int16Array.from({ length: 400 }, (_, i) => i));
		const refusals = new Set<string>();
		fc.assert(
			fc.property(
				fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { minLength: 1, maxLength: 12 }),
				fc.nat(whole.length),
				(changes, length) => {
					const bytes = whole.slice(0, length);
					for (const [at, value] of changes) if (at < length) bytes[at] = value;
					const from = performance.now();
					const read = readWav(bytes, longest);
					expect(performance.now() - from).toBeLessThan(1000);
					if (read.ok) expect(read.value.samples.length).toBeLessThanOrEqual(longest);
					else refusals.add(read.failure.key);
				}
			),
			{ numRuns: runs(500, 2000) }
		);
		const header = (at: number, value: number) => {
			const bytes = whole.slice();
			new DataView(bytes.buffer).setUint16(at, value, true);
			return readWav(bytes, longest);
		};
		expect(header(20, 85)).toMatchObject({ failure: { key: 'sound.form' } });
		expect(header(22, 0)).toMatchObject({ failure: { key: 'sound.voices' } });
		expect(header(24, 0)).toMatchObject({ failure: { key: 'sound.rate' } });
		expect(refusals).toContain('sound.notWav');
		expect(refusals).toContain('sound.noSamples');
	});
});

describe('samples', () => {
	it.each([100, 262, 440, 1000, 2000])('a tone of %d Hz comes nearest to itself', (hertz) => {
		const found = pitchOfSamples(resampled(sine(hertz, 0.4, sampleRate), sampleRate));
		// A period is counted in whole samples.
		expect(Math.abs(sampleRate / found - sampleRate / hertz)).toBeLessThan(0.6);
	});

	it('what is too high for our pace does not come back as something low', () => {
		const [low, high] = [440, 14_000].map((hertz) =>
			envelopeOf(resampled(sine(hertz, 0.4, 48_000), 48_000), 1)
		);
		expect(low![0]).toBeGreaterThan(0.95);
		expect(high![0]).toBeLessThan(0.45);
	});
});

describe('a clip as text', () => {
	it('is read as it was written, and nothing else is one', () => {
		const name = fc.string({ minLength: 1, maxLength: 30 }).filter((text) => !/^\s|\s$/.test(text));
		fc.assert(
			fc.property(fc.integer({ min: 1, max: longest }), name, (samples, name) => {
				const clip = { id: ownClips.gull.id, samples, pitch: 300, name };
				expect(readClip(writeClip(clip))).toEqual(clip);
			})
		);
		for (const wrong of ['', 'Bell', 'toString', `${ownClips.gull.id}:160001:300:a`, 'ab:1:1:a'])
			expect(readClip(wrong)).toBeNull();
	});
});
