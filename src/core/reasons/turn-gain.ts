/** This robot's right angle is none: all its turns are too wide, or too narrow, by the same part. */
import { habitOf, isTurn, type Matter } from './reason';

/** A part of the turn that is worth a word; radians that can be measured well enough. */
const least = 0.004;
const leastAngle = 0.3;

export const turnGain: Matter = ({ legs }) => {
	const turns = legs.filter((each) => isTurn(each) && Math.abs(each.meant!.turn) >= leastAngle);
	const parts = turns.map(({ added, meant }) => added!.turn / meant!.turn);
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
