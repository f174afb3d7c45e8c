import { expect, it } from 'vitest';
import { robotKindOf } from '../robots/kinds';
import { simulate } from '../simulation/simulate';
import { courseOf, go, planOf, right, wall } from '../testing/sample';
import { legsIn } from './legs';
import { leastRoom } from './room';

it('tells how near a leg came to a wall: beside it, before it, and none where there is none', () => {
	// Half as wide as it is, and half as long: the outline of a Skiff, to its front.
	const { outline } = robotKindOf('skiff');
	const [ahead, aside] = [0, 1].map((axis) => Math.max(...outline.map((point) => point[axis]!)));
	const course = courseOf({ walls: [wall([0.55, 0.2], [0.55, 0.6]), wall([0.2, 1], [0.6, 1])] });
	const attempt = simulate({
		plan: planOf([go(0.4), right(90)]),
		course,
		variation: 'ideal',
		seed: 1
	});
	const run = attempt.runs[0]!;
	const [leg] = legsIn(attempt, run, null);
	const half = course.walls[0]!.thickness / 2;
	const beside = 0.15 - half - aside!;
	const before = 1 - half - (leg!.span.to.y + ahead!);
	expect(leastRoom(run, leg!.span, course)).toBeCloseTo(Math.min(beside, before), 2);
	const open = courseOf({ walls: [] });
	expect(leastRoom(run, leg!.span, open)).toBe(Infinity);
	const only = { ...course, walls: [course.walls[1]!] };
	expect(leastRoom(run, leg!.span, only)).toBeCloseTo(before, 2);
	// Before it has moved, the wall ahead is farther.
	const atOnce = leastRoom(run, { start: 0, end: 0 }, only);
	expect(atOnce).toBeCloseTo(1 - half - (0.4 + ahead!), 2);
});
