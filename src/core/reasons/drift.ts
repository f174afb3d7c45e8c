/** It bends to one side all along: one wheel goes further than the other. */
import { degrees } from '../units/angles';
import { bendsIn, isAlong } from './bends';
import { habitOf, type Matter } from './reason';

/** Radians a metre that are worth a word. */
const least = 0.01;

export const drift: Matter = ({ legs, run }) => {
	const habit = habitOf(bendsIn(legs, run), least);
	return (leg) => {
		if (habit === null || !isAlong(leg)) return null;
		const { ahead } = leg.did;
		return {
			sentence: {
				// Backwards a bend to the left leads to the right: it is said as one sees it from ahead.
				key: habit > 0 ? 'reason.drift.left' : 'reason.drift.right',
				values: { angle: Math.abs(degrees(habit)) }
			},
			explains: { ahead: 0, left: (habit * ahead * ahead) / 2, turn: habit * ahead },
			at: (leg.span.start + leg.span.end) / 2
		};
	};
};
