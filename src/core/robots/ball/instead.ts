/** What a Bobbin does in place of steps of robots with wheels: a first guess. */
import { fitting } from '../instead';
import type { Doing } from '../robot';

/** Metres for a turn of a Skiff's wheels, and degrees that it turns in a second at full power. */
const wheelTurn = 0.176;
const turnSpeed = 500;

export function instead({ kind, values }: Doing): readonly Doing[] {
	const { turns, angle, speed, direction, duration } = values;
	if (typeof speed !== 'number') return [];
	const wheel = kind === 'goTurns' ? turns : kind === 'goDegrees' ? Number(angle) / 360 : undefined;
	if (typeof wheel === 'number') {
		const distance = Math.round(wheel * wheelTurn * 1000) / 1000;
		return fitting({ kind: 'go', values: { direction: 'forward', distance, speed } });
	}
	if (kind === 'turnFor' && typeof duration === 'number' && direction !== undefined) {
		const turned = Math.round(duration * speed * turnSpeed);
		return fitting({ kind: 'turn', values: { direction, angle: turned } });
	}
	return [];
}
