/** A move by time, that goes as far as its speed takes it: with a low battery that is less. */
import { alongMeant } from '../attempts/legs';
import { indexAt } from '../simulation/moment';
import { byMeasure } from './mend';
import { noMiss, type Matter } from './reason';

/** A part of the way that is worth a word, and how full a battery does not answer for it. */
const least = 0.02;
const full = 0.6;

export const slow: Matter = (scene) => (leg) => {
	const { meant, did, span } = leg;
	const { trace } = scene.run;
	const battery = trace.columns.battery?.[indexAt(trace.time, span.start)];
	if (!meant || battery === undefined || battery > full) return null;
	if (!('duration' in span.values) || leg.bumps.length > 0) return null;
	const along = alongMeant(leg);
	const isShort = along?.further !== undefined && along.further < -least * Math.abs(meant.ahead);
	const isNarrow = Math.abs(did.turn) < (1 - least) * Math.abs(meant.turn);
	if (!isShort && !isNarrow) return null;
	return {
		sentence: { key: 'reason.slow', values: { percent: battery * 100 } },
		explains: leg.added ?? noMiss,
		mend: byMeasure(leg, scene),
		at: span.start
	};
};
