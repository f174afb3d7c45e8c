/** The air carries it: all that it does up there is shifted the same way, by so much a second. */
import * as exact from '../exact';
import { indexAt } from '../simulation/moment';
import type { RobotRun } from '../simulation/attempt';
import type { Leg } from '../attempts/legs';
import { bearingOfHeading } from '../units/angles';
import { surely, type Matter } from './reason';

/** Metres of height from which it flies; m/s that are worth a word. */
const leastHeight = 0.05;
const least = 0.002;

function isFlown({ span, added }: Leg, { trace: { time, columns } }: RobotRun): boolean {
	const heightAt = (at: number) => columns.height?.[indexAt(time, at)] ?? 0;
	return added !== null && Math.max(heightAt(span.start), heightAt(span.end)) > leastHeight;
}

export const breeze: Matter = (leg, { legs, run }) => {
	if (!isFlown(leg, run)) return null;
	const flown = legs.filter((each) => isFlown(each, run) && each.bumps.length === 0);
	const shifts = flown.map(({ added, span }) => ({
		...turnedBy(added!.ahead, added!.left, span.from.heading),
		seconds: span.end - span.start
	}));
	const seconds = shifts.reduce((sum, each) => sum + each.seconds, 0);
	if (flown.length < 3 || seconds === 0) return null;
	const east = shifts.reduce((sum, each) => sum + each.x, 0) / seconds;
	const north = shifts.reduce((sum, each) => sum + each.y, 0) / seconds;
	const scatter = shifts.reduce((sum, { x, y, seconds: each }) => {
		const off = exact.lengthOf(x - east * each, y - north * each);
		return sum + off * off;
	}, 0);
	const { length } = shifts;
	const doubt = Math.sqrt((scatter / (length - 1)) * length) / seconds;
	const speed = exact.lengthOf(east, north);
	if (speed < Math.max(least, surely * doubt)) return null;
	const time = leg.span.end - leg.span.start;
	const own = turnedBy(east * time, north * time, -leg.span.from.heading);
	return {
		sentence: {
			key: 'reason.breeze',
			values: {
				centimetres: speed * 100,
				bearing: Math.round(bearingOfHeading(exact.atan2(north, east))) % 360
			}
		},
		explains: { ahead: own.x, left: own.y, turn: 0 },
		at: leg.span.end
	};
};

function turnedBy(x: number, y: number, angle: number) {
	const [cos, sin] = [exact.cos(angle), exact.sin(angle)];
	return { x: x * cos - y * sin, y: x * sin + y * cos };
}
