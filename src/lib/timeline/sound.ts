/** Plays the tones of an attempt: one voice, by the Web Audio API. */
import type { Tone } from '$core/simulation/attempt';

/** Of the loudest tone: a class has many speakers. */
const loudest = 0.25;
/** Seconds in which a tone comes, and goes: at once it would click. */
const rise = 0.005;
const fall = 0.04;
/** Seconds that a tone lasts at least, so that it is heard. */
const shortest = 0.03;

let context: AudioContext | undefined;
let playing: { readonly voice: OscillatorNode; readonly begin: number } | undefined;

/**
 * Called from a press of a button, so that the browser lets it sound.
 * @param rate how fast the attempt is shown @param delay seconds until it begins
 */
export function playTone({ pitch, volume, length }: Tone, rate: number, delay = 0): void {
	context ??= new AudioContext();
	void context.resume();
	const begin = context.currentTime + delay;
	const end = begin + Math.max(shortest, length / rate);
	// One voice: the next tone ends the one before it.
	if (playing && playing.begin <= begin) playing.voice.stop(begin);
	const voice = new OscillatorNode(context, { type: 'triangle', frequency: pitch });
	const loudness = new GainNode(context, { gain: 0 });
	loudness.gain
		.setValueAtTime(0, begin)
		.linearRampToValueAtTime(loudest * volume, begin + rise)
		.setValueAtTime(loudest * volume, end)
		.linearRampToValueAtTime(0, end + fall);
	voice.connect(loudness).connect(context.destination);
	voice.start(begin);
	voice.stop(end + fall);
	playing = { voice, begin };
}
