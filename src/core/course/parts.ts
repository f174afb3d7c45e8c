/**
 * What lies on a course: parts of so many kinds, each in a list of its own. There is one finish ring
 * and one table at the most; they count as lists of one. Start marks have no ids of their own: they
 * are known by their number.
 */
import type { z } from 'zod';
import { partSchemas, type Course, type Point } from './course';
import type { Motion } from './motions';
import { placeBeside } from './measure';
import { RailPath } from './rails';
import { startMark } from './signs';
import { lineOf } from './tape';

export type PartName = keyof typeof partSchemas;
export type Part<N extends PartName = PartName> = z.infer<(typeof partSchemas)[N]>;

/** From the bottom up, as they are drawn. */
export const partNames = Object.keys(partSchemas) as PartName[];

/** A part of a course, as one points to it. */
export interface PartRef {
	readonly part: PartName;
	readonly id: string;
}
export const keyOf = ({ part, id }: PartRef): string => `${part}/${id}`;

/** How much of the floor a part covers: a line of some thickness, or all that is within it. */
export interface Extent {
	readonly line: readonly Point[];
	/** Metres to each side of the line. */
	readonly half: number;
	readonly isFilled: boolean;
}

/** What there is to know of each kind of part. */
export interface PartKind<P> {
	/** How many there may be on one course. */
	readonly most: number;
	/** Its points that can be pulled, metres. */
	points(part: P): readonly Point[];
	/** The same part with other points, as many as it has unless `hasCorners`. */
	withPoints(part: P, points: readonly Point[]): P;
	/** Points can be put in and taken out. @see fewest */
	readonly hasCorners?: true;
	readonly fewest?: number;
	extent(part: P): Extent;
	/** Moved, turned, mirrored or resized. */
	moved(part: P, motion: Motion): P;
}

interface AtPoint {
	readonly at: Point;
}

const atPoint = {
	points: ({ at }: AtPoint) => [at],
	withPoints: <P extends AtPoint>(part: P, [at]: readonly Point[]): P => ({
		...part,
		at: [...at!]
	})
};

const round = {
	...atPoint,
	extent: ({ at, radius }: AtPoint & { radius: number }): Extent => ({
		line: [at],
		half: radius,
		isFilled: true
	}),
	moved: <P extends AtPoint & { radius: number }>(part: P, { point, size }: Motion): P => ({
		...part,
		at: point(part.at),
		radius: size(part.radius)
	})
};

interface Cornered {
	readonly corners: readonly Point[];
}

const area = {
	hasCorners: true as const,
	fewest: 3,
	points: ({ corners }: Cornered) => corners,
	withPoints: <P extends Cornered>(part: P, points: readonly Point[]): P => ({
		...part,
		corners: points.map(([x, y]) => [x, y])
	}),
	extent: ({ corners }: Cornered): Extent => ({ line: closed(corners), half: 0, isFilled: true }),
	moved: <P extends Cornered>(part: P, { point }: Motion): P => ({
		...part,
		corners: part.corners.map(point)
	})
};

const closed = (points: readonly Point[]): readonly Point[] => [...points, points[0]!];

/** The corners of a rectangle around a place. @param along half of it along the bearing, metres */
const rectangle = (at: Point, bearing: number, along: number, across: number): Point[] => [
	placeBeside(at, bearing, along, across),
	placeBeside(at, bearing, -along, across),
	placeBeside(at, bearing, -along, -across),
	placeBeside(at, bearing, along, -across)
];

/** How far from a rail one still points to it. Metres. */
const railHalf = 0.035;

