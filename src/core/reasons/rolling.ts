/**
 * It was still under way when the step began: its turn was driven as a bend, its straight as a swerve;
 * in the air, it floated on beside its way.
 */
import * as exact from '../exact';
import { turnedBy, type Leg, type Miss } from '../attempts/legs';
import type { RobotRun } from '../simulation/attempt';
import { indexAt } from '../simulation/moment';
import { standBefore } from './mend';
import { isStraight, isTurn, type Matter } from './reason';

/** m/s, and radians a second, that can be told from standing still. */
const leastSpeed = 0.03;
const leastTurning = 0.35;

/** It rolled through the turn before, as a ball does, and goes on as it did before that. */
const cutsCorner = (leg: Leg, legs: readonly Leg[]): boolean => {
	const before = legs[legs.indexOf(leg) - 1];
	const isFast = (each: Leg) => each.speedAtStart > leastSpeed;
	return isStraight(leg) && isFast(leg) && before !== undefined && isTurn(before) && isFast(before);
};

/** Of what it added, what lies the way it was still going; null where that is not beside its way. */
function floated({ span: { start, from }, meant, added }: Leg, run: RobotRun): Miss | null {
	const { time, x, y, columns } = run.trace;
	const i = Math.max(1, indexAt(time, start));
	if (!meant || !added || !((columns.height?.[i] ?? 0) > 0)) return null;
	const moved = turnedBy(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!, -from.heading);
	const way = exact.lengthOf(moved.ahead, moved.left);
	if (way === 0) return null;
	const [ahead, left] = [moved.ahead / way, moved.left / way];
	const isAlong =
		meant.ahead * ahead + meant.left * left > 0.5 * exact.lengthOf(meant.ahead, meant.left);
	const far = added.ahead * ahead + added.left * left;
	return isAlong || far <= 0 ? null : { ahead: far * ahead, left: far * left, turn: 0 };
}

export const stillRolling: Matter =
	({ legs, run }) =>
	(leg) => {
		const { added, speedAtStart, turningAtStart, span } = leg;
		if (!added) return null;
		const float = speedAtStart > leastSpeed ? floated(leg, run) : null;
		if (float)
			return {
				sentence: { key: 'reason.rolling.floating', values: { centimetres: speedAtStart * 100 } },
				explains: float,
				mend: standBefore(leg),
				at: span.start
			};
		const isBend = isTurn(leg) && speedAtStart > leastSpeed;
		if (isBend || cutsCorner(leg, legs))
			return {
				sentence: {
					key: isBend ? 'reason.rolling.on' : 'reason.rolling.corner',
					values: { centimetres: speedAtStart * 100 }
				},
				explains: { ...added, turn: 0 },
				mend: standBefore(isBend ? leg : legs[legs.indexOf(leg) - 1]!),
				at: span.start
			};
		const isSwerve = isStraight(leg) && Math.abs(turningAtStart) > leastTurning;
		if (!isSwerve || Math.sign(turningAtStart) !== Math.sign(added.turn)) return null;
		return {
			sentence: { key: 'reason.rolling.turning' },
			explains: { ...added, ahead: 0 },
			mend: standBefore(leg),
			at: span.start
		};
	};
