/**
 * Checks a plan. Each file beside this one looks at one matter and gives its problems; they come in
 * reading order, at most one of a kind for each step.
 */
import type { Course } from '../course/course';
import { fittedKindOf } from '../robots/fitted';
import { robotKindOf } from '../robots/kinds';
import type { Attempt } from '../simulation/attempt';
import { definitionOf } from '../steps/catalogue';
import { numberSteps, robotOfChain, type Chain, type Plan, type Step } from '../plan/plan';
import { checkAbilities } from './abilities';
import { checkChains } from './chains';
import { checkCovered } from './covered';
import { checkFlow } from './flow';
import type { Context, Problem, Visited } from './problem';
import { checkAtOnce } from './at-once';
import { checkKinds } from './kinds';
import { checkRehearsal } from './rehearsal';
import { checkRoutines } from './routines';
import { checkSounds } from './sounds';
import { checkValues } from './values';
import { checkWheels } from './wheels';

export type { Problem, Repair } from './problem';

export interface Known {
	/** Kind of robot, of all there are; those of the plan, if not given. */
	readonly kind?: string | undefined;
	readonly course?: Course | undefined;
	/** A rehearsal of this very plan. */
	readonly attempt?: Attempt | undefined;
}

const checks = [
	checkChains,
	checkFlow,
	checkRoutines,
	checkAtOnce,
	checkValues,
	checkAbilities,
	checkWheels,
	checkKinds,
	checkCovered,
	checkSounds,
	checkRehearsal
];

export function checkPlan(plan: Plan, { kind, course, attempt }: Known = {}): Problem[] {
	const robotOf = (chain: Chain) =>
		kind === undefined ? fittedKindOf(robotOfChain(plan, chain)) : robotKindOf(kind);
	const context: Context = { plan, robotOf, course, attempt, steps: visitAll(plan, robotOf) };
	const problems = checks.flatMap((check) => check(context));
	const order = orderOf(plan);
	const inOrder = problems.toSorted((a, b) => (order.get(a.id) ?? -1) - (order.get(b.id) ?? -1));
	return summedUp(inOrder);
}

/** Problems of one kind that are said each on its own; what comes beyond is said in one line. */
const maximumOfAKind = 100;

function summedUp(problems: readonly Problem[]): Problem[] {
	const counts = new Map<string, number>();
	const said = problems.filter(({ sentence: { key } }) => {
		const count = (counts.get(key) ?? 0) + 1;
		counts.set(key, count);
		return count <= maximumOfAKind;
	});
	const more = [...counts.values()]
		.filter((count) => count > maximumOfAKind)
		.map((count): Problem => {
			const values = { count: count - maximumOfAKind };
			return { place: 'document', id: '', sentence: { key: 'check.more', values } };
		});
	return [...said, ...more];
}

function visitAll(plan: Plan, robotOf: Context['robotOf']): Visited[] {
	const visited: Visited[] = [];
	plan.chains.forEach((chain, chainIndex) => {
		const robot = robotOf(chain);
		const visit = (
			siblings: readonly Step[],
			holder: string,
			list: string,
			around: readonly Step[]
		) => {
			siblings.forEach((step, index) => {
				if (step.off) return;
				const place = `${list}[${index}]`;
				const definition = definitionOf(step.kind);
				visited.push({ step, definition, chain, robot, place, holder, siblings, index, around });
				if (step.body) visit(step.body, step.id, `${place}.body`, [...around, step]);
			});
		};
		if (!chain.trigger?.off) visit(chain.steps, chain.id, `chains[${chainIndex}].steps`, []);
	});
	return visited;
}

function orderOf(plan: Plan): Map<string, number> {
	const order = new Map<string, number>();
	const numbers = numberSteps(plan);
	let passed = 0;
	for (const chain of plan.chains) {
		order.set(chain.id, passed);
		if (chain.trigger) order.set(chain.trigger.id, passed);
		const visit = (steps: readonly Step[]) => {
			for (const step of steps) {
				passed = Math.max(passed, numbers.get(step.id) ?? 0);
				order.set(step.id, passed);
				if (step.body) visit(step.body);
			}
		};
		visit(chain.steps);
	}
	return order;
}