export const partKinds: { readonly [N in PartName]: PartKind<Part<N>> } = {
	surfaces: { most: 50, ...area },
	patches: { most: 200, ...area },
	tapes: {
		most: 200,
		hasCorners: true,
		fewest: 2,
		points: ({ points }) => points,
		withPoints: (tape, points) => ({ ...tape, points: points.map(([x, y]) => [x, y]) }),
		extent: (tape) => ({ line: lineOf(tape), half: tape.width / 2, isFilled: false }),
		moved: (tape, { point, size }) => ({
			...tape,
			points: tape.points.map(point),
			radius: size(tape.radius)
		})
	},
	rails: {
		most: 20,
		...atPoint,
		extent: (rail) => ({
			line: new RailPath(rail).line.map(({ x, y }): Point => [x, y]),
			half: railHalf,
			isFilled: false
		}),
		moved: (rail, { point, bearing, size, isMirrored }) => ({
			...rail,
			at: point(rail.at),
			bearing: bearing(rail.bearing),
			pieces: rail.pieces.map((piece) =>
				'length' in piece
					? { length: size(piece.length) }
					: { radius: size(piece.radius), angle: isMirrored ? -piece.angle : piece.angle }
			),
			marks: rail.marks.map((mark) => ({ ...mark, at: size(mark.at) }))
		})
	},
	pads: { most: 50, ...round },
	finish: { most: 1, ...round },
	lampPosts: {
		most: 200,
		...atPoint,
		extent: ({ at, reach }) => ({ line: [at], half: reach, isFilled: true }),
		moved: (post, { point, size }) => ({
			...post,
			at: point(post.at),
			reach: size(post.reach)
		})
	},
	gates: {
		most: 100,
		...atPoint,
		extent: ({ at, bearing, width }) => {
			const [one, , , other] = rectangle(at, bearing, 0, width / 2);
			return { line: [one!, other!], half: 0.03, isFilled: false };
		},
		moved: (gate, { point, bearing, size }) => ({
			...gate,
			at: point(gate.at),
			bearing: bearing(gate.bearing),
			width: size(gate.width)
		})
	},
	walls: {
		most: 2000,
		points: ({ from, to }) => [from, to],
		withPoints: (wall, [from, to]) => ({ ...wall, from: [...from!], to: [...to!] }),
		extent: ({ from, to, thickness }) => ({
			line: [from, to],
			half: thickness / 2,
			isFilled: false
		}),
		moved: (wall, { point }) => ({ ...wall, from: point(wall.from), to: point(wall.to) })
	},
	crates: {
		most: 50,
		...atPoint,
		extent: ({ at, bearing, width, depth }) => ({
			line: closed(rectangle(at, bearing, depth / 2, width / 2)),
			half: 0,
			isFilled: true
		}),
		moved: (crate, { point, bearing, size }) => ({
			...crate,
			at: point(crate.at),
			bearing: bearing(crate.bearing),
			width: size(crate.width),
			depth: size(crate.depth)
		})
	},
	starts: {
		most: 8,
		...atPoint,
		extent: ({ at, bearing }) => ({
			line: closed(startMark.map((corner) => placeBeside(at, bearing, ...corner))),
			half: 0,
			isFilled: true
		}),
		moved: (start, { point, bearing }) => ({
			...start,
			at: point(start.at),
			bearing: bearing(start.bearing)
		})
	},
	table: {
		most: 1,
		hasCorners: true,
		fewest: 3,
		points: (table) => table,
		withPoints: (_table, points) => points.map(([x, y]) => [x, y]),
		// Whoever points inside it means what lies on it.
		extent: (table) => ({ line: closed(table), half: 0, isFilled: false }),
		moved: (table, { point }) => table.map(point)
	}
};

/** Parts never change: how much of the floor one covers is worked out once. */
const covers = new WeakMap<object, Extent>();

export function coverOf(part: PartName, value: Part): Extent {
	const known = covers.get(value);
	if (known) return known;
	const extent = kindOf(part).extent(value);
	covers.set(value, extent);
	return extent;
}

/** What is known of a kind of part, for parts whose kind is known only when it runs. */
export const kindOf = (part: PartName): PartKind<Part> =>
	partKinds[part] as unknown as PartKind<Part>;

/** All parts of one kind. */
export function partsOf(course: Course, part: PartName): readonly Part[] {
	const value = course[part];
	if (part === 'finish' || part === 'table') return value === null ? [] : [value as Part];
	return value as readonly Part[];
}

/** The course with other parts of this kind. */
export const withParts = (course: Course, part: PartName, parts: readonly Part[]): Course =>
	part === 'finish' || part === 'table'
		? { ...course, [part]: parts[0] ?? null }
		: { ...course, [part]: parts };

export const idOf = (value: Part, index: number): string =>
	'id' in value ? value.id : String(index + 1);

/** Where a part stands in its list; -1 if there is none. */
export const indexOf = (course: Course, { part, id }: PartRef): number =>
	partsOf(course, part).findIndex((value, index) => idOf(value, index) === id);

export function find(course: Course, ref: PartRef): Part | undefined {
	return partsOf(course, ref.part)[indexOf(course, ref)];
}

/** A part, and how one points to it. */
export interface Placed {
	readonly ref: PartRef;
	readonly value: Part;
}

/** All that there is, from the bottom up. */
export const placedParts = (course: Course): Placed[] =>
	partNames.flatMap((part) =>
		partsOf(course, part).map((value, index) => ({ ref: { part, id: idOf(value, index) }, value }))
	);

export const allParts = (course: Course): PartRef[] => placedParts(course).map(({ ref }) => ref);

/** Of each kind, how its ids begin. */
const stems: Readonly<Record<PartName, string>> = {
	surfaces: 'surface',
	patches: 'patch',
	tapes: 'tape',
	rails: 'rail',
	pads: 'pad',
	finish: 'finish',
	lampPosts: 'post',
	gates: 'gate',
	walls: 'wall',
	crates: 'crate',
	starts: 'start',
	table: 'table'
};

/** Ids that no part of this kind has yet, for so many new ones. */
export function freeIds(course: Course, part: PartName, count: number): string[] {
	const taken = new Set(partsOf(course, part).map(idOf));
	const ids: string[] = [];
	for (let number = 1; ids.length < count; number++) {
		const id = `${stems[part]}-${number}`;
		if (!taken.has(id)) ids.push(id);
	}
	return ids;
}
