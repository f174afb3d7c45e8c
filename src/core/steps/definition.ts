/**
 * What a step is. A step is defined once, in a file of its family; the shelf, the tag, the value
 * editors, the checks, the interpreter and the file format all read that one definition. The words
 * (name, sentence, help) stand in the message files under `step.<kind>`.
 */
import type { Expression } from '../expressions/expression';
import type { Datum } from '../types';
import type { Level } from '../levels';
import type { Device } from '../devices/device';
import type { Wait } from '../devices/port';
import type { Running } from './running';
import type { Signals } from './signals';

export const families = [
	'travel',
	'glow',
	'sound',
	'flow',
	'sense',
	'reckon',
	'crew',
	'own'
] as const;
export type Family = (typeof families)[number];

/**
 * What a number measures, in the unit that files use: m, degrees, s, 0 to 1, a part of the top speed
 * (-1 to 1), a whole number of times, a plain number, Hz.
 */
export type Quantity =
	'length' | 'angle' | 'duration' | 'ratio' | 'power' | 'count' | 'number' | 'frequency';

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
	/** What a robot must have for an option, beside what its step needs. */
	readonly needs?: Readonly<Record<string, Device>>;
}

/** A colour as `#rrggbb`. */
export interface ColourDefinition {
	readonly type: 'colour';
	readonly initial: string;
}

/** True or false: always an expression. */
export interface ConditionDefinition {
	readonly type: 'condition';
	readonly initial: Expression;
}

/** A number, a text or whatever an expression gives. */
export interface AnythingDefinition {
	readonly type: 'anything';
	readonly initial: number | string | Expression;
}

/** A name that people give, of one of these. */
export interface NameDefinition {
	readonly type: 'name';
	readonly of: 'variable' | 'message' | 'routine' | 'lampPost' | 'word';
	readonly initial: string;
}

/** Names of inputs, such as "side, turns". */
export interface InputsDefinition {
	readonly type: 'inputs';
	readonly initial: string;
}

/** Notes one after the other: see ../sounds/notes. */
export interface NotesDefinition {
	readonly type: 'notes';
	readonly initial: string;
}

/** A picture for a lamp grid: see ../pictures/picture. */
export interface PictureDefinition {
	readonly type: 'picture';
	readonly initial: string;
}

/** A moving picture for a lamp grid: see ../pictures/film. */
export interface FilmDefinition {
	readonly type: 'film';
	readonly initial: string;
}

/** A face for a screen: see ../pictures/face. */
export interface FaceDefinition {
	readonly type: 'face';
	readonly initial: string;
}

/** A sound to be played as it is: see ../sounds/clip. */
export interface ClipDefinition {
	readonly type: 'clip';
	readonly initial: string;
}

/**
 * `addedLater`: documents written before this value was there are read with its initial content.
 */
export type ValueDefinition = (
	| NumberDefinition
	| ChoiceDefinition
	| ColourDefinition
	| ConditionDefinition
	| AnythingDefinition
	| NameDefinition
	| InputsDefinition
	| NotesDefinition
	| PictureDefinition
	| FilmDefinition
	| ClipDefinition
	| FaceDefinition
) & { readonly addedLater?: true };

export type Value = number | string | Expression;
export type Values = Readonly<Record<string, Value>>;
/** Values as a step ran with them: every expression worked out. */
export type Worked = Readonly<Record<string, Datum>>;

export const isExpression = (value: Value | undefined): value is Expression =>
	typeof value === 'object';

type Choices = readonly (readonly [name: string, needs: Readonly<Record<string, Device>>])[];
/** For each definition, those of its choices of which an option needs something. */
const needy = new WeakMap<object, Choices>();

function needyChoices({ values }: Pick<StepDefinition, 'values'>): Choices {
	const known = needy.get(values);
	if (known) return known;
	const made = Object.entries(values).flatMap(([name, slot]) =>
		slot.type === 'choice' && slot.needs ? [[name, slot.needs] as const] : []
	);
	needy.set(values, made);
	return made;
}

