/** Moves by time in place of moves that count the wheels. */
import { definitionOf } from '../../steps/catalogue';
import type { Values } from '../../steps/definition';
import { valueSchema } from '../../steps/value-schema';
import type { Doing } from '../robot';
import { topSpeed } from './settings';

/** Power that turns it on the spot by time, and the rad/s it makes about. */
const turningPower = 0.3;
const turningRate = 2.6;

export function instead({ kind, values }: Doing): Doing | undefined {
	const { distance, speed, direction, angle } = values;
	if (kind === 'go' && typeof distance === 'number' && typeof speed === 'number') {
		const seconds = distance / (speed * topSpeed) / (direction === 'back' ? -1 : 1);
		return timed('goFor', seconds, speed, {});
	}
	if (kind === 'turn' && typeof angle === 'number') {
		const seconds = (angle * Math.PI) / 180 / turningRate;
		return timed('turnFor', seconds, turningPower, { direction: direction ?? 'right' });
	}
	return undefined;
}

/** Time that runs backwards is a move the other way; what is too short or too long for a step, none. */
function timed(kind: string, seconds: number, speed: number, more: Values): Doing | undefined {
	const slots = definitionOf(kind).values;
	const duration = Math.round(Math.abs(seconds) * 100) / 100;
	const sized = Math.sign(seconds) * Math.abs(speed);
	const ending = { ending: 'brake', then: 'waitStill' };
	const fits =
		valueSchema(slots.duration!).safeParse(duration).success &&
		valueSchema(slots.speed!).safeParse(sized).success;
	return fits ? { kind, values: { ...more, duration, speed: sized, ...ending } } : undefined;
}
