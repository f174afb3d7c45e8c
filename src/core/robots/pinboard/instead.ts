/** What a Peg does in place of what it has nothing for: moves by time, and pins for lamps and tones. */
import type { Values } from '../../steps/definition';
import { byTime, fitting } from '../instead';
import type { Doing } from '../robot';
import { chassis, lamps } from './settings';

const { topSpeed: speed, axle } = chassis;
const sizes = { speed, turnRate: (2 * speed) / axle };

export function instead(step: Doing): readonly Doing[] {
	const { kind, values } = step;
	if (kind === 'lamp' || kind === 'blink') return fitting({ kind: 'pin', values: lampOf(values) });
	if (kind === 'lampOff') return fitting({ kind: 'pin', values: { pin: 5, state: 'off' } });
	if (kind === 'tone' && typeof values.length === 'number')
		return fitting({ kind: 'pinFor', values: { pin: 7, duration: values.length } });
	return byTime(sizes, step);
}

/** The board has two lamps as it comes: the first for all colours but that of the second. */
function lampOf({ colour }: Values): Values {
	const isSecond = Number.parseInt(String(colour).slice(1), 16) === lamps.greenLamp;
	return { pin: isSecond ? 6 : 5, state: 'on' };
}
