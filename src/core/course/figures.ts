/** What can be said of a part in numbers and choices, and how a new one begins. */
import { floorColours } from '../colours';
import { gateShapes, topOfCrate, topOfWall, type Point } from './course';
import type { Part, PartName } from './parts';
import { surfaces } from './surfaces';

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

const length = (name: string, minimum: number, maximum: number): NumberFigure => ({
	...{ type: 'number', name, quantity: 'length', minimum, maximum }
});
const angle = (name: string): NumberFigure => ({
	...{ type: 'number', name, quantity: 'angle', minimum: 0, maximum: 359.99 }
});
const choice = (name: string, options: readonly string[]): Figure => ({
	...{ type: 'choice', name, options }
});

const place = [length('x', -50, 50), length('y', -50, 50)];
const colour = choice('colour', Object.keys(floorColours));

/** Of each kind of part, its figures in the order in which they are shown; corners stand apart. */
export const figures: Readonly<Record<PartName, readonly Figure[]>> = {
	surfaces: [choice('surface', Object.keys(surfaces))],
	patches: [colour],
	tapes: [
		...[colour, length('width', 0.005, 0.2), length('radius', 0, 5)],
		{ type: 'truth', name: 'isClosed' }
	],
	rails: [...place, angle('bearing')],
	pads: [...place, length('radius', 0.05, 1)],
	finish: [...place, length('radius', 0.02, 2)],
	lampPosts: [...place, length('reach', 0.02, 2)],
	gates: [
		...[choice('shape', gateShapes), ...place, angle('bearing')],
		...[length('width', 0.05, 3), length('height', 0.01, 3)]
	],
	walls: [length('thickness', 0.005, 1), length('height', 0.01, 3)],
	crates: [
		...[...place, angle('bearing'), length('width', 0.02, 1), length('depth', 0.02, 1)],
		length('height', 0.01, 3),
		{ type: 'number', name: 'mass', quantity: 'mass', minimum: 0.01, maximum: 5 }
	],
	starts: [...place, angle('bearing')],
	table: []
};

/** Those that a new part takes over from the one before: its looks, not its place. */
export const styleOf = (part: PartName): readonly Figure[] =>
	figures[part].filter(({ name }) => !['x', 'y', 'bearing', 'isClosed'].includes(name));

export type FigureValue = number | string | boolean;

/** Metres, degrees, kilograms. */
export function valueOf(value: Part, part: PartName, { name }: Named): FigureValue {
	const fields = value as unknown as Record<string, FigureValue> & { at: Point };
	if (name === 'x') return fields.at[0];
	if (name === 'y') return fields.at[1];
	if (name === 'height' && part === 'walls') return topOfWall(value as Part<'walls'>);
	if (name === 'height' && part === 'crates') return topOfCrate(value as Part<'crates'>);
	return fields[name]!;
}

export function withValue(value: Part, { name }: Named, to: FigureValue): Part {
	if (name !== 'x' && name !== 'y') return { ...value, [name]: to } as Part;
	const [x, y] = (value as { at: Point }).at;
	return { ...value, at: name === 'x' ? [to, y] : [x, to] } as Part;
}

/** How the first of its kind looks: as things usually are on a classroom's floor. */
export const firstStyles: Readonly<Record<PartName, object>> = {
	surfaces: { surface: 'carpet' },
	patches: { colour: 'blue' },
	tapes: { colour: 'black', width: 0.02, radius: 0 },
	rails: {},
	pads: { radius: 0.15 },
	finish: { radius: 0.15 },
	lampPosts: { reach: 0.15 },
	gates: { shape: 'door', width: 0.5, height: 0.8 },
	walls: { thickness: 0.02 },
	crates: { width: 0.12, depth: 0.12, mass: 0.2 },
	starts: {},
	table: {}
};

/** How a hand lays a kind of part: along a line, around an area, or at a spot. */
export const layings: Readonly<Record<PartName, 'line' | 'area' | 'spot'>> = {
	surfaces: 'area',
	patches: 'area',
	tapes: 'line',
	rails: 'line',
	pads: 'spot',
	finish: 'spot',
	lampPosts: 'spot',
	gates: 'spot',
	walls: 'line',
	crates: 'spot',
	starts: 'spot',
	table: 'area'
};
