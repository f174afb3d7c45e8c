/** What a value in a document may be, made from the definition of its slot. */
import { z } from 'zod';
import { identifierSchema, textSchema } from '../document';
import { maximumLength } from '../expressions/expression';
import { isVariableName } from '../expressions/vocabulary';
import type { Quantity, Value, ValueDefinition } from './definition';
import { faceSchema, filmSchema, pictureSchema } from '../pictures/schema';
import { readClip } from '../sounds/clip';
import { readNotes } from '../sounds/notes';
import { inputNames } from './own';

const unitWords: Record<Quantity, string> = {
	length: 'metres',
	angle: 'degrees',
	duration: 'seconds',
	ratio: 'a part of the whole, 0 to 1',
	power: 'a part of the top speed, -1 to 1',
	count: 'a whole number of times',
	number: 'a plain number',
	frequency: 'hertz'
};

/** Letters that a text of a person holds at most: a message, a line for the log. */
const maximumText = 80;
const maximumInputs = 6;

const expressionSchema = z
	.strictObject({ expression: textSchema(maximumLength) })
	.describe('Worked out when the step runs; see docs/formats.')
	.meta({ id: 'expression' });

const variableSchema = z
	.string()
	.refine(isVariableName, { params: { key: 'variableName' } })
	.describe('One word that begins with a letter, not a word that expressions already know.');

const inputsSchema = textSchema(200)
	.refine(
		(text) => {
			const names = inputNames(text);
			const isUnique = new Set(names).size === names.length;
			return isUnique && names.length <= maximumInputs && names.every(isVariableName);
		},
		{ params: { key: 'inputNames', values: { maximum: maximumInputs } } }
	)
	.describe('Names with commas between them.');

const notesSchema = textSchema(2000)
	.refine((text) => readNotes(text).ok, { params: { key: 'notes' } })
	.describe('Notes such as "C4 E4:1/2 -:2": name, octave, beats; "-" is a rest.');

const clipSchema = textSchema(120)
	.refine((text) => readClip(text) !== null, { params: { key: 'clip' } })
	.describe(
		'One of our sounds by its name, or one of a person’s as HASH:SAMPLES:PITCH:NAME, 16,000 samples a second.'
	);

function plainSchema(value: ValueDefinition): z.ZodType<Value> {
	switch (value.type) {
		case 'choice':
			return z.enum(value.options as [string, ...string[]]);
		case 'colour':
			return z
				.string()
				.regex(/^#[0-9a-f]{6}$/)
				.describe('A colour, #rrggbb in small letters.');
		case 'number': {
			const number = value.quantity === 'count' ? z.int() : z.number();
			const bounded = number.min(value.minimum).max(value.maximum);
			return z.union([bounded.describe(`In ${unitWords[value.quantity]}.`), expressionSchema]);
		}
		case 'condition':
			return expressionSchema;
		case 'anything':
			return z.union([z.number(), textSchema(maximumText), expressionSchema]);
		case 'inputs':
			return inputsSchema;
		case 'notes':
			return notesSchema;
		case 'picture':
			return pictureSchema;
		case 'film':
			return filmSchema;
		case 'face':
			return faceSchema;
		case 'clip':
			return clipSchema;
		case 'name':
			if (value.of === 'variable') return variableSchema;
			if (value.of === 'lampPost') return z.union([z.literal(''), identifierSchema]);
			return textSchema(40, 1);
	}
}

const schemas = new WeakMap<ValueDefinition, z.ZodType<Value>>();

export function valueSchema(value: ValueDefinition): z.ZodType<Value> {
	const known = schemas.get(value);
	if (known) return known;
	const plain = plainSchema(value);
	const made = value.addedLater ? plain.default(value.initial) : plain;
	schemas.set(value, made);
	return made;
}

/** For what a step hands to the inputs of the routine it calls. */
export const inputValueSchema = valueSchema({ type: 'anything', initial: 0 });
