/** What is odd about steps that switch pins: nothing wired there, or both directions of one wheel on. */
import { word } from '../../sentence';
import type { Values } from '../../steps/definition';
import type { Doing, Fault } from '../robot';
import { opposites } from './settings';

const pinsOf = ({ kind, values }: Doing): readonly string[] => {
	if (kind === 'pin' || kind === 'pinFor') return [String(values.pin)];
	if (kind !== 'pinsAtOnce') return [];
	const { first, second, third, fourth } = values;
	return [first, second, third, fourth].map(String);
};

/** Steps that switch pins in a way that this does not follow: after them, nobody knows what is on. */
const isMove = ({ kind }: Doing): boolean =>
	!['pin', 'pinFor', 'pinsAtOnce', 'wait'].includes(kind);

export function check(steps: readonly Doing[], settings: Values): readonly Fault[] {
	const faults: Fault[] = [];
	const wiringOf = (pin: string) => settings[`pin${pin}`];
	let on = new Set<string>();
	for (const step of steps) {
		if (step.off) continue;
		if (isMove(step)) on = new Set();
		const pins = pinsOf(step);
		const bare = pins.find((pin) => wiringOf(pin) === 'nothing');
		if (bare) faults.push({ step, key: 'nothingWired', values: { pin: bare } });
		if (step.values.state === 'off') {
			for (const pin of pins) on.delete(pin);
			continue;
		}
		const next = new Set([...on, ...pins]);
		const wirings = new Set([...next].map((pin) => String(wiringOf(pin))));
		const short = opposites.findIndex((pair) => pair.every((one) => wirings.has(one)));
		if (pins.length > 0 && short >= 0) {
			const wheel = word(`check.bothDirections.${short === 0 ? 'left' : 'right'}`);
			faults.push({ step, key: 'bothDirections', values: { wheel } });
		} else if (step.kind !== 'pinFor') on = next;
	}
	return faults;
}
