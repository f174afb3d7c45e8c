import type { Datum } from '../types';
import type { Sentence } from '../sentence';
import type { z } from 'zod';
import type { Cell } from '../expressions/evaluate';
import type { Device, Schemas } from '../devices/device';
import type { Wait } from '../devices/port';

/** How a loop goes on: so many rounds, until a condition holds (by the name of its value), or for ever. */
export interface Rounds {
	readonly times?: number;
	readonly until?: string;
}

/** What a step finds when it runs: its values worked out, its robot's devices, and ways to steer its chain. */
export interface Running {
	/**
	 * Gives an order to a device of the robot.
	 * @returns a wait until it is done; a step that does not wait does not return it
	 */
	readonly ask: <S extends Schemas, N extends keyof S & string>(
		device: Device<S>,
		name: N,
		values: z.infer<S[N]>
	) => Wait;
	/** A wait for so many seconds, counted from now. */
	readonly pause: (seconds: number) => Wait;
	/** Sets what the reading `cruise` gives, a part of the top speed. */
	readonly setCruise: (speed: number) => void;
	/** The variable that the step names in its value `variable`. */
	readonly cell: Cell;

	/** A number in the unit of documents, within the range of its definition. */
	readonly number: (name: string) => number;
	/** A choice, a colour, a name. */
	readonly text: (name: string) => string;
	readonly datum: (name: string) => Datum;
	/** A condition as it stands at this moment. */
	readonly truth: (name: string) => boolean;

	/** Runs the body of the step again and again. */
	readonly loop: (rounds: Rounds) => void;
	/** Runs the first branch whose condition holds. */
	readonly choose: () => void;
	/** Runs all branches at the same time. @returns a wait until the last one has ended */
	readonly sideBySide: () => Wait | undefined;
	/** Runs a routine with the step's other values as its inputs. */
	readonly call: (name: string) => void;
	readonly leaveLoop: () => void;
	readonly endChain: () => void;
	readonly endAll: () => void;
	/** Counts work that is more than a step's. @param steps that cost as much */
	readonly spend: (steps: number) => void;
	/** @param value that comes with it */
	readonly send: (message: string, value: Datum) => void;
	readonly log: (value: Datum) => void;
	/** Says once what went wrong here. */
	readonly note: (key: string, values?: Sentence['values']) => void;
}
