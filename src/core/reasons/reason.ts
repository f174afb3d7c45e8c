/** Why a leg missed what it meant, as far as its recording tells: what each matter makes of it. */
import * as exact from '../exact';
import { legsIn, type Leg, type Miss } from '../attempts/legs';
import type { Attempt, RobotRun } from '../simulation/attempt';
import { indexAt } from '../simulation/moment';
import type { Sentence } from '../sentence';
import type { LegMend } from './mend';

/** What a matter looks at: all legs of a run. */
export interface LegScene {
	readonly attempt: Attempt;
	readonly run: RobotRun;
	/** In the order in which they began. */
	readonly legs: readonly Leg[];
	/** The same plan on an ideal robot; null where nobody knows. */
	readonly intended: Attempt | null;
}

/** With what several matters need, worked out once. */
export interface LookedAt extends LegScene {
	/** The same step in the same round on the robot that has no errors; undefined where that went another way. */
	readonly twinOf: (leg: Leg) => Twin | undefined;
	/** rad/s that its gyro counts to the left while it does not turn; null where that is not sure. */
	readonly gyroBias: number | null;
}

/** What one matter holds to be the reason. */
export interface Guess {
	/** `reason.<matter>` and its figures: centimetres, degrees, percent, seconds. */
	readonly sentence: Sentence;
	/** What of the miss it explains, as seen from where the leg began. */
	readonly explains: Miss;
	/** It explains how the leg began, not what it added. */
	readonly isInherited?: true;
	/** What may lessen it. */
	readonly mend?: LegMend | undefined;
	/** Seconds since Run: where it shows. */
	readonly at: number;
}

/** One file each. What all legs have in common is looked at once; then of one leg: null where it has nothing to say. */
export type Matter = (scene: LookedAt) => (leg: Leg) => Guess | null;

/** Metres ahead for which the end of a leg points somewhere: what a radian weighs. */
const reach = 0.5;

/** A miss in metres. */
export const sizeOf = ({ ahead, left, turn }: Miss): number =>
	exact.lengthOf(exact.lengthOf(ahead, left), reach * turn);

export const noMiss: Miss = { ahead: 0, left: 0, turn: 0 };

/** Radians: less is no turn. Metres: less is no way that could be measured. */
const leastTurn = 0.02;
const leastWay = 0.08;

/** A leg that was driven straight as far as it was meant to, with nothing in its way. */
export const isStraight = ({ meant, span, bumps }: Leg): boolean =>
	meant !== null &&
	span.isComplete &&
	bumps.length === 0 &&
	Math.abs(meant.turn) < leastTurn &&
	exact.lengthOf(meant.ahead, meant.left) >= leastWay;

/** A leg that turned, and was to go nowhere, with nothing in its way. */
export const isTurn = ({ meant, span, bumps }: Leg): boolean =>
	meant !== null &&
	span.isComplete &&
	bumps.length === 0 &&
	Math.abs(meant.turn) >= leastTurn &&
	exact.lengthOf(meant.ahead, meant.left) < leastTurn;

/** What several measurements agree on, and how well. */
export interface Agreement {
	readonly middle: number;
	/** By which it may well be another: as a standard deviation of the middle. */
	readonly doubt: number;
}

/** @returns null where fewer than two were measured: one agrees with itself */
export function agreementOf(measured: readonly number[]): Agreement | null {
	const { length } = measured;
	if (length < 2) return null;
	const middle = measured.reduce((sum, each) => sum + each, 0) / length;
	const scatter = measured.reduce((sum, each) => sum + (each - middle) * (each - middle), 0);
	return { middle, doubt: Math.sqrt(scatter / (length - 1) / length) };
}

/**
 * Deviations by which something is surely not nothing: the fewer were measured, the less is known of
 * the deviation, too. Source: Student, about the quantile for one in forty on either side.
 */
export const surelyOf = (count: number): number => 2 + 2.8 / (count - 1);

/** What a robot always does. @param least that is worth a word @returns null where that is not sure */
export function habitOf(measured: readonly number[], least: number): number | null {
	const found = agreementOf(measured);
	if (!found) return null;
	const sure = surelyOf(measured.length) * found.doubt;
	return Math.abs(found.middle) < Math.max(least, sure) ? null : found.middle;
}

/** The same step in the same round on the robot that has no errors. */
export interface Twin {
	readonly leg: Leg;
	readonly run: RobotRun;
}

const keyOf = ({ span: { stepId }, round }: Leg): string => `${stepId} ${round}`;

/** Finds twins; undefined where the ideal robot went another way. */
export function twinsIn({ intended, run }: LegScene): (leg: Leg) => Twin | undefined {
	const ideal = intended?.runs.find(({ id }) => id === run.id);
	if (!intended || !ideal) return () => undefined;
	const legs = legsIn(intended, ideal, intended);
	const twins = new Map(legs.map((leg) => [keyOf(leg), { leg, run: ideal }]));
	return (leg) => twins.get(keyOf(leg));
}

/** Metres of way between two times, along the trace. */
export function wayBetween({ trace: { time, x, y } }: RobotRun, from: number, to: number): number {
	let way = 0;
	for (let i = indexAt(time, from) + 1; i <= indexAt(time, to); i++)
		way += exact.lengthOf(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!);
	return way;
}
