/** Its gyro drifts: it counts an angle while nothing turns, so that the same turn is now too wide, now too narrow. */
import { seriesIn, valueAt } from '../attempts/series';
import type { Leg } from '../attempts/legs';
import { displayTicks } from '../simulation/settings';
import { tickRate } from '../time';
import { degrees, headingOfBearing, wrapAngle } from '../units/angles';
import { habitOf, isTurn, type LegScene, type Matter } from './reason';

/** rad/s that are worth a word; and slower than this it does not turn. */
const least = 0.004;
const still = 0.05;
/** Radians between two figures: more, and somebody told it where it points. */
const jump = 0.05;
const interval = displayTicks / tickRate;

/** rad/s that it counts to the left while it does not turn; null where that is not sure. */
export function gyroBiasIn({ attempt, run }: LegScene): number | null {
	const series = seriesIn(attempt, run);
	const said = series.find(({ key }) => key === 'reading.heading');
	const truth = series.find(({ key }) => key === 'pose.bearing');
	if (!said || !truth) return null;
	const drifts: number[] = [];
	const end = said.time.at(-1) ?? 0;
	const of = (one: typeof said, time: number) => headingOfBearing(valueAt(one, time));
	for (let time = interval; time <= end; time += interval) {
		const turned = of(truth, time) - of(truth, time - interval);
		const counted = wrapAngle(of(said, time) - of(said, time - interval));
		if (Math.abs(turned) > still * interval || Math.abs(counted) > jump) continue;
		drifts.push((counted - turned) / interval);
	}
	return habitOf(drifts, least);
}

/** What a drift adds to a turn, radians: to a bearing it is off by all that it has drifted since Run. */
export const driftedIn = ({ span: { start, end, values } }: Leg, drift: number): number =>
	-drift * ('bearing' in values ? end : end - start);

export const gyroDrift: Matter = ({ gyroBias: drift }) => {
	return (leg) => {
		if (drift === null || !isTurn(leg)) return null;
		return {
			sentence: {
				key: drift > 0 ? 'reason.gyroDrift.left' : 'reason.gyroDrift.right',
				values: { angle: Math.abs(degrees(drift)) }
			},
			explains: { ahead: 0, left: 0, turn: driftedIn(leg, drift) },
			at: leg.span.end
		};
	};
};
