/** Plays the tones of an attempt. The sound package is loaded with the first tone. */
import type { Synth } from 'tone';
import type { Tone } from '$core/simulation/attempt';

type Instrument = Synth;

let loading: Promise<Instrument> | undefined;

async function load(): Promise<Instrument> {
	const { Synth, Volume, start } = await import('tone');
	await start();
	const volume = new Volume(-12).toDestination();
	return new Synth({ oscillator: { type: 'triangle' } }).connect(volume);
}

/** Called from a press of a button, so that the browser lets it sound. */
export const warmUpSound = (): Promise<Instrument> => (loading ??= load());

/** One voice: a tone cannot begin at the very moment, or before, the last one did. Seconds. */
const shortestGap = 0.01;
let lastStart = 0;

/** @param delay seconds until it begins */
export async function playTone(tone: Tone, rate: number, delay = 0): Promise<void> {
	const instrument = await warmUpSound();
	const length = Math.max(0.03, tone.length / rate);
	lastStart = Math.max(instrument.now() + delay, lastStart + shortestGap);
	instrument.triggerAttackRelease(tone.pitch, length, lastStart, tone.volume);
}
