import { beforeEach, expect, it } from 'vitest';
import type { Mark } from '$core/attempts/marks';
import { lengthTo, placeBeside, type Point } from '$core/course/measure';
import { simulate } from '$core/simulation/simulate';
import { courseOf, go, planOf, repeat, right } from '$core/testing/sample';
import { bearingOfHeading } from '$core/units/angles';
import type { KnownPoint } from './known-points';
import { Truth } from './truth.svelte';

const course = courseOf({ finish: { at: [1.2, 0.9], radius: 0.12 } });
const plan = planOf([repeat(2, [go(0.3), right(90)])]);
const attempt = simulate({ plan, course, variation: 'classroom', seed: 3 });
const [run] = attempt.runs;
const end = { x: run!.trace.x.at(-1)!, y: run!.trace.y.at(-1)! };

let isTaken: boolean;
let held: { robot: string; stepId: string; number: number; round: number } | null;
let truth: Truth;
const leaves = {
	marks: [] as readonly Mark[],
	setMarks(marks: readonly Mark[]) {
		if (isTaken) this.marks = marks;
		return Promise.resolve(isTaken);
	}
};

beforeEach(() => {
	isTaken = true;
	held = null;
	leaves.marks = [];
	truth = new Truth({
		course,
		player: { attempt, run: run! },
		get live() {
			return { told: { held } };
		},
		leaves
	});
});

it('is pointed to, moved by keys and turned, from where it reckons to be', async () => {
	expect(truth.draft).toBeNull();
	truth.move(1, 0, false);
	truth.move(0, -2, true);
	expect(truth.at![0]).toBeCloseTo(end.x + 0.01, 9);
	expect(truth.at![1]).toBeCloseTo(end.y - 0.002, 9);
	expect(truth.off!.length).toBeCloseTo(Math.hypot(0.01, 0.002), 9);
	expect(truth.bearing).toBe(Math.round(bearingOfHeading(run!.trace.heading.at(-1)!)));
	truth.turn(5);
	expect(truth.draft).toMatchObject({ after: null, sigma: 0.015, headingSigma: 0.09 });
	truth.setBearing(-10);
	expect(truth.bearing).toBe(350);
	expect(truth.draft).toMatchObject({ headingSigma: 0.026 });
	truth.tap([99, -1]);
	expect(truth.at).toEqual([course.size.width, 0]);
	expect(await truth.keep()).toBe(true);
	expect(leaves.marks).toHaveLength(1);
	expect(truth.draft).toBeNull();
});

it('is where two tapes meet, on the side where it reckons to be until somebody says the other', () => {
	const at: Point = [end.x + 0.02, end.y + 0.01];
	truth.way = 'tapes';
	const [a, b] = truth.points.filter(({ kind }) => kind === 'corner') as [KnownPoint, KnownPoint];
	truth.layFrom(0, a.key);
	truth.layFrom(1, b.key);
	expect(truth.draft).toBeNull();
	truth.lay(0, lengthTo(a.at, at));
	truth.lay(1, lengthTo(b.at, at));
	expect(lengthTo(truth.at!, at)).toBeLessThan(1e-6);
	expect(truth.draft).toMatchObject({ sigma: 0.005, heading: null });
	expect(truth.tapes.map(({ at }) => at)).toEqual([a.at, b.at]);
	truth.side = 1;
	expect(lengthTo(truth.at!, at)).toBeGreaterThan(0.02);
	truth.lay(1, 9);
	expect(truth.at).toBeNull();
});

it('is told from the ring', () => {
	truth.way = 'ring';
	truth.ring = { length: 0.25, bearing: 30 };
	expect(truth.hasRing).toBe(true);
	expect(truth.at).toEqual(placeBeside(course.finish!.at, 30, 0.25, 0));
});

it('is said behind each leg, and behind the one at which a run waits', async () => {
	expect(truth.stops).toHaveLength(5);
	const { after } = truth.stops[2]!;
	truth.choose(after);
	expect(truth.pose).toEqual(attempt.spans.filter(({ kind }) => kind === 'go')[1]!.to);
	truth.move(0, 1, false);
	await truth.keep();
	expect(leaves.marks).toMatchObject([{ after }]);
	expect(truth.offOf(leaves.marks[0]!)!.length).toBeCloseTo(0.01, 9);
	await truth.remove(leaves.marks[0]!);
	expect(leaves.marks).toEqual([]);
	held = { robot: run!.id, stepId: after!.stepId, number: 2, round: 1 };
	const waiting = new Truth({
		course,
		player: { attempt, run: run! },
		live: { told: { held } },
		leaves
	});
	expect(waiting.after).toEqual({ stepId: after!.stepId, round: 1 });
	// Whoever's leg it is, whoever is shown.
	const crew = { ...attempt, runs: [run!, { ...run!, id: 'robot2' }] };
	const other = { ...held, robot: 'robot2' };
	const player = { attempt: crew, run: run! };
	const measuring = new Truth({ course, player, live: { told: { held: other } }, leaves });
	measuring.tap([1, 1]);
	expect(measuring.draft).toMatchObject({ robot: 'robot2' });
});

it('stays as it was said where it is not kept', async () => {
	isTaken = false;
	truth.move(1, 0, false);
	expect(await truth.keep()).toBe(false);
	expect(truth.draft).not.toBeNull();
});
