/** Pictures that nobody would see: the next one comes at once. */
import { definitionOf } from '../steps/catalogue';
import type { Step } from '../plan/plan';
import { replacesPicture } from '../steps/pictures';
import { problemAt, waitAt, type Context, type Problem, type Visited } from './problem';

/** Seconds for which a picture is put in front of somebody. */
const longEnough = 1;

/** It goes on at once, whatever comes next. */
const isInstant = ({ kind, values }: Step): boolean => {
	const { takesTime, hasBody, isLast } = definitionOf(kind);
	const waits = takesTime && !(replacesPicture(kind) && values.then !== 'wait');
	return !waits && !hasBody && !isLast && kind !== 'call';
};

export function checkPictures({ steps }: Context): Problem[] {
	return steps.flatMap((visited): Problem[] => {
		const { kind } = visited.step;
		const isShown = replacesPicture(kind) && kind !== 'darkGrid' && isInstant(visited.step);
		if (!isShown) return [];
		const next = nextOf(visited).find((step) => replacesPicture(step.kind) || !isInstant(step));
		if (!next || !replacesPicture(next.kind)) return [];
		const repair = waitAt(visited.holder, visited.index + 1, longEnough);
		return [problemAt(visited, 'unseenPicture', {}, { repair })];
	});
}

/** The steps behind one in its list; in a loop, also those before it, and itself. */
function nextOf({ siblings, index, around }: Visited): readonly Step[] {
	const loop = around.at(-1);
	const behind = siblings.slice(index + 1);
	const isRound = loop && !definitionOf(loop.kind).isBranch && loop.kind !== 'call';
	const all = isRound ? [...behind, ...siblings.slice(0, index + 1)] : behind;
	return all.filter(({ off }) => !off);
}
