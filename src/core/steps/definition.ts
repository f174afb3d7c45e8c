/**
 * What a step is. A step is defined once, in a file of its family; the shelf, the tag, the value
 * editors, the checks, the interpreter and the file format all read that one definition. The words
 * (name, sentence, help) stand in the message files under `steps.<kind>`.
 */
import type { Controls, Wait } from '../interpreter/controls';

export const families = ['travel', 'glow', 'sound', 'flow'] as const;
export type Family = (typeof families)[number];

export type Level = 'first' | 'further' | 'full';

/** What a number measures, in the unit that files use: m, degrees, s, 0 to 1, times, Hz. */
export type Quantity = 'length' | 'angle' | 'duration' | 'ratio' | 'count' | 'frequency';

export interface NumberDefinition {
	readonly type: 'number';
	readonly quantity: Quantity;
	readonly minimum: number;
	readonly maximum: number;
	/** Smallest change that the arrow keys and the slider make. */
	readonly increment: number;
	readonly initial: number;
}

export interface ChoiceDefinition {
	readonly type: 'choice';
	readonly options: readonly string[];
	readonly initial: string;
}

/** A colour as `#rrggbb`. */
export interface ColourDefinition {
	readonly type: 'colour';
	readonly initial: string;
}

export type ValueDefinition = NumberDefinition | ChoiceDefinition | ColourDefinition;

export type Value = number | string;
export type Values = Readonly<Record<string, Value>>;

/** What a robot must have for a step. */
export type Ability = 'wheels' | 'counters' | 'gyro' | 'lamp' | 'speaker';

export interface StepDefinition {
	readonly kind: string;
	readonly family: Family;
	readonly level: Level;
	/** A trigger starts a chain and stands only at its top. */
	readonly isTrigger?: boolean;
	/** Holds other steps in `body`. */
	readonly hasBody?: boolean;
	/** Drawing on a 24 by 24 grid, as SVG path data, stroked. */
	readonly glyph: string;
	readonly values: Readonly<Record<string, ValueDefinition>>;
	readonly needs: readonly Ability[];
	/** Starts the step; the chain goes on at once, or when the returned wait is over. */
	readonly run?: (values: Values, controls: Controls) => Wait | undefined;
	/** For a step with a body: how often the body runs. */
	readonly rounds?: (values: Values) => number;
	/** Whether the step always lets time pass. A body that does not is found by the checks. */
	readonly takesTime?: boolean;
}

/** Reads a number that the schema has let through. */
export const numberOf = (values: Values, name: string): number => values[name] as number;

/** Reads a choice or a colour that the schema has let through. */
export const textOf = (values: Values, name: string): string => values[name] as string;
