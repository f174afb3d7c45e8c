/** The air carries it: all that it does up there is shifted the same way, by so much a second. */
import * as exact from '../exact';
import { indexAt } from '../simulation/moment';
import type { RobotRun } from '../simulation/attempt';
import { turnedBy, type Leg } from '../attempts/legs';
import { bearingOfHeading } from '../units/angles';
import { faster } from './mend';
import { surelyOf, type Matter } from './reason';

/** Metres of height from which it flies; m/s that are worth a word. */
const leastHeight = 0.05;
const least = 0.006;

function isFlown({ span, added }: Leg, { trace: { time, columns } }: RobotRun): boolean {
	const heightAt = (at: number) => columns.height?.[indexAt(time, at)] ?? 0;
	return added !== null && Math.max(heightAt(span.start), heightAt(span.end)) > leastHeight;
}

export const breeze: Matter = ({ legs, run }) => {
	const wind = windOver(legs, run);
	return (leg) => {
		if (!wind || !isFlown(leg, run)) return null;
		const { east, north } = wind;
		const time = leg.span.end - leg.span.start;
		return {
			sentence: {
				key: 'reason.breeze',
				values: {
					centimetres: exact.lengthOf(east, north) * 100,
					bearing: Math.round(bearingOfHeading(exact.atan2(north, east))) % 360
				}
			},
			explains: { ...turnedBy(east * time, north * time, -leg.span.from.heading), turn: 0 },
			mend: faster(leg),
			at: leg.span.end
		};
	};
};

/** m/s, where it is sure. */
function windOver(
	legs: readonly Leg[],
	run: RobotRun
): { readonly east: number; readonly north: number } | null {
	const flown = legs.filter((each) => isFlown(each, run) && each.bumps.length === 0);
	const shifts = flown.map(({ added, span }) => ({
		...turnedBy(added!.ahead, added!.left, span.from.heading),
		seconds: span.end - span.start
	}));
	const seconds = shifts.reduce((sum, each) => sum + each.seconds, 0);
	if (flown.length < 3 || seconds === 0) return null;
	const east = shifts.reduce((sum, each) => sum + each.ahead, 0) / seconds;
	const north = shifts.reduce((sum, each) => sum + each.left, 0) / seconds;
	const scatter = shifts.reduce((sum, { ahead, left, seconds: each }) => {
		const off = exact.lengthOf(ahead - east * each, left - north * each);
		return sum + off * off;
	}, 0);
	const { length } = shifts;
	const doubt = Math.sqrt((scatter / (length - 1)) * length) / seconds;
	const isSure = exact.lengthOf(east, north) >= Math.max(least, surelyOf(length) * doubt);
	return isSure ? { east, north } : null;
}
