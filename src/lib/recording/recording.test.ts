import { sampleRate } from '$core/sounds/limits';
import { expect, it, vi } from 'vitest';

import { Cutting } from './cutting.svelte';
import { Recorder, type OpenMicrophone } from './recorder.svelte';

vi.mock('./tape.worklet.js?url&no-inline', () => ({ default: '' }));

/** Half a second of silence, a second of sound, half a second of silence. */
const sound = Int16Array.from({ length: 2 * sampleRate }, (_, i) =>
	i >= sampleRate / 2 && i < 1.5 * sampleRate ? 9000 * (i % 2 ? 1 : -1) : 0
);

it('chooses what is not silence, and keeps both ends in order and within a sound', () => {
	const cutting = new Cutting(sound, 'Beacon');
	expect([cutting.from, cutting.to]).toEqual([expect.closeTo(0.5, 1), expect.closeTo(1.5, 1)]);
	cutting.setFrom(1.9);
	expect([cutting.from, cutting.to]).toEqual([1.9, expect.closeTo(1.95, 9)]);
	cutting.setTo(0.2);
	expect([cutting.from, cutting.to]).toEqual([expect.closeTo(0.15, 9), 0.2]);
	cutting.setFrom(-3);
	cutting.setTo(9);
	expect([cutting.from, cutting.to]).toEqual([0, 2]);
	expect(cutting.part).toEqual(sound);
	cutting.setFrom(0.5);
	cutting.setTo(1);
	expect(cutting.part).toEqual(sound.slice(sampleRate / 2, sampleRate));
	const long = new Cutting(new Int16Array(30 * sampleRate).fill(9000), '');
	expect(long.length).toBe(10);
	long.setFrom(3);
	expect([long.from, long.to]).toEqual([3, 10]);
	expect(long.length).toBeLessThanOrEqual(10);
	expect([long.fits(0), long.fits(900_000)]).toEqual([true, false]);
});

/** A microphone that hears what it is told. */
function microphone() {
	const state = { heard: (bit: Float32Array) => void bit, isOpen: false };
	const open: OpenMicrophone = (heard) => {
		Object.assign(state, { heard, isOpen: true });
		return Promise.resolve({ rate: 1000, close: () => (state.isOpen = false) });
	};
	return { state, open };
}

it('records until it is stopped, ten seconds at the most, and lets the microphone go', async () => {
	const { state, open } = microphone();
	const recorded = vi.fn();
	const recorder = new Recorder(open, recorded, () => {});
	await recorder.start();
	state.heard(new Float32Array([0.1, -0.6, 0.2]));
	expect([recorder.state, recorder.level, recorder.seconds]).toEqual([
		'recording',
		expect.closeTo(0.6, 5),
		0.003
	]);
	recorder.stop();
	expect(recorded).toHaveBeenCalledExactlyOnceWith(new Float32Array([0.1, -0.6, 0.2]), 1000);
	expect([recorder.state, state.isOpen]).toEqual(['idle', false]);

	await recorder.start();
	state.heard(new Float32Array(10_400));
	expect(recorder.state).toBe('idle');
	expect(recorded).toHaveBeenCalledTimes(2);
});

it('lets the microphone go when nobody waits for it any more, and says when there is none', async () => {
	const { state, open } = microphone();
	const refused = vi.fn();
	const recorder = new Recorder(open, () => {}, refused);
	const starting = recorder.start();
	recorder.cancel();
	await starting;
	expect([recorder.state, state.isOpen]).toEqual(['idle', false]);
	const error = new DOMException('none', 'NotFoundError');
	const none = new Recorder(
		() => Promise.reject(error),
		() => {},
		refused
	);
	await none.start();
	expect(refused).toHaveBeenCalledExactlyOnceWith(error);
	expect(none.state).toBe('idle');
});
