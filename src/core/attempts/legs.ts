/**
 * Legs of an attempt: what each step meant, what the robot did, and the error between them in two
 * parts: what the leg inherited (where and how it began) and what it added itself, as seen from where
 * it began. Metres, seconds, radians counter-clockwise.
 */
import * as exact from '../exact';
import { indexAt } from '../simulation/moment';
import type { Attempt, Bump, RecordedPose, RobotRun, Span } from '../simulation/attempt';
import { legsOf, withRounds } from '../simulation/attempt';
import { definitionOf } from '../steps/catalogue';
import { ranWith, type Aim } from '../steps/definition';
import { headingOfBearing, wrapAngle } from '../units/angles';

/** A way, as seen from where it begins. */
export interface LegWay {
	/** Metres to the front and to the left of how it began. */
	readonly ahead: number;
	readonly left: number;
	/** Radians, not wrapped. */
	readonly turn: number;
	/** Metres. */
	readonly up: number;
	readonly seconds: number;
}

/** How far something is from where it is meant to be. */
export interface Miss {
	/** Metres too far ahead, and too far to the left. */
	readonly ahead: number;
	readonly left: number;
	/** Radians turned too far to the left. */
	readonly turn: number;
}

export interface Leg {
	readonly span: Span;
	/** 1 for the first time that its step ran, and so on. */
	readonly round: number;
	readonly did: LegWay;
	/** What its step says, where it says it, or else what an ideal robot did; null where nobody knows. */
	readonly meant: LegWay | null;
	readonly added: Miss | null;
	/** How it began, against an ideal robot's; null where that went another way. */
	readonly inherited: Miss | null;
	/** Metres by which what it added put off the end of the whole attempt. */
	readonly cost: number;
	readonly speedAtStart: number;
	/** Radians a second when it began, to the left. */
	readonly turningAtStart: number;
	readonly bumps: readonly Bump[];
}

/** Where its robot was to be at the end of a leg, from where it began. */
export function meantEnd({ span: { from }, meant }: Leg): RecordedPose | null {
	if (!meant) return null;
	const way = turnedBy(meant.ahead, meant.left, from.heading);
	return { x: from.x + way.ahead, y: from.y + way.left, heading: from.heading + meant.turn };
}

/** Metres, and radians, of what can be seen. */
const seenWay = 0.005;
const seenTurn = 0.02;

/** It moved, or was to: a lamp that is lit is no leg that could miss. */
export const isMove = ({ did, meant }: Leg): boolean =>
	[did, meant ?? did].some(
		({ ahead, left, up, turn }) =>
			exact.lengthOf(exact.lengthOf(ahead, left), up) > seenWay || Math.abs(turn) > seenTurn
	);

/** Metres that a leg costs before it is said to have gone wrong, and of what the worst one cost. */
const leastCost = 0.015;
const partOfWorst = 0.3;

/** The first leg that went wrong: where mending begins. */
export function firstWrong(legs: readonly Leg[]): Leg | undefined {
	const worst = legs.reduce((most, { cost }) => Math.max(most, cost), 0);
	return legs.find(({ cost }) => cost > leastCost && cost >= partOfWorst * worst);
}

/** What a leg added, along the way that it meant. */
export interface Along {
	/** Metres too far; under 0 too short. Undefined where no way was meant. */
	readonly further: number | undefined;
	/** Metres to the left of the way; of a turn on the spot, how far it moved off. */
	readonly aside: number;
	/** Radians turned too far, the way that was meant, and to the left where none was. */
	readonly turned: number;
	readonly isTurn: boolean;
}

/** Metres, and radians, below which no way and no turn was meant. */
const noWay = 0.005;
const noTurn = 0.02;

export function alongMeant({ meant, added }: Leg): Along | null {
	if (!meant || !added) return null;
	const length = exact.lengthOf(meant.ahead, meant.left);
	const isTurn = Math.abs(meant.turn) > noTurn;
	const turned = isTurn && meant.turn < 0 ? -added.turn : added.turn;
	if (length < noWay)
		return { further: undefined, aside: exact.lengthOf(added.ahead, added.left), turned, isTurn };
	const [x, y] = [meant.ahead / length, meant.left / length];
	return {
		further: added.ahead * x + added.left * y,
		aside: added.left * x - added.ahead * y,
		turned,
		isTurn
	};
}

/** What an angle costs at least, as metres a radian: the last leg points somewhere, too. */
const leastReach = 0.1;

/**
 * The legs of a robot, in the order in which they began.
 * @param intended the same plan on an ideal robot
 */
