/** What only a rehearsal tells: moves that begin while the robot still rolls, and what went wrong. */
import { definitionOf } from '../steps/catalogue';
import { standFirst } from '../plan/stand-first';
import { numberSteps } from '../plan/plan';
import { problemAt, type Context, type Problem } from './problem';

/** m/s: slower than this is as good as still. */
const rolling = 0.02;

/** Outcomes of a plan that is lit, and of which nothing ran. */
const unbegun = new Set(['outcome.untouched', 'outcome.notBegun']);

export function checkRehearsal({ plan, attempt, steps }: Context): Problem[] {
	if (!attempt) return [];
	const numbers = numberSteps(plan);
	const places = new Map(steps.map((visited) => [visited.step.id, visited]));
	const problems = new Map<string, Problem>();
	for (const { stepId, speedAtStart, kind } of attempt.spans) {
		const here = places.get(stepId);
		const definition = definitionOf(kind);
		if (!here || problems.has(stepId) || !definition.isTimed || speedAtStart < rolling) continue;
		const values = { speed: speedAtStart };
		const edit = (newId: () => string) => standFirst(here, here.siblings, newId);
		const repair = { key: 'repair.waitStill', edit };
		problems.set(stepId, problemAt(here, 'stillMoving', values, { repair }));
	}
	const { key, values } = attempt.outcome.reason;
	const last = steps.find(({ step }) => numbers.get(step.id) === values?.number);
	if (key === 'outcome.usedUp' && last)
		problems.set('', { place: last.place, id: last.step.id, sentence: attempt.outcome.reason });
	if (unbegun.has(key))
		problems.set('', { place: 'document', id: '', sentence: attempt.outcome.reason });
	const noted = attempt.notes.flatMap(({ stepId, sentence }): Problem[] => {
		const here = places.get(stepId);
		return here ? [{ place: here.place, id: stepId, sentence }] : [];
	});
	return [...problems.values(), ...noted];
}
