/** Which real robot does what one of the plan is to do. */
import type { Greeting } from '$core/link/frames';
import type { Plan, PlanRobot } from '$core/plan/plan';
import type { Values } from '$core/steps/definition';
import type { LiveStand } from './live-stand';

/** A robot of the plan, and the real one that is to do it. */
export interface Role {
	readonly wanted: PlanRobot;
	readonly robot: Greeting | undefined;
	/** Its id, if one was chosen, whether it is there or not. */
	readonly id: string | undefined;
}

/**
 * As somebody has chosen; else by name and kind; else the one that nobody could take for another.
 * @param chosen by the ids of the plan's robots, those of real ones
 */
export function rolesOf(
	plans: readonly PlanRobot[],
	paired: readonly Greeting[],
	chosen: Readonly<Record<string, string>>
): Role[] {
	const free = [...paired];
	const take = (isIt: (robot: Greeting) => boolean): Greeting | undefined => {
		const index = free.findIndex(isIt);
		return index < 0 ? undefined : free.splice(index, 1)[0];
	};
	const byChoice = plans.map(({ id }) => take((robot) => robot.id === chosen[id]));
	const byName = plans.map(
		({ id, kind, name }, index) =>
			byChoice[index] ??
			(chosen[id] ? undefined : take((robot) => robot.kind === kind && robot.name === name))
	);
	return plans.map((wanted, index) => {
		const isFree = !byName[index] && !chosen[wanted.id];
		// Of two alike nobody but the person knows which is which.
		const isOnly = plans.every(
			({ kind }, other) => other === index || kind !== wanted.kind || byName[other]
		);
		const robot =
			byName[index] ??
			(isFree && isOnly
				? (take(({ kind }) => kind === wanted.kind) ??
					(plans.length === 1 ? take(() => true) : undefined))
				: undefined);
		return { wanted, robot, id: robot?.id ?? chosen[wanted.id] };
	});
}

/** The plan, with the names and settings of the robots that do it. */
export function plannedFor(plan: Plan, roles: readonly Role[]): Plan {
	const robots = roles.map(({ wanted, robot }) => ({
		...wanted,
		...(robot && { name: robot.name, settings: robot.settings as Values })
	}));
	return { ...plan, robots };
}

/** What a robot is sent that is to hold a plan. @param place from 1 */
export const storedFrame = (
	{ saver, courseId, course }: Pick<LiveStand, 'saver' | 'courseId' | 'course'>,
	plan: Plan,
	place: number,
	owner = plan.name
) => ({ type: 'store', place, planId: saver.id, plan, courseId, course, owner }) as const;
