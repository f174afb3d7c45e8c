import type { Port } from '../devices/port';
import type { Cell } from '../expressions/evaluate';
import type { Datum } from '../types';
import type { Budget } from './budget';
import type { Observer } from './observer';
import type { Routines } from './program';

/** What all chains of one robot share. */
export interface Own {
	readonly port: Port;
	readonly routines: Routines;
	readonly observer: Observer;
	readonly chance: () => number;
	readonly cells: readonly Cell[];
	/** A part of the top speed. */
	cruise: number;
	/** What came with the newest message. */
	received: Datum;
}

/** What all chains of one run share. */
export interface Shared {
	readonly budget: Budget;
	readonly send: (message: string, value: Datum) => void;
	readonly endAll: () => void;
	/** Nobody begins a step while it is. */
	readonly isHeld: (() => boolean) | undefined;
}

/** The reading that says what came with a message. */
export const came = 'valueThatCameWithTheMessage';

/** The interpreter's own readings, and those of the robot. */
export function readingOf(reading: string, time: number, own: Own): Datum {
	if (reading === 'time') return time;
	if (reading === 'cruise') return own.cruise;
	return reading === came ? own.received : own.port.read(reading);
}
