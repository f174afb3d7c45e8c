/** What a Skiff Lite does in place of steps that it has nothing for. */
import { timed } from '../instead';
import type { Doing } from '../robot';
import { topSpeed } from './settings';

/** Power that turns it on the spot by time, and the rad/s it makes about. */
const turningPower = 0.3;
const turningRate = 2.6;

/** A Skiff Lite moves by time where others count their wheels. */
export function insteadByTime({ kind, values }: Doing): readonly Doing[] {
	const { distance, speed, direction, angle } = values;
	if (
		kind === 'go' &&
		(direction === 'forward' || direction === 'back') &&
		typeof distance === 'number' &&
		typeof speed === 'number'
	) {
		const seconds = distance / (speed * topSpeed) / (direction === 'back' ? -1 : 1);
		return timed('goFor', seconds, speed);
	}
	if (kind === 'turn' && typeof angle === 'number') {
		const seconds = (angle * Math.PI) / 180 / turningRate;
		return timed('turnFor', seconds, turningPower, { direction: direction ?? 'right' });
	}
	return [];
}
