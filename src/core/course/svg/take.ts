/** Makes parts of what a drawing holds: each layer, or each colour, becomes what somebody says. */
import { channelsOf, floorColours, type FloorColour } from '../../colours';
import * as exact from '../../exact';
import { makeCourse, type Course } from '../course';
import { distanceTo, type Point } from '../measure';
import { tidy, tidyBearing, tidyPoint } from '../motions';
import { bearingTo, lengthTo, turnAt } from '../measure';
import type { VectorDrawing, Shape } from './shapes';

export const takings = ['tape', 'wall', 'patch', 'rail', 'nothing'] as const;
export type Taking = (typeof takings)[number];

/** Shapes that are taken alike. */
export interface LineGroup {
	readonly key: string;
	readonly layer: string;
	readonly colour: string;
	readonly shapes: readonly Shape[];
	/** What it is taken for, if nobody says. */
	readonly usual: Taking;
}

/** @param by what tells groups apart */
export function groupsOf({ shapes }: VectorDrawing, by: 'layer' | 'colour'): LineGroup[] {
	const groups = new Map<string, Shape[]>();
	for (const shape of shapes) {
		const key = shape[by];
		groups.set(key, [...(groups.get(key) ?? []), shape]);
	}
	return [...groups].map(([key, own]) => ({
		key,
		layer: own[0]!.layer,
		colour: own[0]!.colour,
		shapes: own,
		usual: usualOf(own)
	}));
}

/** Metres: a line that is thicker is rather a wall, if it is dark and straight. */
const thick = 0.012;

function usualOf(shapes: readonly Shape[]): Taking {
	const [first] = shapes;
	if (shapes.every(({ isFilled, isClosed, width }) => isFilled && isClosed && width === 0))
		return 'patch';
	const areStraight = shapes.every(({ points }) => points.length <= 5);
	return areStraight && first!.width >= thick && lightness(first!.colour) < 90 ? 'wall' : 'tape';
}

const lightness = (colour: string): number => {
	const [r, g, b] = channelsOf(colour);
	return 0.3 * r + 0.59 * g + 0.11 * b;
};

/** The colour of a floor that is nearest. */
export function nearestColour(colour: string): FloorColour {
	const [r, g, b] = channelsOf(colour);
	const far = (code: string) => {
		const [x, y, z] = channelsOf(code);
		return (r - x) * (r - x) + (g - y) * (g - y) + (b - z) * (b - z);
	};
	const names = Object.keys(floorColours) as FloorColour[];
	return names.toSorted((a, c) => far(floorColours[a]) - far(floorColours[c]))[0]!;
}

/** How much is left out of what does not fit on one course. */
export interface Taken {
	readonly course: Course;
	readonly left: number;
}

const most = { tapes: 200, patches: 200, walls: 2000, rails: 20, points: 200, corners: 50 };
/** Metres that a simpler line may be beside the one that was drawn. */
const fine = 0.00004;
/** Metres: walls and tapes whose width the drawing does not say. */
const usual = { wall: 0.02, tape: 0.02 };
const within = (value: number, least: number, largest: number) =>
	Math.max(least, Math.min(largest, value));

/** @param taken what each group becomes, by its key */
export function courseOfGroups(
	drawing: VectorDrawing,
	groups: readonly LineGroup[],
	taken: Readonly<Record<string, Taking>>,
	name: string
): Taken {
	const walls: Course['walls'] = [];
	const tapes: Course['tapes'] = [];
	const patches: Course['patches'] = [];
	const rails: Course['rails'] = [];
	let left = 0;
	const put = <T>(list: T[], limit: number, value: T): void => {
		if (list.length < limit) list.push(value);
		else left += 1;
	};
	for (const group of groups) {
		const taking = taken[group.key] ?? group.usual;
		for (const shape of taking === 'nothing' ? [] : group.shapes) {
			const points = simpler(shape.points, fine).map(tidyPoint);
			if (points.length < 2) continue;
			if (taking === 'wall')
				for (const [from, to] of piecesOf(points, shape.isClosed))
					put(walls, most.walls, {
						...{ id: `wall-${walls.length + 1}`, from, to },
						thickness: within(tidy(shape.width || usual.wall), 0.005, 1)
					});
			else if (taking === 'tape')
				for (const line of cut(points, most.points))
					put(tapes, most.tapes, {
						...{ id: `tape-${tapes.length + 1}`, points: line, radius: 0 },
						isClosed: shape.isClosed && line.length === points.length && points.length > 2,
						width: within(tidy(shape.width || usual.tape), 0.005, 0.2),
						colour: nearestColour(shape.colour)
					});
			else if (taking === 'patch') {
				const corners = fewer(points, most.corners);
				if (corners.length < 3) left += 1;
				else
					put(patches, most.patches, {
						...{ id: `patch-${patches.length + 1}`, corners },
						colour: nearestColour(shape.colour)
					});
			} else put(rails, most.rails, railAlong(points, `rail-${rails.length + 1}`));
		}
	}
	const size = {
		width: within(up(drawing.size.width), 0.5, 20),
		height: within(up(drawing.size.height), 0.5, 20)
	};
	return { course: makeCourse({ name, size, starts: [], walls, tapes, patches, rails }), left };
}

