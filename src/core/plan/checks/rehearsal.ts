/** What only a rehearsal tells: moves that begin while the robot still rolls, and what went wrong. */
import { definitionOf } from '../../steps/catalogue';
import type { Edit } from '../edits';
import { problemAt, type Context, type Problem } from './problem';

/** m/s: slower than this is as good as still. */
const rolling = 0.02;

export function checkRehearsal({ attempt, steps }: Context): Problem[] {
	if (!attempt) return [];
	const places = new Map(steps.map((visited) => [visited.step.id, visited]));
	const problems = new Map<string, Problem>();
	for (const { stepId, speedAtStart, kind } of attempt.spans) {
		const here = places.get(stepId);
		const definition = definitionOf(kind);
		if (!here || problems.has(stepId) || !definition.isTimed || speedAtStart < rolling) continue;
		const repair = {
			key: 'repair.waitStill',
			edit: (newId: () => string): Edit => ({
				type: 'insert',
				holder: here.holder,
				index: here.index,
				steps: [{ id: newId(), kind: 'waitStill', values: {} }]
			})
		};
		const values = { speed: speedAtStart };
		problems.set(stepId, problemAt(here, 'stillMoving', values, { repair }));
	}
	const noted = attempt.notes.flatMap(({ stepId, sentence }): Problem[] => {
		const here = places.get(stepId);
		return here ? [{ place: here.place, id: stepId, sentence }] : [];
	});
	return [...problems.values(), ...noted];
}
