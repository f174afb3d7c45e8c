/**
 * What a driven shape is like: how straight its sides are, how wide its corners, how round its bends,
 * and how well it closes. Figures against what was meant, not grades. Metres and radians.
 */
import * as exact from '../exact';
import { indexAt } from '../simulation/moment';
import type { Attempt, RobotRun } from '../simulation/attempt';
import { wrapAngle } from '../units/angles';
import type { Leg } from './legs';

/** How far what was driven lies off a line or a circle that fits it best. */
export interface Off {
	readonly farthest: number;
	readonly mean: number;
}

export interface DrivenSide extends Off {
	readonly leg: Leg;
	/** From where it began to where it ended; null where nobody knows what was meant. */
	readonly length: number;
	readonly meant: number | null;
}

/** A turn on the spot. */
export interface DrivenCorner {
	readonly leg: Leg;
	/** Radians, without sign. */
	readonly turn: number;
	readonly meant: number | null;
}

export interface DrivenBend extends Off {
	readonly leg: Leg;
	readonly radius: number;
	readonly meant: number | null;
}

export interface DrivenShape {
	readonly sides: readonly DrivenSide[];
	readonly corners: readonly DrivenCorner[];
	readonly bends: readonly DrivenBend[];
	/** From its start to its end, where the shape was meant to close; radians turned too far to the left. */
	readonly closing: { readonly length: number; readonly turn: number } | null;
}

/** Radians below which a leg is straight; metres below which it stays where it is. */
const leastTurn = 0.05;
const leastWay = 0.05;
/** A shape closes whose end lies as near to its start as this, as a part of its way. */
const closed = 0.02;

/** @param legs of this run, in order @param intended the same plan on an ideal robot */
export function shapeOf(
	run: RobotRun,
	legs: readonly Leg[],
	intended: Attempt | null
): DrivenShape {
	const sides: DrivenSide[] = [];
	const corners: DrivenCorner[] = [];
	const bends: DrivenBend[] = [];
	for (const leg of legs) {
		const { meant, did } = leg;
		const way = meant ?? did;
		const chord = exact.lengthOf(way.ahead, way.left);
		const isTurned = Math.abs(way.turn) >= leastTurn;
		const points = pointsOf(leg, run);
		if (isTurned && chord < leastWay && lengthOf(points) < leastWay)
			corners.push({ leg, turn: Math.abs(did.turn), meant: meant && Math.abs(meant.turn) });
		else if (lengthOf(points) < leastWay) continue;
		else if (!isTurned || (chord >= leastWay && isStraight(way))) {
			const length = exact.lengthOf(did.ahead, did.left);
			sides.push({ leg, length, meant: meant && chord, ...offLine(points) });
		} else {
			const round = offCircle(points);
			if (round) bends.push({ leg, ...round, meant: meantRadius(leg) });
		}
	}
	return { sides, corners, bends, closing: closingOf(run, intended) };
}

/** Whoever turns first, or last, and goes straight: on an arc the end lies half the turn aside. */
function isStraight({ ahead, left, turn }: Leg['did']): boolean {
	const aside = exact.atan2(left, ahead);
	const off = (part: number) => Math.abs(wrapAngle(aside - part * turn));
	return Math.min(off(0), off(1)) < off(0.5);
}

interface Place {
	readonly x: number;
	readonly y: number;
}

function pointsOf({ span }: Leg, { trace: { time, x, y } }: RobotRun): Place[] {
	const [first, last] = [indexAt(time, span.start), indexAt(time, span.end)];
	return Array.from({ length: last - first + 1 }, (_, i) => ({
		x: x[first + i]!,
		y: y[first + i]!
	}));
}

const lengthOf = (points: readonly Place[]): number =>
	points.reduce((sum, { x, y }, i) => {
		const before = points[i - 1];
		return before ? sum + exact.lengthOf(x - before.x, y - before.y) : 0;
	}, 0);

const meanOf = (values: readonly number[]): number =>
	values.reduce((sum, each) => sum + each, 0) / values.length;

const offOf = (distances: readonly number[]): Off => ({
	farthest: distances.reduce((most, each) => Math.max(most, each), 0),
	mean: meanOf(distances)
});

/** Of the line with the least squares of distances across it. */
function offLine(points: readonly Place[]): Off {
	const { centred } = aboutMiddle(points);
	const [xx, xy, yy] = [
		meanOf(centred.map(({ x }) => x * x)),
		meanOf(centred.map(({ x, y }) => x * y)),
		meanOf(centred.map(({ y }) => y * y))
	];
	const angle = exact.atan2(2 * xy, xx - yy) / 2;
	const [cos, sin] = [exact.cos(angle), exact.sin(angle)];
	return offOf(centred.map(({ x, y }) => Math.abs(y * cos - x * sin)));
}

/**
 * Of the circle with the least squares of `x² + y² - 2ax - 2by - c` (I. Kåsa, A circle fitting procedure
 * and its error analysis, IEEE Trans. Instrum. Meas. 25, 1976). Null where they lie on a line.
 */
function offCircle(points: readonly Place[]): (Off & { radius: number }) | null {
	const { centred } = aboutMiddle(points);
	const sum = (of: (place: Place) => number) => meanOf(centred.map(of));
	const [xx, xy, yy] = [sum(({ x }) => x * x), sum(({ x, y }) => x * y), sum(({ y }) => y * y)];
	const zx = sum(({ x, y }) => (x * x + y * y) * x) / 2;
	const zy = sum(({ x, y }) => (x * x + y * y) * y) / 2;
	const determinant = xx * yy - xy * xy;
	if (determinant < 1e-12) return null;
	const [a, b] = [(zx * yy - zy * xy) / determinant, (zy * xx - zx * xy) / determinant];
	const radius = Math.sqrt(a * a + b * b + xx + yy);
	const distances = centred.map(({ x, y }) => Math.abs(exact.lengthOf(x - a, y - b) - radius));
	return { radius, ...offOf(distances) };
}

function aboutMiddle(points: readonly Place[]) {
	const [midX, midY] = [meanOf(points.map(({ x }) => x)), meanOf(points.map(({ y }) => y))];
	return { centred: points.map(({ x, y }) => ({ x: x - midX, y: y - midY })) };
}

/** What the step says, or what the way that was meant comes to. */
function meantRadius({ meant, span }: Leg): number | null {
	if (typeof span.values.radius === 'number') return span.values.radius;
	if (!meant) return null;
	const half = exact.sin(Math.abs(meant.turn) / 2);
	const chord = exact.lengthOf(meant.ahead, meant.left);
	return half > leastTurn && chord >= leastWay ? chord / (2 * half) : null;
}

function closingOf(run: RobotRun, intended: Attempt | null): DrivenShape['closing'] {
	const ideal = intended?.runs.find(({ id }) => id === run.id);
	if (!ideal || ideal.pathLength < leastWay) return null;
	const meant = endOf(ideal);
	if (meant.length > closed * ideal.pathLength) return null;
	const did = endOf(run);
	return { length: did.length, turn: wrapAngle(did.turn - meant.turn) };
}

function endOf({ trace: { x, y, heading } }: RobotRun) {
	const last = x.length - 1;
	return {
		length: exact.lengthOf(x[last]! - x[0]!, y[last]! - y[0]!),
		turn: heading[last]! - heading[0]!
	};
}
