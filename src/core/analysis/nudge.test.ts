import { describe, expect, it } from 'vitest';
import { legsIn, isMove } from '../attempts/legs';
import { rehearseAlone } from '../testing/alone';
import {
	courseOf,
	fullStep,
	go,
	left,
	planOf,
	repeat,
	right,
	step,
	wait,
	wall
} from '../testing/sample';
import type { Step } from '../plan/plan';
import { prepare, trial } from '../simulation/simulate';
import { knobsFor, roundedValues, settingsOf } from './knobs';
import { nudge, type PullGoal } from './nudge';
import { answer, runnerOf } from './search';

const course = courseOf({ size: { width: 6, height: 6 }, starts: [{ at: [3, 3], bearing: 0 }] });
const walled = { ...course, walls: [wall([2, 5.9], [4, 5.9])] };

/** Pulls the end of the leg of a step. @param variation ideal: what comes out is known */
async function pulled(steps: Step[], number: number, goal: PullGoal, round = 1, floor = course) {
	const rehearsal = { plan: planOf(steps), course: floor, variation: 'ideal' as const };
	const attempt = rehearseAlone({ ...rehearsal, seed: 1 });
	const legs = legsIn(attempt, attempt.runs[0]!, null).filter(isMove);
	const leg = legs.find((each) => each.span.number === number && each.round === round)!;
	const knobs = knobsFor(rehearsal.plan, legs, leg);
	const { stepId } = leg.span;
	const pull = { knobs, robot: 'robot1', leg: { stepId, round }, goal, seed: 1 };
	const found = await answer(nudge(pull), runnerOf(rehearsal));
	return { knobs, found, rounded: roundedValues(knobs, found.values) };
}

