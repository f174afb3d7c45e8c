/** Plays one tone after the other; a new tune takes the place of the one before. */
import type { Wait } from '../devices/port';
import { speaker, type PlayedNote } from '../devices/speaker/device';
import { part, type Part } from './machine';

export class Speaker {
	volume = 0.6;
	private notes: readonly PlayedNote[] = [];
	private since = 0;
	private until = 0;

	constructor(private readonly played: (notes: readonly PlayedNote[], volume: number) => void) {}

	play(notes: readonly PlayedNote[], time: number): Wait {
		const until = time + notes.reduce((sum, { length }) => sum + length, 0);
		Object.assign(this, { notes, since: time, until });
		this.played(notes, this.volume);
		return { isOver: (now) => this.notes !== notes || now >= until };
	}

	silence(time: number): void {
		this.play([], time);
	}

	isPlayingAt(time: number): boolean {
		return time < this.until;
	}

	/** 0 during a rest and when nothing plays. */
	loudnessAt(time: number): number {
		let end = this.since;
		for (const { pitch, length } of this.notes) {
			end += length;
			if (time < end) return pitch > 0 ? this.volume : 0;
		}
		return 0;
	}
}

/** A speaker as a part of any robot that has one. @param time of the robot's clock */
export const speakerPart = (own: Speaker, time: () => number): Part =>
	part(speaker, {
		play: ({ notes }) => own.play(notes, time()),
		volume: ({ level }) => {
			own.volume = level;
		},
		silence: () => own.silence(time())
	});
