/** Steps and readings that the plan's robot has nothing for. */
import { isReading } from '../expressions/vocabulary';
import { likewise } from '../robots/instead';
import { missingOf, readingsOf } from '../robots/robot';
import { definitionOf } from '../steps/catalogue';
import { needsOf } from '../steps/definition';
import { word } from '../sentence';
import type { Step } from '../plan/plan';
import { eachNameIn } from '../plan/variables';
import { problemAt, type Context, type Problem, type Repair, type Visited } from './problem';

export function checkAbilities({ steps }: Context): Problem[] {
	return steps.flatMap((here): Problem[] => {
		const { robot } = here;
		const missing = missingOf(robot, needsOf(here.definition, here.step.values));
		if (missing) {
			const repair = insteadOf(here);
			return [problemAt(here, `cannot.${missing.id}`, {}, repair && { repair })];
		}
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

/** Puts what the robot can do in the place of the step. */
function insteadOf({ step, holder, index, robot }: Visited): Repair | undefined {
	const others = likewise(robot, step);
	if (others.length === 0) return undefined;
	const isByTime = others.some(({ kind }) => definitionOf(kind).isTimed);
	return {
		key: isByTime ? 'repair.byTime' : 'repair.inItsWay',
		edit: (newId) => ({
			type: 'together',
			edits: [
				{ type: 'remove', holder, index, count: 1 },
				{ type: 'insert', holder, index, steps: others.map((other) => ({ ...other, id: newId() })) }
			]
		})
	};
}
