/** Steps and readings that the plan's robot has nothing for. */
import { isReading } from '../expressions/vocabulary';
import { readingsOf } from '../robots/robot';
import { word } from '../sentence';
import { definitionOf } from '../steps/catalogue';
import type { Values } from '../steps/definition';
import type { Step } from '../plan/plan';
import { valueSchema } from '../plan/value-schema';
import { eachNameIn } from '../plan/variables';
import { problemAt, type Context, type Problem, type Repair, type Visited } from './problem';

export function checkAbilities({ steps, robot }: Context): Problem[] {
	const known = readingsOf(robot);
	return steps.flatMap((here): Problem[] => {
		const missing = here.definition.needs.find((need) => !robot.devices.includes(need));
		if (missing) {
			const repair = inTime(here, robot.topSpeed);
			return [problemAt(here, `cannot.${missing.id}`, {}, repair && { repair })];
		}
		const unknown = readingIn(here.step, (reading) => !known.includes(reading));
		return unknown ? [problemAt(here, 'cannotSense', { reading: word(`reading.${unknown}`) })] : [];
	});
}

function readingIn(step: Step, isMeant: (reading: string) => boolean): string | undefined {
	let found: string | undefined;
	eachNameIn(step, (name) => {
		if (isReading(name) && isMeant(name)) found ??= name;
	});
	return found;
}

/** Power that turns a car on the spot by time, and the rad/s it makes about. */
const turningPower = 0.3;
const turningRate = 2.6;

/** The same move by time, for a robot that cannot count: a first guess, to be measured. */
function inTime({ step, holder, index }: Visited, topSpeed: number): Repair | undefined {
	const timed = timedStep(step, topSpeed);
	if (!timed) return undefined;
	return {
		key: 'repair.byTime',
		edit: (newId) => ({
			type: 'together',
			edits: [
				{ type: 'remove', holder, index, count: 1 },
				{ type: 'insert', holder, index, steps: [{ ...timed, id: newId() }] }
			]
		})
	};
}

function timedStep({ kind, values }: Step, topSpeed: number): Omit<Step, 'id'> | undefined {
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
function timed(
	kind: string,
	seconds: number,
	speed: number,
	more: Values
): Omit<Step, 'id'> | undefined {
	const slots = definitionOf(kind).values;
	const duration = Math.round(Math.abs(seconds) * 100) / 100;
	const sized = Math.sign(seconds) * Math.abs(speed);
	const ending = { ending: 'brake', then: 'waitStill' };
	const fits =
		valueSchema(slots.duration!).safeParse(duration).success &&
		valueSchema(slots.speed!).safeParse(sized).success;
	return fits ? { kind, values: { ...more, duration, speed: sized, ...ending } } : undefined;
}
