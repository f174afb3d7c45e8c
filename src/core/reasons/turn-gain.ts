/** This robot's right angle is none: all its turns are too wide, or too narrow, by the same part. */
import { driftedIn } from './gyro-drift';
import { habitOf, isTurn, type Matter } from './reason';

/** A part of the turn that is worth a word; radians that can be measured well enough. */
const least = 0.004;
const leastAngle = 0.3;

export const turnGain: Matter = ({ legs, gyroBias }) => {
	const drift = gyroBias ?? 0;
	const turns = legs.filter((each) => isTurn(each) && Math.abs(each.meant!.turn) >= leastAngle);
	// What its gyro drifts meanwhile is another matter.
	const parts = turns.map((leg) => (leg.added!.turn - driftedIn(leg, drift)) / leg.meant!.turn);
	const habit = habitOf(parts, least);
	return (leg) => {
		if (habit === null || !isTurn(leg)) return null;
		return {
			sentence: {
				key: habit > 0 ? 'reason.turnGain.more' : 'reason.turnGain.less',
				values: { percent: Math.abs(habit) * 100, count: parts.length }
			},
			explains: { ahead: 0, left: 0, turn: habit * leg.meant!.turn },
			at: leg.span.end
		};
	};
};
