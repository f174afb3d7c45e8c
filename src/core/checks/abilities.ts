/** Steps and readings that the plan's robot has nothing for. */
import { isReading } from '../expressions/vocabulary';
import { likewise } from '../robots/instead';
import type { Device } from '../devices/device';
import { robotKindOf } from '../robots/kinds';
import { missingOf, readingsOf } from '../robots/robot';
import { definitionOf } from '../steps/catalogue';
import { needsOf } from '../steps/definition';
import { word } from '../sentence';
import { robotOfChain, type Step } from '../plan/plan';
import { eachNameIn } from '../plan/variables';
import {
	problemAt,
	replaceAt,
	type Context,
	type Problem,
	type Repair,
	type Visited
} from './problem';

export function checkAbilities(context: Context): Problem[] {
	return context.steps.flatMap((here): Problem[] => {
		const { robot } = here;
		const missing = missingOf(robot, needsOf(here.definition, here.step.values));
		if (missing) {
			const repair = fittingOf(context, here, missing) ?? insteadOf(here);
			return [problemAt(here, `cannot.${missing.id}`, {}, repair && { repair })];
		}
		const { wants } = here.definition;
		if (wants && missingOf(robot, [wants])) return [problemAt(here, `without.${wants.id}`)];
		const known = readingsOf(robot);
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

/** What can be fitted to the robot is. */
function fittingOf({ plan }: Context, { chain }: Visited, missing: Device): Repair | undefined {
	const robot = robotOfChain(plan, chain);
	const { fitted = {} } = robotKindOf(robot.kind);
	const setting = Object.keys(fitted).find((name) => fitted[name] === missing);
	if (setting === undefined) return undefined;
	const settings = { ...robot.settings, [setting]: 'fitted' };
	return { key: 'repair.fit', edit: () => ({ type: 'setRobot', robot: { ...robot, settings } }) };
}

/** Puts what the robot can do in the place of the step. */
function insteadOf(here: Visited): Repair | undefined {
	const others = likewise(here.robot, here.step);
	if (others.length === 0) return undefined;
	const isByTime = others.some(({ kind }) => definitionOf(kind).isTimed);
	return replaceAt(here, isByTime ? 'repair.byTime' : 'repair.inItsWay', others);
}
