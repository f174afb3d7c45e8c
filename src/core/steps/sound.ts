/** Sound: tones and melodies. */
import { clips } from '../devices/clips/device';
import { hornDevice } from '../devices/horn/device';
import { speaker } from '../devices/speaker/device';
import { readClip, clipSeconds } from '../sounds/clip';
import type { StepDefinition, ValueDefinition } from './definition';
import { written } from '../types';
import { longestSaid, speechSeconds } from '../sounds/speech';
import { voice } from '../devices/voice/device';
import { pitchOf, readNotes } from '../sounds/notes';
import { choice, duration, ratio } from './values';

const then: ValueDefinition = { ...choice('wait', 'carryOn'), addedLater: true };

export const tone: StepDefinition = {
	kind: 'tone',
	family: 'sound',
	level: 'first',
	glyph: 'M5 10v4M9 7v10M13 4v16M17 8v8M21 11v2',
	values: {
		pitch: {
			type: 'number',
			quantity: 'frequency',
			minimum: 50,
			maximum: 4000,
			increment: 10,
			initial: 440
		},
		length: duration(0.5, { minimum: 0.05, maximum: 10, increment: 0.05 }),
		then
	},
	firstValue: 'pitch',
	needs: [speaker],
	takesTime: true,
	run({ ask, number, text }) {
		const playing = ask(speaker, 'play', {
			notes: [{ pitch: number('pitch'), length: number('length') }]
		});
		return text('then') === 'wait' ? playing : undefined;
	}
};

export const clip: StepDefinition = {
	kind: 'clip',
	family: 'sound',
	level: 'first',
	glyph: 'M4 12h2l1.500-5 3 11 3-14 3 11 1.500-3h2',
	values: { clip: { type: 'clip', initial: 'bell' }, then: choice('wait', 'carryOn') },
	firstValue: 'clip',
	needs: [speaker],
	wants: clips,
	takesTime: true,
	run({ ask, text }) {
		const sound = readClip(text('clip'));
		if (!sound) return undefined;
		const { id, pitch } = sound;
		const playing = ask(speaker, 'play', {
			notes: [{ pitch, length: clipSeconds(sound), clip: id }]
		});
		return text('then') === 'wait' ? playing : undefined;
	}
};

export const melody: StepDefinition = {
	kind: 'melody',
	family: 'sound',
	level: 'first',
	glyph: 'M9 18V5l11-2v12M9 18a3 2.500 0 1 1-.1-1M20 15a3 2.500 0 1 1-.1-1',
	values: {
		notes: { type: 'notes', initial: 'C4 E4 G4 C5:2' },
		tempo: {
			type: 'number',
			quantity: 'number',
			minimum: 20,
			maximum: 400,
			increment: 5,
			initial: 120
		},
		then: choice('wait', 'carryOn')
	},
	firstValue: 'notes',
	needs: [speaker],
	takesTime: true,
	run({ ask, number, text, spend }) {
		const notes = readNotes(text('notes'));
		if (!notes.ok) return undefined;
		spend(notes.value.length);
		const beat = 60 / number('tempo');
		const playing = ask(speaker, 'play', {
			notes: notes.value.map(({ name, beats }) => ({
				pitch: name ? pitchOf(name) : 0,
				length: beats * beat
			}))
		});
		return text('then') === 'wait' ? playing : undefined;
	}
};

export const sayText: StepDefinition = {
	kind: 'say',
	family: 'sound',
	level: 'first',
	glyph: 'M4 5h16v11h-9l-4.500 4v-4H4zM8 10.500h8M8 13h5',
	values: { text: { type: 'anything', initial: 'Ahoy!' }, then: choice('wait', 'carryOn') },
	firstValue: 'text',
	needs: [voice],
	takesTime: true,
	run({ ask, datum, text }) {
		const words = written(datum('text')).slice(0, longestSaid);
		if (words.trim() === '') return undefined;
		const saying = ask(voice, 'say', { text: words, seconds: speechSeconds(words) });
		return text('then') === 'wait' ? saying : undefined;
	}
};

export const volume: StepDefinition = {
	kind: 'volume',
	family: 'sound',
	level: 'further',
	glyph: 'M3 9.500v5h4l5 4v-13l-5 4zM16 9a4 4 0 0 1 0 6M18.500 6a8 8 0 0 1 0 12',
	values: { level: ratio(0.6) },
	needs: [speaker],
	run({ ask, number }) {
		ask(speaker, 'volume', { level: number('level') });
	}
};

export const silence: StepDefinition = {
	kind: 'silence',
	family: 'sound',
	level: 'further',
	glyph: 'M3 9.500v5h4l5 4v-13l-5 4zM16 9.500l5 5M21 9.500l-5 5',
	values: {},
	needs: [speaker],
	run({ ask }) {
		ask(speaker, 'silence', {});
	}
};

export const horn: StepDefinition = {
	kind: 'horn',
	family: 'sound',
	level: 'first',
	glyph: 'M4 10v4h4l8 5V5L8 10zM19 9.500c1.500 1.500 1.500 3.500 0 5',
	values: { duration: duration(0.6, { minimum: 0.05, maximum: 10 }) },
	firstValue: 'duration',
	needs: [hornDevice],
	takesTime: true,
	run: ({ ask, number }) => ask(hornDevice, 'sound', { duration: number('duration') })
};

/** It takes the place of what sounds. */
export const replacesSound = (kind: string): boolean =>
	[tone, clip, melody, sayText, silence].some((step) => step.kind === kind);

export const soundSteps = [horn, tone, clip, melody, sayText, volume, silence];
