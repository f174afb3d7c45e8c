/** The program of a rehearsal, also with other numbers in some of its steps. */
import { compile, type Program } from '../interpreter/program';
import { withValues, type SetValue } from '../interpreter/set-values';
import { changeStep } from '../plan/places';
import type { PlanRobot } from '../plan/plan';
import { fittedKindOf } from '../robots/fitted';
import { isExpression } from '../steps/definition';
import type { Prepared, Rehearsal } from './simulate';

type Planned = Pick<Rehearsal, 'plan' | 'only'>;

export const programOf = ({ plan, only }: Planned, robots: readonly PlanRobot[]): Program =>
	compile(plan, robots.map(fittedKindOf), only);

/** With other numbers in it as it stands; with other expressions it is compiled anew. */
export function programWith(
	{ rehearsal, robots, program }: Pick<Prepared, 'rehearsal' | 'robots' | 'program'>,
	set: readonly SetValue[]
): Program {
	const worded = set.filter(({ value }) => isExpression(value));
	if (worded.length === 0) return withValues(program, set);
	const plan = worded.reduce((before, { step, name, value }) => {
		const changed = changeStep(before, step, (old) => ({
			...old,
			values: { ...old.values, [name]: value }
		}));
		return changed.ok ? changed.value : before;
	}, rehearsal.plan);
	return withValues(programOf({ ...rehearsal, plan }, robots), set);
}
