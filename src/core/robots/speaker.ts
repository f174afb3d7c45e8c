/** Plays one tone after the other; a new tune takes the place of the one before. */
import type { Wait } from '../devices/port';
import { speaker, type PlayedNote } from '../devices/speaker/device';
import { tick } from '../time';
import { voice } from '../devices/voice/device';
import { part, type MachinePart } from './machine';

/** A tone, a sound, or what is said. */
export type Sounding = PlayedNote & { readonly text?: string };

export class Speaker {
	volume = 0.6;
	private notes: readonly Sounding[] = [];
	private since = 0;
	private until = 0;

	/** @param clock seconds, of the robot: whoever waits for it may count from somewhere else */
	constructor(
		private readonly played: (notes: readonly Sounding[], volume: number) => void,
		private readonly clock: () => number,
		/** It plays clips as they are, not as tones. */
		private readonly hasClips = false
	) {}

	play(notes: readonly PlayedNote[]): Wait {
		return this.sound(
			this.hasClips ? notes : notes.map(({ pitch, length }) => ({ pitch, length }))
		);
	}

	/** Says something, in place of what it plays. */
	say(text: string, seconds: number): Wait {
		return this.sound([{ pitch: 0, length: seconds, text }]);
	}

	private sound(notes: readonly Sounding[]): Wait {
		const time = this.clock();
		// Right behind another one, it follows without a gap: a tick is too coarse for that.
		const isRightBehind = this.until <= time + tick / 2 && this.until > time - tick;
		const since = isRightBehind ? this.until : time;
		const endedAt = since + notes.reduce((sum, { length }) => sum + length, 0);
		Object.assign(this, { notes, since, until: endedAt });
		this.played(notes, this.volume);
		return { isOver: () => this.notes !== notes || this.clock() >= endedAt - tick / 2 };
	}

	silence(): void {
		this.play([]);
	}

	get isPlaying(): boolean {
		return this.clock() < this.until;
	}

	/** 0 during a rest and when nothing plays. */
	get loudness(): number {
		const time = this.clock();
		let end = this.since;
		for (const { pitch, length, text } of this.notes) {
			end += length;
			if (time < end) return pitch > 0 || text !== undefined ? this.volume : 0;
		}
		return 0;
	}
}

/** A speaker as a part of any robot that has one. */
export const speakerPart = (own: Speaker): MachinePart =>
	part(speaker, {
		play: ({ notes }) => own.play(notes),
		volume: ({ level }) => {
			own.volume = level;
		},
		silence: () => own.silence()
	});

/** A voice that comes from the same place. */
export const voicePart = (own: Speaker): MachinePart =>
	part(voice, { say: ({ text, seconds }) => own.say(text, seconds) });
