/**
 * The shortest way for something of some width: the floor as a fine net of places at which it has
 * room, searched outwards from the start (A*), and the found way pulled taut between what is in it.
 */
import FlatQueue from 'flatqueue';
import * as exact from '../../exact';
import type { Course, Gate } from '../course';
import { lengthAlong, lengthTo, placeBeside, turnAt, type Point } from '../measure';
import { tidyPoint } from '../motions';
import { Net, type Walker } from './net';

export interface Way {
	/** From the start on; a corner at each of the others but the last. */
	readonly points: readonly Point[];
	/** Metres. */
	readonly length: number;
	/** Corners at which it turns by more than a degree. */
	readonly turns: number;
	/** The gates that it passes, each by the number of the point behind it. */
	readonly gates: Readonly<Record<number, Gate>>;
}

/** A place that has to be reached, or come so near to. Metres. */
export interface Goal {
	readonly at: Point;
	readonly within: number;
	/** It is gone through, straight, from either side. */
	readonly gate?: Gate;
}

const neighbours: readonly (readonly [dx: number, dy: number, far: number])[] = [
	...([-1, 1] as const).flatMap((d) => [[d, 0, 1] as const, [0, d, 1] as const]),
	...([-1, 1] as const).flatMap((dx) =>
		([-1, 1] as const).map((dy) => [dx, dy, Math.SQRT2] as const)
	)
];

/** The places of the net from one point to within reach of a goal. */
function netWay(room: Net, from: number, { at, within }: Goal): number[] | undefined {
	const { columns, rows, step } = room;
	const count = columns * rows;
	const far = new Float64Array(count).fill(Infinity);
	const before = new Int32Array(count).fill(-1);
	const isDone = new Uint8Array(count);
	const [goalX, goalY] = [at[0] / step, at[1] / step];
	const reach = Math.max(within / step, 0.75);
	const left = (column: number, row: number): number =>
		Math.max(0, exact.lengthOf(column - goalX, row - goalY) - reach);
	const waiting = new FlatQueue();
	far[from] = 0;
	waiting.push(from, left(from % columns, Math.floor(from / columns)));
	while (waiting.length > 0) {
		const place = waiting.pop()!;
		if (isDone[place]) continue;
		isDone[place] = 1;
		const column = place % columns;
		const row = Math.floor(place / columns);
		if (left(column, row) === 0) {
			const places = [place];
			while (before[places[0]!]! >= 0) places.unshift(before[places[0]!]!);
			return places;
		}
		for (const [dx, dy, length] of neighbours) {
			const [x, y] = [column + dx, row + dy];
			if (x < 0 || y < 0 || x >= columns || y >= rows) continue;
			const next = y * columns + x;
			if (isDone[next] || !room.isFree(next)) continue;
			// Not through between two corners that touch.
			if (dx !== 0 && dy !== 0)
				if (!room.isFree(row * columns + x) || !room.isFree(y * columns + column)) continue;
			const cost = far[place]! + length;
			if (cost >= far[next]!) continue;
			far[next] = cost;
			before[next] = place;
			waiting.push(next, cost + left(x, y));
		}
	}
	return undefined;
}

/** Leaves out corners that one can cut, as often as that makes it shorter. */
function pulledTaut(room: Net, points: readonly Point[]): Point[] {
	let taut = [...points];
	for (;;) {
		const next: Point[] = [taut[0]!];
		let at = 0;
		while (at < taut.length - 1) {
			let far = taut.length - 1;
			while (far > at + 1 && !room.isClear(taut[at]!, taut[far]!)) far -= 1;
			next.push(taut[far]!);
			at = far;
		}
		if (next.length === taut.length) return next;
		taut = next;
	}
}

/** Moves its corners to where it is shorter, in smaller and smaller steps. */
function tightened(room: Net, points: Point[]): Point[] {
	const line = [...points];
	const around = (at: number): number =>
		lengthTo(line[at - 1]!, line[at]!) + lengthTo(line[at]!, line[at + 1]!);
	for (let size = room.step * 4; size > 0.002; size /= 2)
		for (let at = 1; at < line.length - 1; at++)
			for (const [dx, dy] of neighbours) {
				const old = line[at]!;
				const before = around(at);
				line[at] = [old[0] + dx * size, old[1] + dy * size];
				const isBetter =
					around(at) < before - 1e-9 &&
					room.isClear(line[at - 1]!, line[at]!) &&
					room.isClear(line[at]!, line[at + 1]!);
				if (!isBetter) line[at] = old;
			}
	return line;
}

/** Metres that a way may be longer for one turn less; for two turns so near each other, more. */
const worthATurn = 0.01;
const kink = { within: 0.12, worth: 0.03 };

