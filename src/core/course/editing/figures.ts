/** What can be said of a part in numbers and choices. */
import { z } from 'zod';
import type { Part, PartName } from '../course';
import type { Point } from '../measure';
import { kindOf, partNames } from '../parts';
import type { FigureOf } from '../parts/kind';
import { coordinate } from '../parts/schemas';

interface Named {
	/** As the part's own field is called; `x` and `y` are those of its place. */
	readonly name: string;
}
export interface NumberFigure extends Named {
	readonly type: 'number';
	readonly quantity: 'length' | 'angle' | 'mass';
	readonly minimum: number;
	readonly maximum: number;
}
export type Figure =
	| NumberFigure
	| (Named & { readonly type: 'choice'; readonly options: readonly string[] })
	| (Named & { readonly type: 'truth' });

/** The largest bearing: 360 is 0 again. Degrees. */
const mostBearing = 359.99;

/** With its limits, which are those of the schema. */
function figureOf(part: PartName, { name, quantity }: FigureOf): Figure {
	if (quantity === 'truth') return { type: 'truth', name };
	const { shape } = kindOf(part).schema as unknown as z.ZodObject<Record<string, z.ZodType>>;
	const isPlace = name === 'x' || name === 'y';
	const field = isPlace ? coordinate : shape[name]!;
	const own = field instanceof z.ZodOptional ? (field.unwrap() as z.ZodType) : field;
	if (own instanceof z.ZodEnum) return { type: 'choice', name, options: own.options as string[] };
	const { minValue, maxValue } = own as z.ZodNumber;
	const maximum = quantity === 'angle' ? mostBearing : maxValue!;
	return { type: 'number', name, minimum: minValue!, maximum, quantity } as NumberFigure;
}

/** Of each kind of part, its figures in the order in which they are shown. */
export const figures = Object.fromEntries(
	partNames.map((part) => [part, kindOf(part).figures.map((one) => figureOf(part, one))])
) as unknown as Readonly<Record<PartName, readonly Figure[]>>;

/** Those that a new part takes over from the one before: its looks, not its place. */
export const styleOf = (part: PartName): readonly Figure[] =>
	figures[part].filter(({ name }) => !['x', 'y', 'bearing', 'isClosed'].includes(name));

export type FigureValue = number | string | boolean;

/** Metres, degrees, kilograms. */
export function valueOf(value: Part, part: PartName, { name }: Named): FigureValue {
	const fields = value as unknown as Record<string, FigureValue> & { at: Point };
	if (name === 'x') return fields.at[0];
	if (name === 'y') return fields.at[1];
	return fields[name] ?? kindOf(part).usual![name]!;
}

export function withValue(value: Part, { name }: Named, to: FigureValue): Part {
	if (name !== 'x' && name !== 'y') return { ...value, [name]: to } as Part;
	const [x, y] = (value as { at: Point }).at;
	return { ...value, at: name === 'x' ? [to, y] : [x, to] } as Part;
}
