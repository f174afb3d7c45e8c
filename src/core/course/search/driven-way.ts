/**
 * Ways as people drive a course: few turns, right angles only, through the middle of what is there. The
 * net lies along the front of the start mark, so that what is found is told in whole numbers.
 */
import FlatQueue from 'flatqueue';
import * as exact from '../../exact';
import { headingOfBearing } from '../../units/angles';
import type { Course } from '../course';
import { lengthTo, type Point } from '../measure';
import { tidyPoint } from '../motions';
import { Net, type Walker } from './net';

import { goalsOf, wayAlong, wayOver, type Goal, type Way } from './way';

/** What somebody wishes of a way. */
export const wayWishes = ['shortest', 'fewestTurns', 'squared'] as const;
export type WayWish = (typeof wayWishes)[number];

/** Metres between places of the net; more on a large floor. */
const finest = 0.02;
const mostPlaces = 200_000;
/** Metres of way that one turn is worth. */
const turnCost = { squared: 0.4, fewestTurns: 20 };
/** Metres of free room beside a way at which it counts twice as long as it is; and how often at most. */
const close = 0.1;
const mostWeight = 6;

/** Directions, an eighth of a turn apart, counter-clockwise from ahead: steps ahead and to the left. */
const eighths: readonly (readonly [ahead: number, left: number])[] = [
	...[[1, 0] as const, [1, 1] as const, [0, 1] as const, [-1, 1] as const],
	...[[-1, 0] as const, [-1, -1] as const, [0, -1] as const, [1, -1] as const]
];

class DrivingNet {
	private readonly step: number;
	private readonly columns: number;
	private readonly rows: number;
	/** Of the first place, in steps ahead and to the left of the start. */
	private readonly from: readonly [number, number];
	private readonly cos: number;
	private readonly sin: number;
	/** For each place, how much longer than it is a way over it counts; 0 where there is no room. */
	private readonly weight: Float32Array;

	constructor(
		{ width, height }: Course['size'],
		room: Net,
		private readonly start: Point,
		bearing: number
	) {
		this.step = Math.max(finest, Math.sqrt((width * height) / mostPlaces));
		const heading = headingOfBearing(bearing);
		this.cos = exact.cos(heading);
		this.sin = exact.sin(heading);
		const corners = [[0, 0] as const, [width, 0] as const, [0, height] as const];
		const told = [...corners, [width, height] as const].map(([x, y]) => this.toldOf([x, y]));
		const [aheads, lefts] = [told.map(([ahead]) => ahead), told.map(([, left]) => left)];
		this.from = [Math.floor(Math.min(...aheads)), Math.floor(Math.min(...lefts))];
		this.columns = Math.ceil(Math.max(...aheads)) - this.from[0] + 1;
		this.rows = Math.ceil(Math.max(...lefts)) - this.from[1] + 1;
		this.weight = this.weightsIn(room);
	}

	/** Steps ahead and to the left of the start. */
	private toldOf([x, y]: Point): readonly [number, number] {
		const [dx, dy] = [x - this.start[0], y - this.start[1]];
		const { cos, sin, step } = this;
		return [(dx * cos + dy * sin) / step, (dy * cos - dx * sin) / step];
	}

	private pointAt(column: number, row: number): Point {
		const { cos, sin, step, from, start } = this;
		const [ahead, left] = [(column + from[0]) * step, (row + from[1]) * step];
		return [start[0] + ahead * cos - left * sin, start[1] + ahead * sin + left * cos];
	}

	placeOf(point: Point): number {
		const [ahead, left] = this.toldOf(point);
		const column = Math.round(ahead) - this.from[0];
		return (Math.round(left) - this.from[1]) * this.columns + column;
	}

	pointOf(place: number): Point {
		return this.pointAt(place % this.columns, Math.floor(place / this.columns));
	}

	/** What is near a wall counts more: so a way keeps to the middle. */
	private weightsIn(room: Net): Float32Array {
		const { columns, rows, step } = this;
		const away = new Float32Array(columns * rows);
		const indexes = Array.from(away, (_, place) => room.indexOf(this.pointOf(place)));
		// The edge of the floor is no wall: nothing keeps away from it.
		indexes.forEach((index, place) => {
			away[place] = index < 0 || room.isFree(index) ? Infinity : 0;
		});
		// Two sweeps give each place the way to the nearest one without room, along the net.
		const nearer = (place: number, other: number, far: number) => {
			if (away[other]! + far < away[place]!) away[place] = away[other]! + far;
		};
		const sweep = (place: number, by: 1 | -1) => {
			const column = place % columns;
			const isInner = by === 1 ? column > 0 : column < columns - 1;
			const before = place - by * columns;
			if (isInner) nearer(place, place - by, step);
			if (before < 0 || before >= away.length) return;
			nearer(place, before, step);
			if (isInner) nearer(place, before - by, step * Math.SQRT2);
		};
		for (let place = 0; place < away.length; place++) sweep(place, 1);
		for (let place = away.length - 1; place >= 0; place--) sweep(place, -1);
		return away.map((far, place) =>
			far === 0 || indexes[place]! < 0 ? 0 : Math.min(1 + (close / far) * (close / far), mostWeight)
		);
	}

