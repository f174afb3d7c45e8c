/** A list of steps that a chain is going through: of a body, a branch or a routine. */
import type { Datum } from '../types';
import type { Condition } from './computed';
import type { Instruction } from './program';

/** The inputs of the routine that is running, in order. */
export type Inputs = readonly Datum[];
export const noInputs: Inputs = [];

export interface Frame {
	readonly list: readonly Instruction[];
	readonly owner: Instruction | null;
	/** What the observer remembers of the owner. */
	readonly begun: unknown;
	readonly isLoop: boolean;
	/** Asked before each round; undefined for a loop that counts or never ends. */
	readonly until: Condition | undefined;
	readonly inputs: Inputs;
	readonly isCall: boolean;
	roundsLeft: number;
	index: number;
	/** Time at which the round began. */
	since: number;
}

/** At the start of its list; a loop says what more it needs. */
export const frameOf = (
	list: readonly Instruction[],
	owner: Instruction | null,
	begun: unknown,
	inputs: Inputs
): Frame => ({
	list,
	owner,
	begun,
	isLoop: false,
	until: undefined,
	inputs,
	isCall: false,
	roundsLeft: 0,
	index: 0,
	since: -1
});
