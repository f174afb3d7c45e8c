/** Every line of a course in the order in which it is laid, and the material that it takes. */
import type { FloorColour } from '../../colours';
import type { Course, Part, PartName } from '../course';
import { bearingTo, lengthAlong, lengthTo, turnBetween, type Point } from '../measure';
import { kindOf, partNames, partsOf } from '../parts';
import { closed } from '../parts/kind';
import { partKinds } from '../parts/list';
import { topOfWall } from '../parts/walls';

export interface PlanLine {
	/** From 1, as it stands on the page. */
	readonly number: number;
	readonly part: 'tapes' | 'walls' | 'patches' | 'surfaces' | 'table';
	readonly colour?: FloorColour;
	readonly from: Point;
	readonly to: Point;
	/** Metres. */
	readonly length: number;
	/** Degrees clockwise from north. */
	readonly bearing: number;
	/** Degrees from the line before that it goes on from, positive to the right; none for the first. */
	readonly turn?: number;
	/** Metres: the corner at which it begins is rounded so widely. */
	readonly round?: number;
}

interface Chain {
	readonly part: PlanLine['part'];
	readonly colour?: FloorColour;
	readonly points: readonly Point[];
	readonly radius?: number;
}

/** Walls that go on from each other are laid as one line. */
function wallChains(walls: Course['walls']): Chain[] {
	const chains: Point[][] = [];
	for (const { from, to } of walls) {
		const last = chains.at(-1);
		if (last && lengthTo(last.at(-1)!, from) < 1e-4) last.push(to);
		else chains.push([from, to]);
	}
	return chains.map((points) => ({ part: 'walls', points }));
}

export function planLines(course: Course): PlanLine[] {
	const chains: Chain[] = [
		...(course.table ? [{ part: 'table' as const, points: closed(course.table) }] : []),
		...course.surfaces.map(({ corners }) => ({
			part: 'surfaces' as const,
			points: closed(corners)
		})),
		...course.patches.map(({ corners, colour }) => ({
			...{ part: 'patches' as const, colour, points: closed(corners) }
		})),
		...course.tapes.map(({ points, isClosed, colour, radius }) => ({
			...{ part: 'tapes' as const, colour, radius, points: isClosed ? closed(points) : points }
		})),
		...wallChains(course.walls)
	];
	const lines: PlanLine[] = [];
	for (const { part, colour, radius, points } of chains)
		for (let i = 1; i < points.length; i++) {
			const [from, to] = [points[i - 1]!, points[i]!];
			const bearing = bearingTo(from, to);
			const before = i > 1 ? bearingTo(points[i - 2]!, from) : undefined;
			lines.push({
				...{ number: lines.length + 1, part, from, to, bearing, length: lengthTo(from, to) },
				...(colour !== undefined && { colour }),
				...(before !== undefined && { turn: turnBetween(before, bearing) }),
				...(before !== undefined && radius && { round: radius })
			});
		}
	return lines;
}

/** In the order in which one wants to know of them; kinds that are not named come last. */
const firstSpots: readonly PartName[] = [
	...(['starts', 'finish', 'lampPosts', 'gates', 'pads', 'crates', 'rails'] as const)
];
const otherSpots = partNames.filter(
	(part) => kindOf(part).laying === 'spot' && !firstSpots.includes(part)
);
const spotParts = [...firstSpots, ...otherSpots];

/** Kinds of which the material says how many there are. */
const counted: readonly PartName[] = ['crates', 'lampPosts', 'gates', 'pads', ...otherSpots];

type SpotPart = Part & { readonly at: Point };

/** What stands at a place, and is no line. */
export interface PlanSpot {
	readonly part: PartName;
	/** From 1 for each kind. */
	readonly number: number;
	readonly at: Point;
	/** Degrees clockwise from north, of what looks somewhere. */
	readonly bearing?: number;
	readonly value: SpotPart;
}

export const planSpots = (course: Course): PlanSpot[] =>
	spotParts.flatMap((part) =>
		(partsOf(course, part) as SpotPart[]).map((value, index) => ({
			...{ part, number: index + 1, at: value.at, value },
			...('bearing' in value && { bearing: value.bearing })
		}))
	);

export interface Material {
	/** Metres of each colour and width, rounded corners as they are. */
	readonly tapes: readonly {
		readonly colour: FloorColour;
		readonly width: number;
		readonly length: number;
	}[];
	/** Walls that are alike. */
	readonly walls: readonly {
		readonly thickness: number;
		readonly height: number;
		readonly count: number;
		readonly length: number;
	}[];
	/** Metres. */
	readonly rails: number;
	/** How many there are of other kinds. */
	readonly counts: readonly { readonly part: PartName; readonly count: number }[];
}

function gathered<T extends object>(
	list: readonly T[],
	keyOf: (one: T) => string,
	join: (one: T, other: T) => T
): T[] {
	const found: Record<string, T> = {};
	for (const one of list) {
		const key = keyOf(one);
		found[key] = found[key] ? join(found[key], one) : one;
	}
	return Object.values(found);
}

export function materialOf(course: Course): Material {
	const tapes = course.tapes.map((tape) => ({
		...{ colour: tape.colour, width: tape.width },
		length: lengthAlong(partKinds.tapes.extent(tape).line)
	}));
	const walls = course.walls.map((wall) => ({
		...{ thickness: wall.thickness, height: topOfWall(wall), count: 1 },
		length: lengthTo(wall.from, wall.to)
	}));
	return {
		tapes: gathered(
			tapes,
			({ colour, width }) => `${colour} ${width}`,
			(one, other) => ({ ...one, length: one.length + other.length })
		),
		walls: gathered(
			walls,
			({ thickness, height }) => `${thickness} ${height}`,
			(one, other) => ({ ...one, count: one.count + 1, length: one.length + other.length })
		),
		rails: course.rails.reduce(
			(sum, rail) => sum + lengthAlong(partKinds.rails.extent(rail).line),
			0
		),
		counts: counted.map((part) => ({ part, count: partsOf(course, part).length }))
	};
}
