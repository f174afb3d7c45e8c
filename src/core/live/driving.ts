/** Driving by hand: what a stick asks of a robot, and the tidy steps that were driven. */
import type { Command } from '../devices/device';
import { flying } from '../devices/flying/device';
import { motion } from '../devices/motion/device';
import { pacing } from '../devices/pacing/device';
import { rolling } from '../devices/rolling/device';
import { turning } from '../devices/turning/device';
import { wheelsDevice } from '../devices/wheels/device';
import * as exact from '../exact';
import { canDo, type Doing, type RobotKind } from '../robots/robot';
import { degrees } from '../units/angles';
import type { Pose } from '../world/pose';

type Kind = Pick<RobotKind, 'devices'>;

/** Where sticks are: 1 to the right and ahead. What flies has a second one: turning and rising. */
export interface Sticks {
	readonly x: number;
	readonly y: number;
	readonly turn: number;
	readonly rise: number;
}

export const centred: Sticks = { x: 0, y: 0, turn: 0, rise: 0 };

/** Less than this is the middle. */
const slack = 0.12;
/** Part of a wheel's power that a stick wholly to the side takes. */
const sideways = 0.6;
/** Degrees for each order of what turns by angles, while a stick is to the side. */
const turnsBy = 20;

const clipped = (value: number): number => Math.max(-1, Math.min(1, value));
const order = (
	device: { readonly id: string },
	name: string,
	values: Command['values']
): Command => ({
	device: device.id,
	name,
	values
});

/** @param most part of the top speed @returns what these sticks ask of a robot of this kind */
export function ordersOf(kind: Kind, { x, y, turn, rise }: Sticks, most: number): Command[] {
	const isCentred = [x, y, turn, rise].every((each) => Math.abs(each) < slack);
	if (isCentred) return [order(motion, 'stop', { isCoasting: false })];
	const far = Math.min(1, exact.lengthOf(x, y));
	if (canDo(kind, [flying])) return flightOf({ x, y, turn, rise }, most);
	if (canDo(kind, [rolling]))
		return [order(rolling, 'roll', { bearing: bearingOf(x, y), speed: far * most })];
	if (canDo(kind, [wheelsDevice])) {
		const left = clipped(y + sideways * x) * most;
		const right = clipped(y - sideways * x) * most;
		return [order(wheelsDevice, 'drive', { left, right })];
	}
	return [order(motion, 'start', { speed: clipped(y) * most })];
}

/** Of all directions, the one that is asked for most. */
function flightOf({ x, y, turn, rise }: Sticks, most: number): Command[] {
	const ways = [
		{ direction: y > 0 ? 'forward' : 'back', far: Math.abs(y) },
		{ direction: x > 0 ? 'right' : 'left', far: Math.abs(x) },
		{ direction: rise > 0 ? 'up' : 'down', far: Math.abs(rise) }
	];
	const way = ways.reduce((best, each) => (each.far > best.far ? each : best));
	if (Math.abs(turn) > Math.max(way.far, slack))
		return [order(turning, 'turn', { angle: turn * turnsBy })];
	return [order(flying, 'start', { direction: way.direction, speed: way.far * most })];
}

/** Degrees clockwise from ahead. */
const bearingOf = (x: number, y: number): number => (degrees(exact.atan2(x, y)) + 360) % 360;

/** One moment of driving. */
export interface Driven {
	/** Seconds. */
	readonly time: number;
	readonly sticks: Sticks;
	/** Where the robot reckoned to be, if it does. */
	readonly at: Pose | undefined;
}

/** What was done for a while: one way of moving, or standing. */
interface Stretch {
	readonly way: string;
	readonly from: Driven;
	to: Driven;
	/** Where it came to rest. */
	rest: Pose | undefined;
	/** Metres. */
	far: number;
}

/** Seconds; what was done for less is a slip of the hand. */
const shortest = 0.15;
/** Seconds; a hand that rests for less only thinks. */
const shortestWait = 1;

