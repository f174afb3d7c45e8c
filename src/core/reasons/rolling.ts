/** It was still under way when the step began: its turn was driven as a bend, its straight as a swerve. */
import type { Leg } from '../attempts/legs';
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

export const stillRolling: Matter =
	({ legs }) =>
	(leg) => {
		const { added, speedAtStart, turningAtStart, span } = leg;
		if (!added) return null;
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
