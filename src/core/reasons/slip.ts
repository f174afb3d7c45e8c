/** Its wheels slip: a straight leg bends now to this side, now to that, and no two are alike. */
import { degrees } from '../units/angles';
import { bendsIn, isAlong, piece } from './bends';
import { agreementOf, type Matter } from './reason';

/** Radians a metre by which pieces differ where wheels hold: more, and they slip. */
const least = 0.07;
/** So many deviations from what is usual, and it was something else. */
const most = 3;

export const slip: Matter = ({ legs, run }) => {
	const bends = bendsIn(legs, run);
	const found = agreementOf(bends);
	const deviation = found ? found.doubt * Math.sqrt(bends.length) : 0;
	return (leg) => {
		if (deviation < least || !isAlong(leg) || !leg.added) return null;
		// Each piece by chance: they add up as a walk does that goes either way.
		const way = Math.abs(leg.did.ahead);
		const usual = deviation * Math.sqrt(piece * way);
		if (Math.abs(leg.added.turn) > most * usual) return null;
		return {
			sentence: { key: 'reason.slip', values: { angle: degrees(deviation * Math.sqrt(piece)) } },
			explains: { ...leg.added, ahead: 0 },
			// Half as fast it slips in twice as many ticks: that takes off less than a third.
			at: (leg.span.start + leg.span.end) / 2
		};
	};
};
