/** All that an interpreter knows of a robot: the same for a model, a live link and a stored run. */
import type { Datum } from '../types';
import type { Command } from './device';

/** Something a chain waits for before its next step. */
export interface Wait {
	/** The order was refused: why, as in the message `note.refused.<why>`. */
	readonly refusal?: string;
	/** @param time virtual seconds since Run */
	isOver(time: number): boolean;
	/** Once it is over: when that was, for what lasts so long and no longer; ticks are too coarse for it. */
	readonly endedAt?: number | undefined;
}

/** The wait for what is done at once. */
export const atOnce: Wait = { isOver: () => true };

/** The answer to an order that a robot does not carry out. */
export const refused = (refusal: string): Wait => ({ refusal, isOver: () => true });

export interface Port {
	/** Begins what a command asks for, in place of what its device did. A device that is not there does nothing. */
	begin(command: Command): Wait;
	/** The newest that is known of a reading, in the units of documents; NaN when nothing is. */
	read(reading: string): Datum;
}
