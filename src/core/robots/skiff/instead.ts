/** What a Skiff does in place of steps that it has nothing for. */
import { braking, fitting, timed } from '../instead';
import type { Doing } from '../robot';
import { topSpeed } from './settings';

/** Power that turns it on the spot by time, and the rad/s it makes about. */
const turningPower = 0.3;
const turningRate = 2.6;

/** A Skiff turns first where others roll off at once. */
export function instead({ kind, values }: Doing): readonly Doing[] {
	const { bearing, distance, duration, speed } = values;
	if (bearing === undefined || speed === undefined) return [];
	const aim = { kind: 'turnTo', values: { bearing } };
	const direction = 'forward';
	if (kind === 'roll') return fitting(aim, { kind: 'start', values: { speed } });
	if (kind === 'rollFar' && distance !== undefined)
		return fitting(aim, { kind: 'go', values: { direction, distance, speed } });
	if (kind === 'rollTimed' && duration !== undefined) {
		const { ending, then } = { ...braking, ...values };
		return fitting(aim, { kind: 'goFor', values: { duration, speed, ending, then } });
	}
	return [];
}

/** A Skiff Lite moves by time where others count their wheels. */
export function insteadByTime({ kind, values }: Doing): readonly Doing[] {
	const { distance, speed, direction, angle } = values;
	if (kind === 'go' && typeof distance === 'number' && typeof speed === 'number') {
		const seconds = distance / (speed * topSpeed) / (direction === 'back' ? -1 : 1);
		return timed('goFor', seconds, speed);
	}
	if (kind === 'turn' && typeof angle === 'number') {
		const seconds = (angle * Math.PI) / 180 / turningRate;
		return timed('turnFor', seconds, turningPower, { direction: direction ?? 'right' });
	}
	return [];
}