describe('a nudge', () => {
	it('finds length and turn by which a leg ends where it is pulled, as geometry has it', async () => {
		// From [3, 3.4], 30 cm to the east and 30 to the north: a turn of 45 degrees, the root of 18 dm².
		const { knobs, found, rounded } = await pulled([go(0.4), right(90), go(0.4)], 3, {
			x: 3.3,
			y: 3.7
		});
		expect(knobs.map(({ name }) => name)).toEqual(['angle', 'distance']);
		expect(found.isReached).toBe(true);
		expect(found.values[0]).toBeCloseTo(45, 0);
		expect(found.values[1]).toBeCloseTo(0.4243, 2);
		expect(rounded).toEqual([45, 0.42]);
	});

	it('turns the direction after a turn, and only that', async () => {
		const { knobs, rounded } = await pulled([go(0.4), left(90), go(0.4)], 2, { heading: Math.PI });
		expect(knobs).toHaveLength(1);
		expect(rounded).toEqual([90]);
		const more = await pulled([go(0.4), left(90), go(0.4)], 2, { heading: (Math.PI * 7) / 6 });
		expect(more.rounded).toEqual([120]);
	});

	it('counts all rounds before, where the number is of a loop', async () => {
		// Two rounds of go: both are half as long as the way that is wanted.
		const { rounded } = await pulled([repeat(2, [go(0.3)])], 2, { x: 3, y: 4 }, 2);
		expect(rounded).toEqual([0.5]);
	});

	it('finds seconds of what is timed', async () => {
		const timed = fullStep('goFor', { duration: 2, speed: 0.4 });
		const { knobs, found, rounded } = await pulled([timed], 1, { x: 3, y: 3.5 });
		expect(knobs.map(({ name }) => name)).toEqual(['duration']);
		// 20 cm a second: a lag takes from its beginning what it gives at its end.
		expect(found.values[0]).toBeCloseTo(2.5, 1);
		expect(rounded).toEqual([2.5]);
	});

	it('finds the number behind what is worked out: of a variable, of a measure, of a part of a circle', async () => {
		const side = { expression: 'side' };
		const sideways = [
			fullStep('set', { variable: 'side', value: { expression: '80*cm / 2' } }),
			fullStep('go', { distance: side }),
			right(90),
			fullStep('go', { distance: side })
		];
		// Both follow it: 40 cm north and 40 east become 55 and 55.
		const { knobs, rounded, found } = await pulled(sideways, 2, { x: 3, y: 3.55 });
		expect(knobs.map(({ step, name }) => [step, name])).toEqual([[sideways[0]!.id, 'value']]);
		expect(rounded).toEqual([1.1]);
		expect(settingsOf(knobs, rounded)[0]!.value).toEqual({ expression: '110 * cm / 2' });
		expect(found.isReached).toBe(true);
		const corner = [go(0.3), fullStep('turn', { angle: { expression: '360 / 5' } })];
		const turned = await pulled(corner, 2, { heading: Math.PI / 2 - (80 * Math.PI) / 180 });
		expect(settingsOf(turned.knobs, turned.rounded)[0]!.value).toEqual({ expression: '400 / 5' });
	});

	it('finds the threshold of what is sensed, and the seconds that are waited for', async () => {
		const drive = step('start', { speed: 0.3 });
		const near = { expression: 'distanceAhead < 40*cm' };
		const ahead = [drive, step('waitUntil', { condition: near }), fullStep('stop')];
		const { knobs, found } = await pulled(ahead, 3, { x: 3, y: 5.5 }, 1, walled);
		expect(knobs.map(({ step, value }) => [step, value])).toEqual([[ahead[1]!.id, 0.4]]);
		expect(found.isReached).toBe(true);
		// The wall is at 5.9; how far the sensor is from the middle, and the brake, are taken from it.
		expect(found.values[0]).toBeLessThan(0.4);
		expect(found.values[0]).toBeGreaterThan(0.25);
		const timed = await pulled([drive, wait(2), fullStep('stop')], 3, { x: 3, y: 3.45 });
		// 15 cm a second.
		expect(timed.rounded[0]).toBeCloseTo(3, 0);
	});

	it('says which number is at its end where it cannot come there', async () => {
		const { found } = await pulled([right(90), go(0.4)], 2, { x: 3, y: 40 });
		expect(found.isReached).toBe(false);
		expect(found.atEnd?.name).toBe('distance');
		const { found: aside } = await pulled([go(0.4)], 1, { x: 3.2, y: 3.5 });
		expect(aside.isReached).toBe(false);
		expect(aside.atEnd).toBeNull();
		expect(aside.end?.y).toBeCloseTo(3.5, 2);
	});

	it('goes on from where it was pulled before, in fewer trials', async () => {
		const plan = planOf([go(0.4), right(90), go(0.4)]);
		const attempt = rehearseAlone({ plan, course, variation: 'classroom', seed: 4 });
		const legs = legsIn(attempt, attempt.runs[0]!, null).filter(isMove);
		const leg = legs[2]!;
		const run = runnerOf({ plan, course, variation: 'classroom' });
		let trials = 0;
		const counting: typeof run = (some) => {
			trials += some.length;
			return run(some);
		};
		const { stepId, to } = leg.span;
		const knobs = knobsFor(plan, legs, leg);
		const pull = { knobs, robot: 'robot1', leg: { stepId, round: 1 }, seed: 4 };
		const goal = { x: to.x, y: to.y + 0.1 };
		const from = await answer(nudge({ ...pull, goal }), counting);
		expect(from.isReached).toBe(true);
		trials = 0;
		const next = { x: goal.x + 0.01, y: goal.y };
		expect((await answer(nudge({ ...pull, goal: next, from }), counting)).isReached).toBe(true);
		expect(trials).toBeLessThanOrEqual(3);
	});

	it('has nothing to turn where no number stands behind what is worked out', async () => {
		const worked = step('go', {
			direction: 'forward',
			distance: { expression: 'random(20, 20) * cm' },
			speed: 0.4
		});
		const { knobs } = await pulled([worked, go(0.2)], 2, { x: 3, y: 3.5 });
		expect(knobs).toHaveLength(1);
		const plan = planOf([worked]);
		const attempt = rehearseAlone({ plan, course, variation: 'ideal', seed: 1 });
		const legs = legsIn(attempt, attempt.runs[0]!, null);
		expect(knobsFor(plan, legs, legs[0]!)).toEqual([]);
		// And nothing takes its place.
		const values = [{ step: worked.id, name: 'distance', value: 1 }];
		const { ends } = trial(prepare({ plan, course, variation: 'ideal' }), { seed: 1, values });
		expect(ends[0]!.pose.y).toBeCloseTo(3.2, 2);
	});
});
