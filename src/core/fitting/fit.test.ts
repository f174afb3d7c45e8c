import { describe, expect, it } from 'vitest';
import type { Mark } from '../attempts/marks';
import type { Plan, Step } from '../plan/plan';
import { modelOf } from '../robots/models';
import type { ParameterValues } from '../robots/parameter';
import { axle } from '../robots/skiff/settings';
import { sampleRobot } from '../robots/robot-document';
import { ball } from '../robots/ball';
import { skiff } from '../robots/skiff';
import { prepare, simulate, trial } from '../simulation/simulate';
import { courseOf, go, left, planFor, planOf, repeat, right, wall } from '../testing/sample';
import { agreement, fitRobot, parametersOf, type Fitted } from './fit';
import { foretell, nextTry } from './foretell';
import { markedRunOf, type MarkedRun } from './marked-run';
import { robotModel } from './robot-model';
import { usual } from './unknowns';
import { valuesOf } from './values-of';

const course = courseOf({ size: { width: 6, height: 6 }, starts: [{ at: [3, 3], bearing: 0 }] });
const variation = 'classroom';
const still = usual(modelOf('skiff').parameters, variation);
const plans = [
	planOf([repeat(4, [go(0.5), right(90)])]),
	planOf([repeat(4, [go(0.5), left(90)])]),
	planOf([go(1), right(180), go(1)])
];

/** A run of a robot that is like this, without chance, marked at its end as exactly as a tape can. */
function marked(plan: Plan, like: ParameterValues, only?: 'heading'): MarkedRun {
	const parameters = { robot1: { ...still, ...like } };
	const { x, y, heading } = trial(prepare({ plan, course, variation }), { seed: 1, parameters })
		.ends[0]!.pose;
	const mark: Mark = {
		...{ robot: 'robot1', after: null, sigma: 0.005, headingSigma: 0.026 },
		...{ at: only ? null : [x, y], heading }
	};
	return { plan, course, robot: 'robot1', marks: [mark] };
}

const runsOf = (like: ParameterValues) => plans.map((plan) => marked(plan, like));
const fitted = (like: ParameterValues) =>
	fitRobot({ kind: 'skiff', variation, runs: runsOf(like) });
const valueOf = ({ found }: Fitted, name: string) => found.find((each) => each.name === name)!;

const crooked = { wheelDifference: 0.012 };

describe('a robot with a right wheel that is larger', () => {
	const found = fitted(crooked);

	it('is found out, with as much doubt as its runs leave', () => {
		const { value, sigma, usualSigma } = valueOf(found, 'wheelDifference');
		expect(Math.abs(value - crooked.wheelDifference)).toBeLessThan(2 * sigma);
		expect(sigma).toBeLessThan(0.7 * usualSigma);
		// No square tells how fast a full battery could drive it.
		const top = valueOf(found, 'topSpeed');
		expect(top.sigma).toBeCloseTo(top.usualSigma, 2);
		for (const { before, after } of found.runs) expect(after!).toBeLessThan(before! / 2);
	});

	it('turns on straights by its difference over its axle', () => {
		const moves = foretell(
			found,
			{ kind: 'skiff', settings: sampleRobot(skiff).settings },
			variation
		);
		const straight = moves.find(({ name }) => name === 'straight')!;
		const { value, sigma } = valueOf(found, 'wheelDifference');
		expect(straight.found).toBeCloseTo(value / axle, 2);
		expect(straight.usual).toBeCloseTo(0, 3);
		expect(straight.sigma).toBeGreaterThan((0.5 * sigma) / axle);
	});

	it('is told from one that has changed since', () => {
		const known = parametersOf(found);
		const off = (like: ParameterValues) =>
			agreement({ kind: 'skiff', variation, runs: [marked(plans[0]!, like)] }, known)[0]!;
		expect(off(crooked)).toBeLessThan(2);
		expect(off({ wheelDifference: -0.02 })).toBeGreaterThan(3);
	});
});