/** What a robot must have for a step with these values. */
export function needsOf(
	definition: Pick<StepDefinition, 'needs' | 'values'>,
	values: Values | Worked
): readonly Device[] {
	let needed = definition.needs;
	for (const [name, needs] of needyChoices(definition)) {
		const need = needs[values[name] as string];
		if (need) needed = [...needed, need];
	}
	return needed;
}

const input: ValueDefinition = { type: 'anything', initial: 0 };

/** What a value of a step may be; one that its kind does not know is an input of a routine. */
export const slotOf = ({ values }: StepDefinition, name: string): ValueDefinition =>
	Object.hasOwn(values, name) ? values[name]! : input;

/** The values of a step, within the ranges of their definitions. */
export type Aiming = Pick<Running, 'number' | 'text'>;

/** Values as a step ran with them, to be asked as it asks for them. */
export const ranWith = (values: Worked) => ({
	number: (name: string) => Number(values[name]),
	text: (name: string) => String(values[name]),
	datum: (name: string) => values[name]!
});

/** Decides when a chain starts; made anew for each run. */
export interface Watch {
	hasFired(signals: Signals): boolean;
}

/**
 * The way that a step means, before any error: where its robot is to be when it ends, as seen from
 * where it begins. What is left out the step does not say.
 */
export interface Aim {
	/** Degrees clockwise from north: it turns there first, and what follows is seen from then. */
	readonly facing?: number;
	/** Metres to its front, to its left, and up. */
	readonly ahead?: number;
	readonly left?: number;
	readonly up?: number;
	/** Radians counter-clockwise. */
	readonly turn?: number;
	readonly seconds?: number;
}

export interface StepDefinition {
	readonly kind: string;
	readonly family: Family;
	readonly level: Level;
	/** Drawing on a 24 by 24 grid, as SVG path data, stroked. */
	readonly glyph: string;
	/** How the glyph lies for an option of its value `direction`, or `state`, as an SVG transform. */
	readonly turned?: Readonly<Record<string, string>>;
	/** For some options, a glyph of their own in place of that. */
	readonly drawn?: Readonly<Record<string, string>>;
	/** What the first level offers of it, if not just one tag: one for each of these. */
	readonly firstForms?: readonly Values[];
	readonly values: Readonly<Record<string, ValueDefinition>>;
	/** What a robot must have for it. */
	readonly needs: readonly Device[];
	/** What a robot had better have for it: without, it does something like it, and says so. */
	readonly wants?: Device;

	/** Stands only at the top of a chain: a trigger, or the name of a routine. */
	readonly isTrigger?: boolean;
	/** For a trigger: when it starts its chain. A routine's top has none; others call it. */
	readonly watch?: (running: Pick<Running, 'number' | 'text' | 'truth' | 'datum'>) => Watch;
	/** For a trigger: a hand starts its chain. */
	readonly isByHand?: true;
	/** For a trigger: it goes on happening by itself, so the plan is not over while it is there. */
	readonly keepsGoing?: boolean;

	/** Holds other steps in `body`. */
	readonly hasBody?: boolean;
	/** Its body holds only steps of these kinds: its branches. */
	readonly branches?: readonly string[];
	/** A branch: stands only in the step whose `branches` names it. */
	readonly isBranch?: boolean;
	/** Nothing after it on the same cord is ever reached. */
	readonly isLast?: boolean;
	/** The loop looks at the world again in the next tick, not before: forever, until. */
	readonly isLoop?: boolean;
	/** Takes more values than these, named by the inputs of the routine it calls. */
	readonly hasInputs?: boolean;

	/** Starts the step; the chain goes on at once, or when the returned wait is over. */
	readonly run?: (running: Running) => Wait | void;
	/** Whether the step always lets time pass. A body that does not is found by the checks. */
	readonly takesTime?: boolean;
	/** The way it means. @param running its values, as it ran with them */
	readonly aim?: (values: Aiming) => Aim;
	/** Which of its values the first level shows. */
	readonly firstValue?: string;
	/** It moves its robot: two such at once get in each other's way. */
	readonly drives?: true;
	/** For a timed move: it starts from the speed that is left, so it matters whether it was still. */
	readonly isTimed?: boolean;
}
