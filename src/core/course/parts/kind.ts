/** What there is to know of a kind of part, and what several kinds have in common. */
import type { z } from 'zod';
import { lengthTo, placeBeside, type Point } from '../measure';
import type { Movement } from '../motions';

/** How much of the floor a part covers: a line of some thickness, or all that is within it. */
export interface Extent {
	readonly line: readonly Point[];
	/** Metres to each side of the line. */
	readonly half: number;
	readonly isFilled: boolean;
}

/** What can be said of a part in a number or a choice. What a number may be, its schema says. */
export interface FigureOf {
	/** As the part's own field is called; `x` and `y` are those of its place. */
	readonly name: string;
	readonly quantity: 'length' | 'angle' | 'mass' | 'choice' | 'truth';
}
export const figure = (quantity: FigureOf['quantity'], ...names: string[]): FigureOf[] =>
	names.map((name) => ({ name, quantity }));

/** Colours of a drawing on paper or in a file. */
export interface PartInk {
	readonly colour: string;
	/** Inside, where a file shows it. */
	readonly fill?: string;
	/** Of its line in a file, millimetres, where it has none of its own. */
	readonly width?: number;
	readonly dash?: number;
}

/** The handle that sizes a part without corners. */
export interface Grip<P> {
	at(part: P): Point;
	/** @param to where it is pulled @param fit makes a size of a length, metres */
	pulled(part: P, to: Point, fit: (field: string, metres: number) => number): P;
}

export interface PartKind<P> {
	readonly schema: z.ZodType<P>;
	/** How many there may be on one course. */
	readonly most: number;
	/** A field of the course holds one of it, or null, instead of a list. */
	readonly isOne?: true;
	/** Files that are older than this kind are read without it. */
	readonly isLater?: true;
	/** Has no id: it is known by its number in its list. */
	readonly isNumbered?: true;
	/** Of its list, for whoever reads the schema of the document. */
	readonly about?: string;
	/** How its ids begin. */
	readonly stem: string;
	/** Its layer in a drawing. */
	readonly layer: string;
	readonly ink: PartInk;
	/** How a hand lays it: along a line, around an area, or at a spot. */
	readonly laying: 'line' | 'area' | 'spot';
	/** What a spot is given that is pulled on while it is laid: where it looks, or how large it is. */
	readonly pull?: 'bearing' | 'radius' | 'reach';
	/** How the first of its kind looks: as things usually are on a classroom's floor. */
	readonly style: object;
	/** In the order in which they are shown; corners stand apart. */
	readonly figures: readonly FigureOf[];
	/** Figures of a part that does not say them. */
	readonly usual?: Readonly<Record<string, number>>;
	/** Its points that can be pulled, metres. */
	points(part: P): readonly Point[];
	/** The same part with other points, as many as it has unless `hasCorners`. */
	withPoints(part: P, points: readonly Point[]): P;
	/** A new one with these corners, of what is laid around an area. */
	ofCorners?(corners: readonly Point[], style: object): object;
	/** Points can be put in and taken out. @see fewest */
	readonly hasCorners?: true;
	readonly fewest?: number;
	extent(part: P): Extent;
	/** Moved, turned, mirrored or resized. */
	moved(part: P, motion: Movement): P;
	readonly grip?: Grip<P>;
}

/** A kind with the type of its parts. */
export type Kind<S extends z.ZodType> = Omit<PartKind<z.infer<S>>, 'schema'> & {
	readonly schema: S;
};
export const partKind = <S extends z.ZodType>(kind: Kind<S>): Kind<S> => kind;

/** A kind of which there is one on a course, or none. */
export const singleKind = <S extends z.ZodType>(
	kind: Omit<Kind<S>, 'most' | 'isOne'>
): Kind<S> & { readonly isOne: true } => ({ ...kind, most: 1, isOne: true }) as never;

interface AtPoint {
	readonly at: Point;
}

/** What stands at one point. */
export const atPoint = {
	points: ({ at }: AtPoint) => [at],
	withPoints: <P extends AtPoint>(part: P, [at]: readonly Point[]): P => ({
		...part,
		at: [...at!]
	})
};

type Round = AtPoint & { readonly radius: number };

/** A circle around a point. */
export const round = {
	...atPoint,
	laying: 'spot' as const,
	pull: 'radius' as const,
	style: { radius: 0.15 },
	figures: figure('length', 'x', 'y', 'radius'),
	extent: ({ at, radius }: Round): Extent => ({ line: [at], half: radius, isFilled: true }),
	moved: <P extends Round>(part: P, { point, size }: Movement): P => ({
		...part,
		at: point(part.at),
		radius: size(part.radius)
	}),
	grip: {
		at: ({ at: [x, y], radius }: Round): Point => [x + radius, y],
		pulled: <P extends Round>(
			part: P,
			to: Point,
			fit: (field: string, metres: number) => number
		): P => ({ ...part, radius: fit('radius', lengthTo(part.at, to)) })
	}
};

interface Cornered {
	readonly corners: readonly Point[];
}

/** All that is within its corners. */
export const area = {
	laying: 'area' as const,
	hasCorners: true as const,
	fewest: 3,
	points: ({ corners }: Cornered) => corners,
	ofCorners: (corners: readonly Point[], style: object): object => ({ corners, ...style }),
	withPoints: <P extends Cornered>(part: P, points: readonly Point[]): P => ({
		...part,
		corners: points.map(([x, y]) => [x, y])
	}),
	extent: ({ corners }: Cornered): Extent => ({ line: closed(corners), half: 0, isFilled: true }),
	moved: <P extends Cornered>(part: P, { point }: Movement): P => ({
		...part,
		corners: part.corners.map(point)
	})
};

/** A line that ends where it begins. */
export const closed = (points: readonly Point[]): readonly Point[] => [...points, points[0]!];

/** The corners of a rectangle around a place. @param along half of it along the bearing, metres */
export const rectangle = (at: Point, bearing: number, along: number, across: number): Point[] => [
	placeBeside(at, bearing, along, across),
	placeBeside(at, bearing, -along, across),
	placeBeside(at, bearing, -along, -across),
	placeBeside(at, bearing, along, -across)
];
