/** A curve of its rail took more of its speed than meant. */
import * as exact from '../exact';
import { alongMeant } from '../attempts/legs';
import { robotKindOf } from '../robots/kinds';
import type { RobotRun, Span } from '../simulation/attempt';
import { indexAt } from '../simulation/moment';
import { byMeasure } from './mend';
import type { Matter } from './reason';

/** Radians a metre that are a curve; m/s below which nothing can be said; the part of a speed that is worth a word. */
const bent = 0.3;
const slow = 0.02;
const least = 0.04;

/** m/s on the straight and in curves, on average over the way. */
function speedsIn({ trace: { time, x, y, heading } }: RobotRun, { start, end }: Span) {
	const sums = { straight: { way: 0, seconds: 0 }, curved: { way: 0, seconds: 0 } };
	for (let i = indexAt(time, start) + 1; i <= indexAt(time, end); i++) {
		const way = exact.lengthOf(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!);
		const seconds = time[i]! - time[i - 1]!;
		if (way < slow * seconds) continue;
		const isCurve = Math.abs(heading[i]! - heading[i - 1]!) > bent * way;
		const sum = isCurve ? sums.curved : sums.straight;
		sum.way += way;
		sum.seconds += seconds;
	}
	const speed = ({ way, seconds }: typeof sums.curved) => (seconds > 0 ? way / seconds : NaN);
	return { straight: speed(sums.straight), curved: speed(sums.curved) };
}

export const curve: Matter = (scene) => {
	const isOnRail = robotKindOf(scene.run.robot.kind).isOnRail;
	const { twinOf } = scene;
	return (leg) => {
		const twin = isOnRail && twinOf(leg);
		if (!twin || !leg.added || leg.bumps.length > 0 || 'distance' in leg.span.values) return null;
		const own = speedsIn(scene.run, leg.span);
		const ideal = speedsIn(twin.run, twin.leg.span);
		const lost = 1 - own.curved / ideal.curved;
		const isShort = (alongMeant(leg)?.further ?? 0) < 0 || Number.isNaN(own.curved);
		if (!(lost > least) || !isShort) return null;
		return {
			sentence: {
				key: 'reason.curve',
				values: { centimetres: own.curved * 100, meant: ideal.curved * 100 }
			},
			explains: leg.added,
			mend: byMeasure(leg, scene),
			at: leg.span.end
		};
	};
};
