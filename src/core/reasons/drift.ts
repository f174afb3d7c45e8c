/** It bends to one side all along: one wheel goes further than the other. */
import { degrees } from '../units/angles';
import { bendsIn, isAlong } from './bends';
import { agreementOf, surely, type Matter } from './reason';

/** Radians a metre that are worth a word. */
const least = 0.01;

export const drift: Matter = (leg, { legs, run }) => {
	if (!isAlong(leg)) return null;
	const found = agreementOf(bendsIn(legs, run));
	if (!found || Math.abs(found.middle) < Math.max(least, surely * found.doubt)) return null;
	const { middle } = found;
	const { ahead } = leg.did;
	return {
		sentence: {
			// Backwards a bend to the left leads to the right: it is said as one sees it from ahead.
			key: middle > 0 ? 'reason.drift.left' : 'reason.drift.right',
			values: { angle: Math.abs(degrees(middle)) }
		},
		explains: { ahead: 0, left: (middle * ahead * ahead) / 2, turn: middle * ahead },
		at: (leg.span.start + leg.span.end) / 2
	};
};
