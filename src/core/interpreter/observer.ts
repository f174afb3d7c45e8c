import type { Device } from '../devices/device';
import type { Sentence } from '../sentence';
import type { Datum } from '../types';
import type { Instruction } from './program';

/** Told what happens. @template Begun what it remembers of a step until that ends */
export interface Observer<Begun = unknown> {
	/** @param values in the order of the instruction's names; the list may be used again */
	started(instruction: Instruction, time: number, values: readonly Datum[]): Begun;
	ended(begun: Begun, time: number): void;
	/** A step that took no time, and held no others. */
	ran(instruction: Instruction, time: number, values: readonly Datum[]): void;
	/** A loop used up the budget of a tick without ever waiting. */
	ranWithoutWaiting(loop: Instruction, time: number): void;
	/** A step gave an order to a device. */
	ordered(instruction: Instruction, device: Device, name: string): void;
	/** Something that a person should know, said once for each step and key. */
	noted(instruction: Instruction, sentence: Sentence): void;
	logged(instruction: Instruction, time: number, value: Datum): void;
}