/** @returns steps that do about the same, in numbers that a person would choose */
export function stepsFrom(kind: Kind, moments: readonly Driven[], most: number): Doing[] {
	const doings = stretchesOf(kind, moments).flatMap((stretch) => stepOf(kind, stretch, most) ?? []);
	const isWait = ({ kind: step }: Doing) => step === 'wait';
	const first = doings.findIndex((doing) => !isWait(doing));
	return first < 0 ? [] : doings.slice(first, doings.findLastIndex((each) => !isWait(each)) + 1);
}

function stretchesOf(kind: Kind, moments: readonly Driven[]): Stretch[] {
	const stretches: Stretch[] = [];
	/** What it still rolls belongs to what set it going. */
	let mover: Stretch | undefined;
	moments.forEach((moment, index) => {
		const last = stretches.at(-1);
		if (last) last.to = moment;
		if (mover) {
			mover.far += away(moment, moments[index - 1]);
			mover.rest = moment.at;
		}
		const way = wayOf(kind, moment.sticks);
		if (last?.way === way) return;
		const stretch: Stretch = { way, from: moment, to: moment, rest: moment.at, far: 0 };
		stretches.push(stretch);
		if (way !== 'still') mover = stretch;
	});
	return stretches.filter(({ from, to }) => to.time - from.time >= shortest);
}

const away = ({ at }: Driven, before: Driven | undefined): number =>
	at && before?.at ? exact.lengthOf(at.x - before.at.x, at.y - before.at.y) : 0;

function wayOf(kind: Kind, { x, y, turn, rise }: Sticks): string {
	if ([x, y, turn, rise].every((each) => Math.abs(each) < slack)) return 'still';
	if (canDo(kind, [rolling])) return `${Math.round(bearingOf(x, y) / 15) * 15}`;
	if (canDo(kind, [flying])) {
		const ways: readonly [string, number][] = [
			[y > 0 ? 'forward' : 'back', Math.abs(y)],
			[x > 0 ? 'right' : 'left', Math.abs(x)],
			[rise > 0 ? 'up' : 'down', Math.abs(rise)],
			[turn > 0 ? 'turn right' : 'turn left', Math.abs(turn)]
		];
		return ways.reduce((best, each) => (each[1] > best[1] ? each : best))[0];
	}
	if (Math.abs(x) > Math.abs(y) && canDo(kind, [wheelsDevice]))
		return x > 0 ? 'turn right' : 'turn left';
	return y > 0 ? 'forward' : 'back';
}

const rounded = (value: number, step: number): number =>
	Number((Math.round(value / step) * step).toFixed(3));

function stepOf(
	kind: Kind,
	{ way, from, to, rest, far }: Stretch,
	most: number
): Doing | undefined {
	const seconds = rounded(to.time - from.time, 0.1);
	const { x, y, turn, rise } = from.sticks;
	const strength = Math.max(...[x, y, turn, rise].map(Math.abs));
	const speed = Math.max(0.1, Math.min(1, rounded(strength * most, 0.05)));
	if (way === 'still')
		return seconds >= shortestWait ? { kind: 'wait', values: { duration: seconds } } : undefined;
	const distance = rounded(far, 0.01);
	if (canDo(kind, [rolling])) {
		const values = { bearing: Number(way) % 360, speed, then: 'waitStill' };
		return distance > 0 ? { kind: 'rollFar', values: { ...values, distance } } : undefined;
	}
	if (way.startsWith('turn')) {
		const direction = way.slice('turn '.length);
		const turned = from.at && rest ? Math.abs(degrees(rest.heading - from.at.heading)) : 0;
		const angle = rounded(turned, 5);
		if (canDo(kind, [turning]))
			return angle > 0 ? { kind: 'turn', values: { direction, angle } } : undefined;
		return { kind: 'turnFor', values: { direction, duration: seconds, speed } };
	}
	if (canDo(kind, [pacing]))
		return distance > 0 ? { kind: 'go', values: { direction: way, distance, speed } } : undefined;
	return { kind: 'goFor', values: { direction: way, duration: seconds, speed } };
}
