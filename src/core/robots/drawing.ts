/**
 * A kind of robot seen from above, as data: whoever shows robots can draw every kind. Metres; x to
 * the front, y to the left.
 */

/** What a part is drawn with; a theme says how each looks. */
export type Ink = 'hull' | 'deck' | 'wheel' | 'rotor' | 'bow';

export type DrawingPart =
	/** @see Ink */
	| { readonly ink: Ink; readonly path: string }
	/** One of several paths: which of them, from 0, a column of the recording says. */
	| { readonly ink: Ink; readonly pictures: readonly string[]; readonly shows: string }
	/** A lamp grid, as high as it is wide: the picture's top is to the front. */
	| { readonly grid: true; readonly at: readonly [number, number]; readonly side: number }
	/** A lamp, in the colour that a column of the recording gives, with its glow around it. */
	| {
			readonly lamp: string;
			readonly at: readonly [number, number];
			readonly radius: number;
			/** Middle of its glow, and how far that reaches. */
			readonly glowAt: readonly [number, number];
			readonly glow: number;
			/** Not a lamp but a light or a part of a screen: dark while it does not shine. */
			readonly isDarkWhenOff?: true;
	  };

/** From the lowest part to the highest. */
export type Drawing = readonly DrawingPart[];

/** A closed path through these points. */
export const pathThrough = (points: readonly (readonly [number, number])[]): string =>
	`M${points.map(([x, y]) => `${x} ${y}`).join('L')}z`;

/** A closed path around a rectangle with rounded corners. */
export function roundedBox(
	x: number,
	y: number,
	width: number,
	height: number,
	radius: number
): string {
	const corner = (dx: number, dy: number) => `a${radius} ${radius} 0 0 1 ${dx} ${dy}`;
	return [
		`M${x + radius} ${y}h${width - 2 * radius}${corner(radius, radius)}`,
		`v${height - 2 * radius}${corner(-radius, radius)}h${2 * radius - width}`,
		`${corner(-radius, -radius)}v${2 * radius - height}${corner(radius, -radius)}z`
	].join('');
}

/** A closed path around a circle. */
export const circle = (x: number, y: number, radius: number): string =>
	`M${x + radius} ${y}a${radius} ${radius} 0 1 1 ${-2 * radius} 0a${radius} ${radius} 0 1 1 ${2 * radius} 0z`;
