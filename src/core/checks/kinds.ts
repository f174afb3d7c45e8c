/** What a kind of robot itself finds odd: order and sense of what only it can do, and its course. */
import type { Edit } from '../plan/edits';
import { isLit, robotOfChain, type Plan } from '../plan/plan';
import { robotKindOf } from '../robots/kinds';
import { hasRoomAt, outlinesOn } from '../world/room';
import { startPlaces } from '../world/start-places';
import type { Mend } from '../robots/robot';
import { problemAt, type Context, type Problem, type Repair, type Visited } from './problem';

export function checkKinds(context: Context): Problem[] {
	const { plan, course } = context;
	const problems = context.steps.flatMap((here): Problem[] => {
		const { robot, chain, siblings, index } = here;
		if (!robot.check || index !== siblings.findIndex(({ off }) => !off)) return [];
		const { settings } = robotOfChain(plan, chain);
		return robot.check(siblings, settings, isWhole(plan, here), course).flatMap((fault) => {
			const place = context.steps.find(({ step }) => step === fault.step);
			if (!place) return [];
			const { key, values, mend } = fault;
			return [problemAt(place, key, values, mend ? { repair: mending(plan, place, mend) } : {})];
		});
	});
	return [...checkCourse(context), ...checkStarts(context), ...problems];
}

/** Whether these steps are all that their robot does, from Run to the end. */
function isWhole(plan: Plan, { chain, holder }: Visited): boolean {
	const robot = robotOfChain(plan, chain);
	const isAlone = plan.chains.every(
		(other) => other === chain || !isLit(other) || robotOfChain(plan, other) !== robot
	);
	return isAlone && holder === chain.id && chain.trigger?.kind === 'whenRunPressed';
}

function mending(plan: Plan, here: Visited, { key, before, after, set, fit }: Mend): Repair {
	const { step, holder, index, chain } = here;
	const robot = robotOfChain(plan, chain);
	const settings = { ...robot.settings, ...fit };
	return {
		key: `repair.${key}`,
		edit(newId): Edit {
			if (set) return { type: 'setValue', step: step.id, ...set };
			if (fit) return { type: 'setRobot', robot: { ...robot, settings } };
			const steps = [{ ...(before ?? after!), id: newId() }];
			return { type: 'insert', holder, index: before ? index : index + 1, steps };
		}
	};
}

/** Robots that something stands in the way of, where they start. */
function checkStarts({ plan, course }: Context): Problem[] {
	if (!course) return [];
	const places = startPlaces(course, plan.robots.length);
	const standing = outlinesOn(course);
	return plan.robots.flatMap(({ kind, name }, index): Problem[] => {
		if (hasRoomAt(course, standing, places[index]!, robotKindOf(kind))) return [];
		return [{ place: 'document', id: '', sentence: { key: 'check.noRoom', values: { name } } }];
	});
}

function checkCourse({ plan, course }: Context): Problem[] {
	return plan.robots.flatMap(({ kind }): Problem[] => {
		const needed = robotKindOf(kind).course;
		const lacking = course && needed?.lacks(course);
		if (!needed || !lacking) return [];
		const sentence = { key: `check.${lacking}` };
		return [{ place: 'document', id: '', sentence, sampleCourse: needed.name }];
	});
}
