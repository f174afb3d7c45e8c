/** Whether more runs at the same time than a robot, or a rehearsal, can do. */
import { maximumThreads } from '../interpreter/settings';
import type { Chain, Step } from '../plan/plan';
import { routinesOf } from '../plan/variables';
import { problemAt, type Context, type Problem } from './problem';

export function checkAtOnce({ plan, steps }: Context): Problem[] {
	const routines = routinesOf(plan);
	const ofRoutine = new Map<Chain, number>();

	/** The most that a list of steps has running beside itself. */
	const beside = (list: readonly Step[]): number =>
		list.reduce((most, step) => (step.off ? most : Math.max(most, besideStep(step))), 0);

	function besideStep({ kind, values, body = [] }: Step): number {
		if (kind === 'together') {
			const sides = body.filter(({ off }) => !off);
			return sides.reduce((sum, side) => sum + 1 + beside(side.body ?? []), 0);
		}
		if (kind !== 'call') return beside(body);
		const routine = routines.get(String(values.routine));
		if (!routine) return 0;
		const known = ofRoutine.get(routine);
		if (known !== undefined) return known;
		// One that calls itself is another problem.
		ofRoutine.set(routine, 0);
		const most = beside(routine.steps);
		ofRoutine.set(routine, most);
		return most;
	}

	const tooMany = steps.find(({ step, around }) => {
		const isOutermost = around.every(({ kind }) => kind !== 'together');
		const isStart = step.kind === 'together' || step.kind === 'call';
		return isStart && isOutermost && besideStep(step) > maximumThreads - plan.chains.length;
	});
	return tooMany ? [problemAt(tooMany, 'tooManyAtOnce', { maximum: maximumThreads })] : [];
}