/** Two corners become one where that is hardly longer: fewer turns, for those who have to drive it. */
function withFewerTurns(room: Net, points: readonly Point[]): Point[] {
	const line = [...points];
	let hasMerged = false;
	for (let at = 0; at + 3 < line.length;) {
		const [a, b, c, d] = line.slice(at, at + 4) as [Point, Point, Point, Point];
		const corner = crossing(a, b, d, c);
		const longer =
			corner &&
			lengthTo(a, corner) + lengthTo(corner, d) - lengthTo(a, b) - lengthTo(b, c) - lengthTo(c, d);
		const isBetter =
			longer !== undefined &&
			longer <= (lengthTo(b, c) < kink.within ? kink.worth : worthATurn) &&
			room.isClear(a, corner!) &&
			room.isClear(corner!, d);
		if (isBetter) line.splice(at + 1, 2, corner!);
		else at += 1;
		hasMerged ||= isBetter;
	}
	return hasMerged ? withFewerTurns(room, line) : line;
}

/** Where a line that goes on from a over b meets one that goes on from c over d; nowhere behind them. */
function crossing(a: Point, b: Point, c: Point, d: Point): Point | undefined {
	const [ux, uy] = [b[0] - a[0], b[1] - a[1]];
	const [vx, vy] = [d[0] - c[0], d[1] - c[1]];
	const across = ux * vy - uy * vx;
	if (Math.abs(across) < 1e-9) return undefined;
	const far = ((c[0] - a[0]) * vy - (c[1] - a[1]) * vx) / across;
	const back = ((c[0] - a[0]) * uy - (c[1] - a[1]) * ux) / across;
	return far >= 1 && back >= 1 ? [a[0] + far * ux, a[1] + far * uy] : undefined;
}

/**
 * The shortest way from a point over all goals in their order.
 * @returns the number of the goal that cannot be reached, where there is no way
 */
export function wayOver(
	course: Course,
	from: Point,
	goals: readonly Goal[],
	walker: Walker
): Way | { readonly unreached: number } {
	const room = new Net(course, walker);
	const points: Point[] = [from];
	const gates: Record<number, Gate> = {};
	let start = room.isFree(room.indexOf(from))
		? room.indexOf(from)
		: room.freeNear(from, walker.radius);
	for (const [number, goal] of goals.entries()) {
		const here = points.at(-1)!;
		const { gate } = goal;
		const [before, behind] = gate ? sidesOf(room, gate, here, goals[number + 1]?.at) : [goal.at];
		const net = before && start >= 0 ? netWay(room, start, { ...goal, at: before }) : undefined;
		if (!before || !net) return { unreached: number };
		const isExact = gate !== undefined || number === goals.length - 1;
		const leg: Point[] = [here, ...net.slice(1).map((index) => room.pointOf(index))];
		// Into the middle of the last goal, where there is room for it.
		if (isExact && leg.length > 1 && room.isClear(leg.at(-1)!, before)) leg.push(before);
		const taut = tightened(room, pulledTaut(room, leg));
		points.push(...withFewerTurns(room, taut).slice(1));
		if (behind) gates[points.push(behind) - 1] = gate!;
		start = room.indexOf(points.at(-1)!);
	}
	return wayAlong(points.map(tidyPoint), gates);
}

/** Metres before and behind a gate from which it is gone through, where there is room for that. */
const runUps = [0.3, 0.2, 0.1];

/** Where one comes to a gate and where one is behind it, the shorter way round; none without room. */
function sidesOf(
	room: Net,
	{ at, bearing }: Gate,
	from: Point,
	next: Point = at
): readonly [before?: Point, behind?: Point] {
	for (const far of runUps) {
		const one = placeBeside(at, bearing, -far, 0);
		const other = placeBeside(at, bearing, far, 0);
		if (!room.isClear(one, other)) continue;
		const isAlong =
			lengthTo(from, one) + lengthTo(other, next) <= lengthTo(from, other) + lengthTo(one, next);
		return isAlong ? [one, other] : [other, one];
	}
	return [];
}

export const wayAlong = (points: readonly Point[], gates: Way['gates'] = {}): Way => ({
	points,
	length: lengthAlong(points),
	turns: turnsOf(points),
	gates
});

/** Corners at which a line turns by more than a degree. */
const turnsOf = (points: readonly Point[]): number =>
	points.filter((_, i) => i > 0 && i + 1 < points.length && Math.abs(turnAt(points, i)) > 1).length;

/**
 * What counts on a course, in the order in which a way leads over it: lamp posts, and then gates, if
 * they have an order, and the finish ring.
 */
export function goalsOf({ finish, lampPosts, gates, isInOrder }: Course): Goal[] {
	const posts = lampPosts.map(({ at, reach }): Goal => {
		return { at, within: Math.max(0, reach - 0.02) };
	});
	const passed = gates.map((gate): Goal => ({ at: gate.at, within: 0, gate }));
	const ring = finish ? [{ at: finish.at, within: Math.max(0, finish.radius - 0.03) }] : [];
	return [...(isInOrder ? [...posts, ...passed] : []), ...ring];
}

/** From the first start mark over all that counts in its order; undefined where nothing does. */
export function shortestWay(
	course: Course,
	walker: Walker
): Way | { readonly unreached: number } | undefined {
	const [start] = course.starts;
	const goals = goalsOf(course);
	return start && goals.length > 0 ? wayOver(course, start.at, goals, walker) : undefined;
}
