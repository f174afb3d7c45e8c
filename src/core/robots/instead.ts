/** Moves in place of others. */
import { definitionOf } from '../steps/catalogue';
import { needsOf, type Values } from '../steps/definition';
import { valueSchema } from '../steps/value-schema';
import { canDo, type Doing, type RobotKind } from './robot';

/** These moves; none if one of them has a value that its step cannot take, such as too long a time. */
export const fitting = (...doings: readonly Doing[]): readonly Doing[] =>
	doings.every(fits) ? doings : [];

function fits({ kind, values }: Doing): boolean {
	const slots = definitionOf(kind).values;
	return Object.entries(values).every(
		([name, value]) => slots[name] && valueSchema(slots[name]).safeParse(value).success
	);
}

const braking = { ending: 'brake', then: 'waitStill' };

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
	if (kind === 'go' && direction !== 'forward' && direction !== 'back') return [];
	if ((kind === 'go' || kind === 'rollFar') && typeof distance === 'number')
		return timed('goFor', (direction === 'back' ? -distance : distance) / speed, 1);
	if (kind === 'turn' && typeof angle === 'number') {
		const seconds = (angle * Math.PI) / 180 / turnRate;
		return timed('turnFor', seconds, 1, { direction: direction ?? 'right' });
	}
	return [];
}

/** What comes to the same for any robot that has what it takes. */
function alike({ kind, values }: Doing): readonly Doing[] {
	const { duration, length } = values;
	if (kind === 'hover' && duration !== undefined)
		return fitting({ kind: 'wait', values: { duration } });
	if (kind === 'horn' && duration !== undefined)
		return fitting({ kind: 'tone', values: { pitch: 311, length: duration, then: 'wait' } });
	if (kind === 'tone' && length !== undefined)
		return fitting({ kind: 'horn', values: { duration: length } });
	return [];
}

/** First it turns, where others go along a bearing or to a side at once. */
function turningFirst({ kind, values }: Doing): readonly Doing[] {
	const { bearing, distance, duration, speed, direction } = values;
	if (speed === undefined) return [];
	if (direction === 'left' || direction === 'right') {
		if (kind !== 'go' && kind !== 'goFor') return [];
		const back = direction === 'left' ? 'right' : 'left';
		return fitting(
			{ kind: 'turn', values: { direction, angle: 90 } },
			{ kind, values: { ...values, direction: 'forward' } },
			{ kind: 'turn', values: { direction: back, angle: 90 } }
		);
	}
	if (bearing === undefined) return [];
	const aim = { kind: 'turnTo', values: { bearing } };
	const ahead = { direction: 'forward', speed };
	if (kind === 'roll') return fitting(aim, { kind: 'start', values: ahead });
	if (kind === 'rollFar' && distance !== undefined)
		return fitting(aim, { kind: 'go', values: { ...ahead, distance } });
	if (kind === 'rollTimed' && duration !== undefined) {
		const { ending, then } = { ...braking, ...values };
		return fitting(aim, { kind: 'goFor', values: { ...ahead, duration, ending, then } });
	}
	return [];
}

/** Metres for a turn of a Skiff's wheels, and degrees that it turns in a second at full power. */
const wheelTurn = 0.176;
const turnSpeed = 500;

/** By its own measure, where others count their wheels or turn them by time. */
function byMeasure({ kind, values }: Doing): readonly Doing[] {
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

/** The same as a robot of this kind can do it: a first guess; nothing, if it has nothing like it. */
export function likewise(robot: RobotKind, step: Doing): readonly Doing[] {
	const isDoable = ({ kind, values }: Doing): boolean =>
		canDo(robot, needsOf(definitionOf(kind), values));
	const inItsWay = (one: Doing) => (isDoable(one) ? [one] : (robot.instead?.(one) ?? []));
	const ways = [alike, byMeasure, turningFirst].map((way) => way(step));
	// Half of a move would be another one.
	const whole = ways
		.map((way) => way.map(inItsWay))
		.filter((way) => way.every(({ length }) => length));
	return (
		[inItsWay(step), ...whole.map((way) => way.flat())].find(
			(found) => found.length > 0 && found.every(isDoable)
		) ?? []
	);
}
