import type { Happenings } from '../devices/happenings';
import type { Datum } from '../types';

/** What can start a chain of a robot, at one moment. */
export interface Signals {
	/** Virtual seconds since Run. */
	readonly time: number;
	readonly happened: Happenings;
	/** Sent in the tick before, each with its value. */
	readonly messages: ReadonlyMap<string, Datum>;
	/** What a reading of the robot says now. */
	readonly read: (reading: string) => Datum;
}
