/** This robot's right angle is none: all its turns are too wide, or too narrow, by the same part. */
import { agreementOf, isTurn, surely, type Matter } from './reason';

/** A part of the turn that is worth a word; radians that can be measured well enough. */
const least = 0.004;
const leastAngle = 0.3;

export const turnGain: Matter = (leg, { legs }) => {
	if (!isTurn(leg)) return null;
	const turns = legs.filter((each) => isTurn(each) && Math.abs(each.meant!.turn) >= leastAngle);
	const parts = turns.map(({ added, meant }) => added!.turn / meant!.turn);
	const found = agreementOf(parts);
	if (!found || Math.abs(found.middle) < Math.max(least, surely * found.doubt)) return null;
	const { middle } = found;
	return {
		sentence: {
			key: middle > 0 ? 'reason.turnGain.more' : 'reason.turnGain.less',
			values: { percent: Math.abs(middle) * 100, count: parts.length }
		},
		explains: { ahead: 0, left: 0, turn: middle * leg.meant!.turn },
		at: leg.span.end
	};
};