it('what was marked after it ran into something is left out, and then nothing is told', () => {
	const walled = courseOf({ size: { width: 6, height: 6 }, walls: [wall([0, 0.8], [1, 0.8])] });
	const plan = planOf([go(0.2), go(1)]);
	const attempt = simulate({ plan, course: walled, variation, seed: 1, limit: 20 });
	const [first, second] = plan.chains[0]!.steps as [Step, Step];
	const at = { robot: 'robot1', sigma: 0.005, headingSigma: 0.026, heading: 1.57 };
	const marks: Mark[] = [
		{ ...at, after: { stepId: first.id, round: 1 }, at: [0.4, 0.6] },
		{ ...at, after: { stepId: second.id, round: 1 }, at: [0.4, 0.7] },
		{ ...at, after: null, at: [0.4, 0.7] }
	];
	const run = markedRunOf({ at: 0, attempt, plan, course: walled, marks }, 'robot1');
	expect(run.marks).toEqual(marks.slice(0, 1));
	const found = fitRobot({ kind: 'skiff', variation, runs: [{ ...run, marks: [] }] });
	expect(found.runs).toEqual([{ before: null, after: null }]);
	for (const { sigma, usualSigma } of found.found) expect(sigma).toBeCloseTo(usualSigma, 6);
});

it('nothing is made of what was not measured, and the next try narrows where a plan ends', () => {
	const runs = [marked(plans[0]!, crooked, 'heading')];
	const found = fitRobot({ kind: 'skiff', variation, runs });
	expect(found.runs).toEqual([{ before: null, after: null }]);
	const plan = planOf([go(0.8), right(90), go(0.8)]);
	const next = nextTry(found, { plan, course, robot: plan.robots[0]! }, variation)!;
	expect(next.then).toBeLessThan(0.95 * next.now);
});

it('what is of the day is one thing in its runs, and holds on that day alone', () => {
	const tilted = { setTurned: 0.1 };
	const list = modelOf('ball').parameters;
	const parameters = { robot1: { ...usual(list, variation), ...tilted } };
	const runs = ['2026-09-07 1', '2026-09-07 1', undefined].map((day): MarkedRun => {
		const plan = planFor(ball, planOf([go(day ? 1 : 0.5, 0.25)]));
		const { ends } = trial(prepare({ plan, course, variation }), { seed: 1, parameters });
		const { x, y } = ends[0]!.pose;
		const mark = { robot: 'robot1', after: null, at: [x, y] as const, heading: null };
		return {
			plan,
			course,
			robot: 'robot1',
			day,
			marks: [{ ...mark, sigma: 0.005, headingSigma: 1 }]
		};
	});
	const turned = (of: readonly MarkedRun[]) =>
		valueOf(fitRobot({ kind: 'ball', variation, runs: of }), 'setTurned');
	const [once, twice] = [turned(runs.slice(0, 1)), turned(runs)];
	expect(Math.abs(twice.value - tilted.setTurned)).toBeLessThan(2 * twice.sigma);
	expect(twice).toMatchObject({ isOfDay: true, unit: 'radians' });
	expect(twice.sigma).toBeLessThan(0.8 * once.sigma);
	// Runs of no day say nothing of one.
	expect(turned(runs.slice(2))).toBeUndefined();
	const found = fitRobot({ kind: 'ball', variation, runs });
	const from = { at: '2026-09-07T12:00:00Z', runs: 3, moves: 0 };
	const model = robotModel({ kind: 'ball', name: 'Rushlight' }, found, from);
	expect(model.day).toBe('2026-09-07');
	const noon = (day: number) => new Date(2026, 8, day, 12).getTime();
	expect(valuesOf(model, noon(7))).toHaveProperty('setTurned', twice.value);
	expect(valuesOf(model, noon(8))).not.toHaveProperty('setTurned');
	expect(valuesOf(model, noon(8))).toHaveProperty('speedGain');
});

it('parts of it are told of while it is worked out', () => {
	const parts: number[] = [];
	fitRobot({ kind: 'skiff', variation, runs: [marked(plans[2]!, crooked)] }, (part) =>
		parts.push(part)
	);
	expect(parts.length).toBeGreaterThan(2);
	expect(parts).toEqual(parts.toSorted((a, b) => a - b));
	expect(parts.at(-1)).toBe(1);
});
