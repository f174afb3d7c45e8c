/** A small plan for each step and trigger that shows what it does: for its help, and for its test. */
import type { Course } from '../course/course';
import { eachStep, makePlan, planRobot, type Chain, type Plan, type Step } from '../plan/plan';
import { fittedKindOf } from '../robots/fitted';
import { robotKinds } from '../robots/kinds';
import { canDo, type RobotKind } from '../robots/robot';
import { sampleRobot } from '../robots/robot-document';
import { definitionOf, initialValues } from '../steps/catalogue';
import { deciding } from './deciding';
import type { Touch } from '../simulation/touch';
import { doing } from './doing';
import { amber, chain, course, go, lamp, run, step, type Examples } from './making';

export interface Example {
	readonly plan: Plan;
	readonly course: Course;
	/** What hands do in it. */
	readonly touches: readonly Touch[];
}

const touches: Readonly<Record<string, readonly Touch[]>> = {
	whenTouched: [{ time: 1 }],
	whenHears: [{ time: 1, word: 'ahoy' }]
};
const special: Examples = { ...doing, ...deciding };
const examples = new Map<string, Example>();

/** The example of a step or trigger; always the same one. */
export function exampleOf(kind: string): Example {
	const known = examples.get(kind);
	if (known) return known;
	const values = initialValues(kind);
	const { isTrigger } = definitionOf(kind);
	const alone = step(kind, values);
	const usual = isTrigger
		? [chain(alone, lamp(amber), go(0.4))]
		: [run(alone, ...(definitionOf(kind).takesTime ? [] : [go(0.4)]))];
	const { chains, on = course() } = special[kind]?.(values) ?? {
		// A robot that can do this may have no wheels.
		chains: kindFor(usual) ? usual : [isTrigger ? chain(alone) : run(alone)]
	};
	const robots = [planRobot(sampleRobot(kindFor(chains)!))];
	const plan: Plan = makePlan({ name: 'Example', robots, chains });
	examples.set(kind, { plan, course: on, touches: touches[kind] ?? [] });
	return examples.get(kind)!;
}

/** The first kind that has what all these steps need. */
function kindFor(chains: readonly Chain[]): RobotKind | undefined {
	const needs = chains.flatMap(({ trigger, steps }) => {
		const all: Step[] = trigger ? [trigger] : [];
		eachStep(steps, (step) => all.push(step));
		return all.flatMap(({ kind }) => definitionOf(kind).needs);
	});
	return robotKinds.find((kind) => canDo(fittedKindOf(sampleRobot(kind)), needs));
}