	/**
	 * @param facing the direction, in eighths, that it has at the first place
	 * @returns the places of a way from there to within reach of a goal
	 */
	wayTo(
		first: number,
		facing: number,
		{ at, within }: Goal,
		wish: keyof typeof turnCost
	): { readonly places: readonly number[]; readonly facing: number } | undefined {
		const { columns, rows, step, weight } = this;
		const stride = wish === 'squared' ? 2 : 1;
		const cost = new Float64Array(weight.length * 8).fill(Infinity);
		const before = new Int32Array(weight.length * 8).fill(-1);
		const reach = Math.max(within / 2, step * 0.75);
		const [goalAhead, goalLeft] = this.toldOf(at);
		const left = (column: number, row: number): number => {
			const [dx, dy] = [column + this.from[0] - goalAhead, row + this.from[1] - goalLeft];
			return Math.max(0, exact.lengthOf(dx, dy) * step - reach);
		};
		const waiting = new FlatQueue();
		const begin = first * 8 + facing;
		cost[begin] = 0;
		waiting.push(begin, 0);
		while (waiting.length > 0) {
			const state = waiting.pop()!;
			const place = state >> 3;
			const [column, row] = [place % columns, Math.floor(place / columns)];
			if (left(column, row) === 0) return { places: placesOf(before, state), facing: state & 7 };
			for (let direction = 0; direction < 8; direction += stride) {
				const [ahead, aside] = eighths[direction]!;
				const [x, y] = [column + ahead, row + aside];
				if (x < 0 || y < 0 || x >= columns || y >= rows) continue;
				const next = y * columns + x;
				const weighs = weight[next]!;
				if (weighs === 0) continue;
				if (ahead !== 0 && aside !== 0)
					if (weight[row * columns + x] === 0 || weight[y * columns + column] === 0) continue;
				const turns = direction === (state & 7) ? 0 : turnCost[wish];
				const far = ahead !== 0 && aside !== 0 ? step * Math.SQRT2 : step;
				const sum = cost[state]! + far * weighs + turns;
				const there = next * 8 + direction;
				if (sum >= cost[there]! - 1e-9) continue;
				cost[there] = sum;
				before[there] = state;
				waiting.push(there, sum + left(x, y));
			}
		}
		return undefined;
	}
}

function placesOf(before: Int32Array, last: number): number[] {
	const places: number[] = [];
	for (let state = last; state >= 0; state = before[state]!) places.unshift(state >> 3);
	return places;
}

/** Only the places at which a line turns, and its ends. */
const cornersOf = (points: readonly Point[]): Point[] =>
	points.filter((point, i) => {
		const [from, to] = [points[i - 1], points[i + 1]];
		if (!from || !to) return true;
		const [ux, uy] = [point[0] - from[0], point[1] - from[1]];
		const [vx, vy] = [to[0] - point[0], to[1] - point[1]];
		// Straight on, and not back the way it came.
		return Math.abs(ux * vy - uy * vx) > 1e-9 || ux * vx + uy * vy < 0;
	});

/**
 * From the first start mark over all that counts in its order, as it is wished.
 * @returns the number of the goal that cannot be reached, where there is no way; undefined where nothing counts
 */
export function wayAsWished(
	course: Course,
	walker: Walker,
	wish: WayWish
): Way | { readonly unreached: number } | undefined {
	const [start] = course.starts;
	const goals = goalsOf(course);
	if (!start || goals.length === 0) return undefined;
	const shortest = () => withRoom(course, start.at, goals, walker);
	if (wish === 'shortest' || goals.some(({ gate }) => gate)) return shortest();
	const net = new DrivingNet(course.size, new Net(course, walker), start.at, start.bearing);
	const squared = onNet(net, start.at, goals, 'squared');
	if (wish === 'squared' || !('points' in squared)) return squared;
	const ways = [onNet(net, start.at, goals, 'fewestTurns'), squared, shortest()];
	return ways
		.filter((way) => 'points' in way)
		.reduce((best, way) => (way.turns < best.turns ? way : best));
}

function onNet(
	net: DrivingNet,
	from: Point,
	goals: readonly Goal[],
	wish: keyof typeof turnCost
): Way | { readonly unreached: number } {
	const points: Point[] = [from];
	let [place, facing] = [net.placeOf(from), 0];
	for (const [number, goal] of goals.entries()) {
		const found = net.wayTo(place, facing, goal, wish);
		if (!found) return { unreached: number };
		facing = found.facing;
		place = found.places.at(-1)!;
		points.push(...found.places.slice(1).map((each) => net.pointOf(each)));
	}
	return wayAlong(cornersOf(points).map(tidyPoint));
}

/** Metres that a way keeps from walls beyond what it needs, and the part that it may be longer for that. */
const comfort = 0.03;
const worthComfort = 1.1;

/** The shortest way, but not along the very walls, where there is room beside them. */
function withRoom(
	course: Course,
	from: Point,
	goals: readonly Goal[],
	walker: Walker
): ReturnType<typeof wayOver> {
	const tight = wayOver(course, from, goals, walker);
	if (!('points' in tight)) return tight;
	const easy = wayOver(course, from, goals, { ...walker, radius: walker.radius + comfort });
	const isWorth = 'points' in easy && easy.length <= tight.length * worthComfort;
	return isWorth && lengthTo(easy.points[0]!, from) < comfort ? easy : tight;
}
