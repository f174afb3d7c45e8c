/** Steps and readings that the plan's robot has nothing for. */
import { isReading, type Reading } from '../../expressions/vocabulary';
import { word } from '../../sentence';
import type { Step } from '../plan';
import { eachNameIn } from '../variables';
import { problemAt, type Context, type Problem, type Repair, type Visited } from './problem';

export function checkAbilities({ steps, robot }: Context): Problem[] {
	return steps.flatMap((here): Problem[] => {
		const missing = here.definition.needs.find((need) => !robot.abilities.includes(need));
		if (missing) {
			const repair = inTime(here, robot.topSpeed);
			return [problemAt(here, `cannot.${missing}`, {}, repair && { repair })];
		}
		const unknown = readingIn(here.step, (reading) => !robot.senses.includes(reading));
		return unknown ? [problemAt(here, 'cannotSense', { reading: word(`reading.${unknown}`) })] : [];
	});
}

function readingIn(step: Step, isMeant: (reading: Reading) => boolean): Reading | undefined {
	let found: Reading | undefined;
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
	const ending = { ending: 'brake', then: 'waitStill' };
	if (kind === 'go' && typeof values.distance === 'number' && typeof values.speed === 'number') {
		const duration = tidy(values.distance / (values.speed * topSpeed));
		const speed = values.direction === 'back' ? -values.speed : values.speed;
		return { kind: 'goFor', values: { duration, speed, ...ending } };
	}
	if (kind === 'turn' && typeof values.angle === 'number') {
		const duration = tidy((values.angle * Math.PI) / 180 / turningRate);
		const { direction = 'right' } = values;
		return { kind: 'turnFor', values: { direction, duration, speed: turningPower, ...ending } };
	}
	return undefined;
}

const tidy = (seconds: number): number => Math.max(0.01, Math.round(seconds * 100) / 100);
