import { expect, it } from 'vitest';
import { robotKindOf } from '../robots/kinds';
import { simulate } from '../simulation/simulate';
import { courseOf, go, planOf, right, wall } from '../testing/sample';
import { legsIn } from './legs';
import { leastRoom } from './room';

/** Half as wide as it is, and half as long: the outline of a Skiff, to its front. */
const { outline } = robotKindOf('skiff');
const most = (axis: 0 | 1) => Math.max(...outline.map((point) => point[axis]));
const halves = { ahead: most(0), aside: most(1) };
const nearest = (...asked: Parameters<typeof leastRoom>) => leastRoom(...asked)?.length;

it('tells how near a leg came to a wall: beside it, before it, and none where there is none', () => {
	const { ahead, aside } = halves;
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
	const beside = 0.15 - half - aside;
	const before = 1 - half - (leg!.span.to.y + ahead);
	expect(nearest(run, leg!.span, course, attempt)).toBeCloseTo(Math.min(beside, before), 2);
	const open = courseOf({ walls: [] });
	expect(leastRoom(run, leg!.span, open, attempt)).toBeNull();
	const only = { ...course, walls: [course.walls[1]!] };
	expect(nearest(run, leg!.span, only, attempt)).toBeCloseTo(before, 2);
	// Before it has moved, the wall ahead is farther.
	const atOnce = nearest(run, { start: 0, end: 0 }, only, attempt);
	expect(atOnce).toBeCloseTo(1 - half - (0.4 + ahead), 2);
});

it('tells of crates where they are by then, and of other robots', () => {
	const crate = {
		id: 'c',
		at: [0.4, 0.75] as [number, number],
		bearing: 0,
		width: 0.1,
		depth: 0.1
	};
	const course = courseOf({ crates: [{ ...crate, mass: 0.05 }] });
	const attempt = simulate({ plan: planOf([go(0.5)]), course, variation: 'ideal', seed: 1 });
	const run = attempt.runs[0]!;
	const { ahead } = halves;
	// At first it stands; in the end it has been pushed along.
	const { y } = run.trace;
	const first = leastRoom(run, { start: 0, end: 0 }, course, attempt)!;
	expect(first.to).toBe('crate');
	expect(first.length).toBeCloseTo(0.7 - (y[0]! + ahead), 2);
	const end = run.trace.time.at(-1)!;
	expect(leastRoom(run, { start: end, end }, course, attempt)!.length).toBeLessThan(0.02);
	const beside = {
		...run,
		id: 'other',
		trace: { ...run.trace, x: run.trace.x.map((x) => x + 0.4) }
	};
	const both = { crates: [], runs: [run, beside] };
	const free = courseOf({ crates: [] });
	expect(leastRoom(run, { start: 0, end }, free, both)).toMatchObject({ to: 'robot' });
	expect(nearest(run, { start: 0, end }, free, both)).toBeCloseTo(0.4 - 2 * halves.aside, 2);
});