const up = (metres: number): number => Math.ceil(metres * 1000 - 1e-6) / 1000;

function piecesOf(points: readonly [number, number][], isClosed: boolean) {
	const line = isClosed && points.length > 2 ? [...points, points[0]!] : points;
	return line.slice(1).map((to, i) => [line[i]!, to] as const);
}

/** Lines of so many points at the most, each beginning where the one before ends. */
function cut(points: readonly [number, number][], limit: number): [number, number][][] {
	const lines: [number, number][][] = [];
	for (let at = 0; at === 0 || at < points.length - 1; at += limit - 1)
		lines.push(points.slice(at, at + limit));
	return lines;
}

/** As fine as so many corners allow. */
function fewer(points: readonly [number, number][], limit: number): [number, number][] {
	let corners = [...points];
	for (let near = fine * 4; corners.length > limit; near *= 2)
		corners = simpler(points, near).map(tidyPoint);
	return corners;
}

/** Leaves out points that the line passes near to without them (Ramer, Douglas and Peucker). */
export function simpler(points: readonly Point[], near: number): Point[] {
	if (points.length < 3) return [...points];
	const keep = new Uint8Array(points.length);
	keep[0] = keep[points.length - 1] = 1;
	const open: [number, number][] = [[0, points.length - 1]];
	for (let range = open.pop(); range; range = open.pop()) {
		const [from, to] = range;
		let worst = near;
		let at = -1;
		for (let i = from + 1; i < to; i++) {
			const away = distanceTo(points[i]!, points[from]!, points[to]!);
			if (away <= worst) continue;
			worst = away;
			at = i;
		}
		if (at < 0) continue;
		keep[at] = 1;
		open.push([from, at], [at, to]);
	}
	return points.filter((_, i) => keep[i]);
}

/** Metres: a rail is straight where it turns by less than its smallest curve. */
const railRadius = 0.1;

/** A rail along a line: its corners become curves that touch both sides. */
function railAlong(points: readonly [number, number][], id: string): Course['rails'][number] {
	const line = simpler(points, 0.002);
	const pieces: Course['rails'][number]['pieces'] = [];
	let before = 0;
	for (let i = 0; i + 1 < line.length; i++) {
		const whole = lengthTo(line[i]!, line[i + 1]!);
		const turned = i + 2 < line.length ? turnAt(line, i + 1) : 0;
		const half = Math.abs(turned) * (Math.PI / 360);
		const next = i + 2 < line.length ? lengthTo(line[i + 1]!, line[i + 2]!) : 0;
		const back = half > 1e-3 ? Math.min(whole - before, next / 2) * 0.999 : 0;
		const radius = back > 0 ? back / exact.tan(half) : 0;
		const isCurved = radius >= railRadius && radius <= 5;
		const straight = tidy(whole - before - (isCurved ? back : 0));
		if (straight >= 0.01) pieces.push({ length: Math.min(20, straight) });
		if (isCurved) pieces.push({ radius: tidy(radius), angle: Math.round(turned * 100) / 100 });
		before = isCurved ? back : 0;
	}
	return {
		...{ id, at: tidyPoint(line[0]!), bearing: tidyBearing(bearingTo(line[0]!, line[1]!)) },
		...{ isClosed: false, marks: [], pieces: pieces.length > 0 ? pieces : [{ length: 0.01 }] }
	};
}
