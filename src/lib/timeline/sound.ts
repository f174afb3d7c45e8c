/** Plays what an attempt sounds: one voice for each page, by the Web Audio API. */
import type { Tone } from '$core/simulation/attempt';

/** Of the loudest tone: a class has many speakers. */
const loudest = 0.25;
/** Seconds in which a tone comes, and goes: at once it would click. */
const rise = 0.005;
const fall = 0.04;
/** Seconds that a tone lasts at least, so that it is heard. */
const shortest = 0.03;

let context: AudioContext | undefined;
let playing: { readonly voice: AudioScheduledSourceNode; readonly begin: number } | undefined;
/** All that sounds now, or is to. */
const voices = new Set<AudioScheduledSourceNode>();
/** Sounds that were played before, by their hashes; null for one that nobody has. */
const buffers = new Map<string, Promise<AudioBuffer | null>>();

function bufferOf(id: string, context: AudioContext): Promise<AudioBuffer | null> {
	const made = buffers.get(id) ?? fetchBuffer(id, context);
	buffers.set(id, made);
	// One that nobody has now may be there later.
	void made.then((buffer) => buffer ?? buffers.delete(id));
	return made;
}

async function fetchBuffer(id: string, context: AudioContext): Promise<AudioBuffer | null> {
	const [{ samplesOfSound }, { sampleRate }] = await Promise.all([
		import('$lib/sounds/sound-work'),
		import('$core/sounds/limits')
	]);
	const samples = await samplesOfSound(id);
	return samples && filled(context, samples, sampleRate);
}

function filled(context: AudioContext, samples: Int16Array, rate: number): AudioBuffer {
	const buffer = context.createBuffer(1, samples.length, rate);
	buffer.copyToChannel(
		Float32Array.from(samples, (sample) => sample / 32768),
		0
	);
	return buffer;
}

/** A sound that is not kept yet. @param rate samples a second */
export function playSamples(samples: Int16Array, rate: number): void {
	context ??= new AudioContext();
	void context.resume();
	const voice = new AudioBufferSourceNode(context, { buffer: filled(context, samples, rate) });
	start(voice, { pitch: 0, length: samples.length / rate, volume: 0.6 }, 1, context.currentTime);
}

/**
 * Called from a press of a button, so that the browser lets it sound.
 * @param rate how fast the attempt is shown @param delay seconds until it begins
 */
export function playTone(tone: Omit<Tone, 'time'>, rate: number, delay = 0): void {
	if (tone.text !== undefined) return speak(tone.text, tone.volume, rate);
	context ??= new AudioContext();
	void context.resume();
	const begin = context.currentTime + delay;
	if (tone.clip === undefined) {
		const { pitch } = tone;
		return start(
			new OscillatorNode(context, { type: 'triangle', frequency: pitch }),
			tone,
			rate,
			begin
		);
	}
	const own = context;
	void bufferOf(tone.clip, own).then((buffer) => {
		const late = Math.max(0, own.currentTime - begin);
		if (buffer && late < tone.length / rate)
			start(
				new AudioBufferSourceNode(own, { buffer, playbackRate: rate }),
				tone,
				rate,
				begin + late
			);
	});
}

/** By the browser's own voice, if it has one. */
function speak(text: string, volume: number, rate: number): void {
	const { speechSynthesis: voice } = globalThis;
	if (!voice) return;
	voice.cancel();
	voice.speak(
		Object.assign(new SpeechSynthesisUtterance(text), { volume, rate: Math.max(0.5, rate) })
	);
}

function start(
	voice: OscillatorNode | AudioBufferSourceNode,
	{ length, volume }: Omit<Tone, 'time'>,
	rate: number,
	begin: number
): void {
	const own = context!;
	const end = begin + Math.max(shortest, length / rate);
	// One voice: the next sound ends the one before it.
	if (playing && playing.begin <= begin) playing.voice.stop(begin);
	const loudness = new GainNode(own, { gain: 0 });
	loudness.gain
		.setValueAtTime(0, begin)
		.linearRampToValueAtTime(loudest * volume, begin + rise)
		.setValueAtTime(loudest * volume, end)
		.linearRampToValueAtTime(0, end + fall);
	voice.connect(loudness).connect(own.destination);
	voice.start(begin);
	voice.stop(end + fall);
	playing = { voice, begin };
	voices.add(voice);
	voice.onended = () => voices.delete(voice);
}

/** Ends what sounds now, and what was to come. */
export function hush(): void {
	globalThis.speechSynthesis?.cancel();
	for (const voice of voices) voice.stop();
	voices.clear();
	playing = undefined;
}
