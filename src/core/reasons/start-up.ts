/** A move by time, over before it has come to its speed: how far that takes it differs from robot to robot. */
import { alongMeant } from '../attempts/legs';
import type { RobotRun } from '../simulation/attempt';
import { indexAt } from '../simulation/moment';
import { byMeasure } from './mend';
import type { Matter } from './reason';

/** Seconds of a move that is long enough; the part of the speed that has to be missing. */
const long = 2;
const missing = 0.05;
/** The part of its time after which it has to go on gaining, and by what part. */
const late = 0.85;
const gaining = 0.02;

/** m/s at a time, without sign. */
const speedAt = ({ trace: { time, columns } }: RobotRun, at: number): number =>
	Math.abs(columns.speed?.[indexAt(time, at)] ?? NaN);

export const startUp: Matter = (scene) => {
	const { twinOf } = scene;
	return (leg) => {
		const { span, bumps } = leg;
		const { duration } = span.values;
		const twin = twinOf(leg);
		const short = -(alongMeant(leg)?.further ?? 0);
		if (typeof duration !== 'number' || duration > long || bumps.length > 0 || !twin) return null;
		const over = span.start + duration;
		const own = speedAt(scene.run, over);
		const ideal = speedAt(twin.run, twin.leg.span.start + duration);
		const before = speedAt(scene.run, span.start + late * duration);
		const isGaining = own > (1 + gaining) * before;
		if (!isGaining || !(own < (1 - missing) * ideal) || short <= 0) return null;
		return {
			sentence: {
				key: 'reason.startUp',
				values: { seconds: duration, centimetres: own * 100, meant: ideal * 100 }
			},
			explains: leg.added!,
			mend: byMeasure(leg, scene),
			at: over
		};
	};
};
