/** A kind as one of its robots is: with what is fitted to that one. */
import { robotKindOf } from './kinds';
import type { RobotKind } from './robot';
import type { NamedRobot } from './robot-document';

const asFitted = new Map<string, RobotKind>();

/**
 * Its kind, with the devices that are fitted to this one.
 * @throws when there is no such kind
 */
export function fittedKindOf({ kind, settings }: Pick<NamedRobot, 'kind' | 'settings'>): RobotKind {
	const whole = robotKindOf(kind);
	const missing = Object.keys(whole.fitted ?? {}).filter((name) => settings[name] !== 'fitted');
	if (missing.length === 0) return whole;
	const key = `${kind} ${missing.join()}`;
	const known = asFitted.get(key);
	if (known) return known;
	const lacking = missing.map((name) => whole.fitted![name]!);
	const devices = whole.devices.filter((device) => !lacking.includes(device));
	const made = { ...whole, devices };
	asFitted.set(key, made);
	return made;
}