export function legsIn(attempt: Attempt, run: RobotRun, intended: Attempt | null): Leg[] {
	const spans = inOrder(attempt, run);
	const ideal = intended?.runs.find(({ id }) => id === run.id);
	const twins = new Map<string, { span: Span; way: LegWay }[]>();
	if (intended && ideal)
		for (const span of inOrder(intended, ideal)) {
			const list = twins.get(span.stepId) ?? [];
			twins.set(span.stepId, [...list, { span, way: wayOf(span, ideal) }]);
		}
	const legs = withRounds(spans).map(({ span, round }) => {
		const twin = twins.get(span.stepId)?.[round - 1];
		const did = wayOf(span, run);
		const meant = meantOf(span, did, twin?.way);
		return {
			span,
			round,
			did,
			meant,
			added: meant && missOf(did, meant),
			inherited: twin ? poseMiss(span.from, twin.span.from) : null,
			cost: 0,
			speedAtStart: span.speedAtStart,
			turningAtStart: turningAt(run, span.start),
			bumps: run.bumps.filter(({ time }) => time > span.start && time <= span.end)
		};
	});
	const last = spans.at(-1)?.to;
	return legs.map((leg) => ({ ...leg, cost: last ? costOf(leg, last) : 0 }));
}

const inOrder = (attempt: Attempt, run: RobotRun): Span[] =>
	legsOf(attempt, run).toSorted((a, b) => a.start - b.start);

function wayOf({ from, to, start, end }: Span, { trace }: RobotRun): LegWay {
	const height = (time: number) => trace.columns.height?.[indexAt(trace.time, time)] ?? 0;
	return { ...asSeenFrom(from, to), up: height(end) - height(start), seconds: end - start };
}

/** Where `to` is, as seen from `from`. */
export function asSeenFrom(from: RecordedPose, to: RecordedPose): Miss {
	const [x, y] = [to.x - from.x, to.y - from.y];
	const [cos, sin] = [exact.cos(from.heading), exact.sin(from.heading)];
	return { ahead: x * cos + y * sin, left: y * cos - x * sin, turn: to.heading - from.heading };
}

/** How far one pose is from another, as seen from that. */
export function poseMiss(pose: RecordedPose, meant: RecordedPose): Miss {
	const { turn, ...way } = asSeenFrom(meant, pose);
	return { ...way, turn: wrapAngle(turn) };
}

/** What the step says counts before what an ideal robot did: that, too, can run into a wall. */
function meantOf(span: Span, did: LegWay, twin: LegWay | undefined): LegWay | null {
	const said = aimOf(span);
	const facing = said.facing === undefined ? 0 : turnTo(said.facing, span.from.heading, did.turn);
	const turn = said.turn ?? (said.facing === undefined ? twin?.turn : facing);
	const place = said.ahead === undefined ? twin : turnedBy(said.ahead, said.left ?? 0, facing);
	if (turn === undefined || !place) return null;
	const { ahead, left } = place;
	const up = said.up ?? twin?.up ?? 0;
	return { ahead, left, turn, up, seconds: said.seconds ?? twin?.seconds ?? did.seconds };
}

/** @returns radians to the left, of all ways round to a bearing the one that is nearest to `did` */
function turnTo(bearing: number, heading: number, did: number): number {
	return did + wrapAngle(headingOfBearing(bearing) - heading - did);
}

/** A way turned by an angle to the left, radians. Of a robot's way and its heading: metres east and north. */
export function turnedBy(ahead: number, left: number, angle: number) {
	const [cos, sin] = [exact.cos(angle), exact.sin(angle)];
	return { ahead: ahead * cos - left * sin, left: ahead * sin + left * cos };
}

/** What a step says of its way, with the values that it ran with. */
const aimOf = ({ kind, values }: Span): Aim => definitionOf(kind).aim?.(ranWith(values)) ?? {};

const missOf = (did: LegWay, meant: LegWay): Miss => ({
	ahead: did.ahead - meant.ahead,
	left: did.left - meant.left,
	turn: did.turn - meant.turn
});

/**
 * How far the end of everything was put off by what one leg added: it was shifted, and turned about
 * where the leg ended.
 */
function costOf(
	{ span: { from, to }, added }: Pick<Leg, 'span' | 'added'>,
	last: RecordedPose
): number {
	if (!added) return 0;
	const shift = turnedBy(added.ahead, added.left, from.heading);
	const [x, y] = [last.x - to.x, last.y - to.y];
	const before = turnedBy(x, y, -added.turn);
	const [offX, offY] = [shift.ahead + x - before.ahead, shift.left + y - before.left];
	return exact.lengthOf(exact.lengthOf(offX, offY), leastReach * added.turn);
}

/** Radians a second at a time. */
function turningAt({ trace: { time, heading } }: RobotRun, at: number): number {
	const i = Math.max(1, indexAt(time, at));
	const gap = time[i]! - time[i - 1]!;
	return gap > 0 ? (heading[i]! - heading[i - 1]!) / gap : 0;
}
