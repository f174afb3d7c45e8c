/**
 * A device is what a robot can have: what it can be told, and what it can say. It is plain data; how
 * a kind of robot does it stands with the kind. An order to a device is data, too, so that a link can
 * send it and a journal can keep it.
 */
import type { z } from 'zod';
import type { Level } from '../levels';
import type { Type } from '../types';

/** By the name of the command: what it takes, in SI units, speeds as a part of the top speed. */
export type Schemas = Readonly<Record<string, z.ZodType>>;

export interface ReadingDefinition {
	/** In the units of documents. */
	readonly type: Type;
	/** From which level on it is offered. */
	readonly level: Level;
	/** Worth seeing although no plan reads it. */
	readonly isUsual?: true;
}

export interface Device<S extends Schemas = Schemas> {
	readonly id: string;
	readonly commands: S;
	readonly readings: Readonly<Record<string, ReadingDefinition>>;
	/** The commands that move the robot: who gave the last of them answers for what it runs into. */
	readonly moves?: readonly string[];
}

/** An order to a device of a robot. */
export interface Command {
	readonly device: string;
	readonly name: string;
	readonly values: Readonly<Record<string, unknown>>;
}
