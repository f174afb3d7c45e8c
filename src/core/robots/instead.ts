/** Moves in place of others. */
import { definitionOf } from '../steps/catalogue';
import type { Values } from '../steps/definition';
import { valueSchema } from '../steps/value-schema';
import type { Doing } from './robot';

/** These moves; none if one of them has a value that its step cannot take, such as too long a time. */
export const fitting = (...doings: readonly Doing[]): readonly Doing[] =>
	doings.every(fits) ? doings : [];

function fits({ kind, values }: Doing): boolean {
	const slots = definitionOf(kind).values;
	return Object.entries(values).every(
		([name, value]) => slots[name] && valueSchema(slots[name]).safeParse(value).success
	);
}

export const braking = { ending: 'brake', then: 'waitStill' };

/** A move for so long. Time that runs backwards is a move the other way. @param speed a part of the top speed */
export function timed(
	kind: string,
	seconds: number,
	speed: number,
	more: Values = {}
): readonly Doing[] {
	const duration = Math.round(Math.abs(seconds) * 100) / 100;
	const sized = Math.sign(seconds) * Math.abs(speed);
	return fitting({ kind, values: { ...more, duration, speed: sized, ...braking } });
}

/**
 * Moves by time, with all power there is, in place of moves that are measured: a first guess.
 * @param speed m/s, and rad/s of a turn
 */
export function byTime(
	{ speed, turnRate }: { speed: number; turnRate: number },
	{ kind, values }: Doing
): readonly Doing[] {
	const { distance, direction, angle } = values;
	if ((kind === 'go' || kind === 'rollFar') && typeof distance === 'number')
		return timed('goFor', (direction === 'back' ? -distance : distance) / speed, 1);
	if (kind === 'turn' && typeof angle === 'number') {
		const seconds = (angle * Math.PI) / 180 / turnRate;
		return timed('turnFor', seconds, 1, { direction: direction ?? 'right' });
	}
	return [];
}
