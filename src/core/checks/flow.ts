/** Loops that do nothing or never wait, and steps that are never reached. */
import { isReading } from '../expressions/vocabulary';
import { definitionOf } from '../steps/catalogue';
import { eachStep, type Step } from '../plan/plan';
import { eachNameIn } from '../plan/variables';
import { problemAt, waitAt, type Context, type Problem, type Visited } from './problem';

/** Seconds that the repair of a loop which never waits puts in. */
const shortWait = 0.1;

export const checkFlow = ({ steps }: Context): Problem[] =>
	steps.flatMap((visited) => [
		...checkLoop(visited),
		...checkReach(visited),
		...checkLeave(visited)
	]);

function checkLoop(visited: Visited): Problem[] {
	const { step, definition, holder, index } = visited;
	const body = (step.body ?? []).filter(({ off }) => !off);
	if (!step.body || definition.isBranch) return [];
	if (body.length === 0) {
		const remove = { type: 'remove', holder, index, count: 1 } as const;
		const repair = { key: 'repair.remove', edit: () => remove };
		return [problemAt(visited, 'emptyBody', {}, { repair })];
	}
	if (definition.branches || body.some(takesTime)) return [];
	// A loop that looks at the world in each round does so 120 times a second, and that is its point.
	if (definition.isLoop && readsSensors(step)) return [];
	if (body.some((inner) => inner.body && !definitionOf(inner.kind).branches)) return [];
	const repair = waitAt(step.id, step.body.length, shortWait);
	const key = definition.isLoop ? 'roundAndRound' : 'neverWaits';
	return [problemAt(visited, key, {}, { repair })];
}

const takesTime = (step: Step): boolean =>
	!step.off &&
	(definitionOf(step.kind).takesTime === true ||
		step.kind === 'call' ||
		(step.body?.some(takesTime) ?? false));

function readsSensors(loop: Step): boolean {
	let reads = false;
	eachStep([loop], (step) => eachNameIn(step, (name) => (reads ||= isReading(name))));
	return reads;
}

/** The step after one that never lets the cord go on. */
function checkReach(visited: Visited): Problem[] {
	const { definition, siblings, index, holder, step } = visited;
	const next = siblings.findIndex(({ off }, at) => at > index && !off);
	if (!definition.isLast || next === -1) return [];
	const place = visited.place.replace(/\d+\]$/, `${next}]`);
	const after = { step: siblings[next]!, place };
	if (!step.body) return [problemAt(after, 'neverReached')];
	const move = {
		type: 'move' as const,
		from: { holder, index: next },
		count: siblings.length - next,
		to: { holder: step.id, index: step.body.length }
	};
	const repair = { key: 'repair.intoLoop', edit: () => move };
	return [problemAt(after, 'afterForever', {}, { repair })];
}

function checkLeave(visited: Visited): Problem[] {
	const { step, around } = visited;
	if (step.kind !== 'leave') return [];
	const inLoop = around.some(({ kind, body }) => body && loops.has(kind));
	return inLoop ? [] : [problemAt(visited, 'noLoop')];
}

const loops = new Set(['repeat', 'forever', 'until']);
