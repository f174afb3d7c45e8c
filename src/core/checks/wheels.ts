/** Two chains, or two branches of "at the same time", that can drive the same wheels at once. */
import { definitionOf } from '../steps/catalogue';
import { eachStep, isLit, numberSteps, robotOfChain, type Step } from '../plan/plan';
import { routinesOf } from '../plan/variables';
import { problemAt, type Context, type Problem } from './problem';

export function checkWheels({ plan, steps }: Context): Problem[] {
	const numbers = numberSteps(plan);
	const places = new Map(steps.map((visited) => [visited.step.id, visited]));
	const routines = routinesOf(plan);

	/**
	 * The first step of the list that drives, itself or in a routine; and whether one drives for a
	 * while, or later than at once.
	 */
	const look = (list: readonly Step[]): { driver: Step | undefined; isLong: boolean } => {
		let driver: Step | undefined;
		let isLong = false;
		let hasTimePassed = false;
		eachStep(list, (step) => {
			if (!places.has(step.id)) return;
			const definition = definitionOf(step.kind);
			const called =
				step.kind === 'call' ? routines.get(String(step.values.routine))?.steps : undefined;
			if (drives(step) || called?.some(drives)) {
				driver ??= step;
				isLong ||= hasTimePassed || called !== undefined || definition.takesTime === true;
			}
			hasTimePassed ||= definition.takesTime === true || definition.isLoop === true;
		});
		return { driver, isLong };
	};
	const say = (one: Step, other: Step): Problem =>
		problemAt(places.get(other.id)!, 'sameWheels', {
			number: numbers.get(other.id) ?? 0,
			other: numbers.get(one.id) ?? 0
		});

	const problems: Problem[] = [];
	const chains = plan.chains
		.filter(isLit)
		.map((chain) => ({
			...look(chain.steps),
			trigger: chain.trigger!.kind,
			robot: robotOfChain(plan, chain)
		}))
		.filter(({ driver }) => driver);
	chains.forEach((other, index) => {
		// A chain that is over at once has let go of the wheels before another one can start.
		const one = chains
			.slice(0, index)
			.find(
				({ trigger, isLong, robot }) =>
					robot === other.robot && (trigger === other.trigger || isLong)
			);
		if (one) problems.push(say(one.driver!, other.driver!));
	});
	for (const { step } of steps) {
		if (step.kind !== 'together') continue;
		const drivers = (step.body ?? []).flatMap((side) => look(side.body ?? []).driver ?? []);
		const [first, ...others] = drivers;
		for (const other of others) problems.push(say(first!, other));
	}
	return problems;
}

const drives = ({ kind, off }: Step): boolean => !off && definitionOf(kind).drives === true;
