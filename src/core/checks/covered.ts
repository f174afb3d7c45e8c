/** Pictures that nobody would see, and sounds that nobody would hear: the next one comes at once. */
import { definitionOf } from '../steps/catalogue';
import type { Step } from '../plan/plan';
import { replacesPicture } from '../steps/pictures';
import { replacesSound } from '../steps/sound';
import { problemAt, setAt, waitAt, type Context, type Problem, type Visited } from './problem';

/** Seconds for which a picture is put in front of somebody. */
const longEnough = 1;

/** It goes on at once, whatever comes next. */
const isInstant = ({ kind, values }: Step): boolean => {
	const { takesTime, hasBody, isLast, values: slots } = definitionOf(kind);
	const { then } = slots;
	const carriesOn = then?.type === 'choice' && then.options.includes('carryOn');
	const waits = takesTime && !(carriesOn && values.then !== 'wait');
	return !waits && !hasBody && !isLast && kind !== 'call';
};

/** What takes the place of what went before, and the steps that only end it. */
interface Covering {
	readonly replaces: (kind: string) => boolean;
	readonly ending: string;
	readonly problem: (visited: Visited) => Problem;
}

const coverings: readonly Covering[] = [
	{
		replaces: replacesPicture,
		ending: 'darkGrid',
		problem: (visited) =>
			problemAt(
				visited,
				'unseenPicture',
				{},
				{
					repair: waitAt(visited.holder, visited.index + 1, longEnough)
				}
			)
	},
	{
		replaces: replacesSound,
		ending: 'silence',
		problem: (visited) =>
			problemAt(
				visited,
				'cutSound',
				{},
				{ repair: setAt(visited, 'repair.waitForSound', 'then', 'wait') }
			)
	}
];

export function checkCovered({ steps }: Context): Problem[] {
	return steps.flatMap((visited) =>
		coverings.flatMap(({ replaces, ending, problem }): Problem[] => {
			const { kind } = visited.step;
			if (!replaces(kind) || kind === ending || !isInstant(visited.step)) return [];
			const next = nextOf(visited).find((step) => replaces(step.kind) || !isInstant(step));
			return next && replaces(next.kind) ? [problem(visited)] : [];
		})
	);
}

/** The steps behind one in its list; in a loop, also those before it, and itself. */
function nextOf({ siblings, index, around }: Visited): readonly Step[] {
	const loop = around.at(-1);
	const behind = siblings.slice(index + 1);
	const isRound = loop && !definitionOf(loop.kind).isBranch && loop.kind !== 'call';
	const all = isRound ? [...behind, ...siblings.slice(0, index + 1)] : behind;
	return all.filter(({ off }) => !off);
}
