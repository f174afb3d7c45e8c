/** What a Peg does in place of what it has nothing for: moves by time, and pins for lamps and tones. */
import type { Values } from '../../steps/definition';
import { fitting } from '../instead';
import type { Doing } from '../robot';
import { chassis, lamps } from './settings';

/** rad/s that it turns on the spot, about. */
const turnRate = (2 * chassis.topSpeed) / chassis.axle;

const braking = { ending: 'brake', then: 'waitStill' };
const rounded = (seconds: number): number => Math.round(seconds * 100) / 100;

export function instead({ kind, values }: Doing): readonly Doing[] {
	const { distance, direction, angle, length } = values;
	if ((kind === 'go' || kind === 'rollFar') && typeof distance === 'number') {
		const sign = (direction === 'back' ? -1 : 1) * Math.sign(distance);
		const duration = rounded(Math.abs(distance) / chassis.topSpeed);
		return timed('goFor', { duration, speed: sign });
	}
	if (kind === 'turn' && typeof angle === 'number') {
		const duration = rounded((Math.abs(angle) * Math.PI) / 180 / turnRate);
		return timed('turnFor', { direction: direction ?? 'right', duration, speed: Math.sign(angle) });
	}
	if (kind === 'lamp' || kind === 'blink') return fitting({ kind: 'pin', values: lampOf(values) });
	if (kind === 'lampOff') return fitting({ kind: 'pin', values: { pin: 5, state: 'off' } });
	if (kind === 'tone' && typeof length === 'number')
		return fitting({ kind: 'pinFor', values: { pin: 7, duration: length } });
	return [];
}

const timed = (kind: string, values: Values): readonly Doing[] =>
	fitting({ kind, values: { ...values, ...braking } });

/** The board has two lamps as it comes: the first for all colours but that of the second. */
function lampOf({ colour }: Values): Values {
	const isSecond = Number.parseInt(String(colour).slice(1), 16) === lamps.greenLamp;
	return { pin: isSecond ? 6 : 5, state: 'on' };
}
