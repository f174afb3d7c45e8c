/** How straight legs bend, piece by piece: many pieces tell a habit from chance. */
import * as exact from '../exact';
import { indexAt } from '../simulation/moment';
import type { RobotRun } from '../simulation/attempt';
import type { Leg } from '../attempts/legs';
import { robotKindOf } from '../robots/kinds';
import { isStraight } from './reason';

/** Metres in which a bend is measured once. */
export const piece = 0.08;

/** Straight ahead or back, not sideways. */
export const isAlong = (leg: Leg): boolean =>
	isStraight(leg) && Math.abs(leg.meant!.left) < 0.1 * Math.abs(leg.meant!.ahead);

/** Radians a metre of each piece of all that were driven straight; none of what a rail bends. */
export const bendsIn = (legs: readonly Leg[], run: RobotRun): number[] =>
	robotKindOf(run.robot.kind).isOnRail
		? []
		: legs.filter(isAlong).flatMap((leg) => bendsOf(leg, run));

/** Backwards as forwards. */
function bendsOf({ span, did }: Leg, { trace: { time, x, y, heading } }: RobotRun): number[] {
	const [first, last] = [indexAt(time, span.start), indexAt(time, span.end)];
	const sign = did.ahead < 0 ? -1 : 1;
	const bends: number[] = [];
	let from = first;
	for (let i = first + 1; i <= last; i++) {
		const way = exact.lengthOf(x[i]! - x[from]!, y[i]! - y[from]!);
		if (way < piece) continue;
		bends.push((sign * (heading[i]! - heading[from]!)) / way);
		from = i;
	}
	return bends;
}
