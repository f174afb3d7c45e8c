/** A rehearsal of one robot, for tests: the attempt with all that its only run holds. */
import type { Attempt, RobotRun } from '../simulation/attempt';
import { simulate, type Rehearsal } from '../simulation/simulate';

export type Alone = Attempt & RobotRun;

export function rehearseAlone(rehearsal: Rehearsal): Alone {
	const attempt = simulate(rehearsal);
	const [run] = attempt.runs;
	return { ...attempt, ...run! };
}
