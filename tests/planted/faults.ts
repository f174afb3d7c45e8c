/**
 * Faults, planted one at a time in robots that are else as they are drawn, five plans each: to see
 * whether what is said of them finds them. Nothing here knows how reasons are found; each fault says
 * only by which name its matter goes.
 */
import {
	fullStep,
	go,
	left,
	planFor,
	planOf,
	right,
	step,
	wait,
	wall
} from '../../src/core/testing/sample';
import type { Course, Crate } from '../../src/core/course/course';
import type { Plan, Step } from '../../src/core/plan/plan';
import { ball } from '../../src/core/robots/ball';
import { drone } from '../../src/core/robots/drone';
import type { ParameterValues } from '../../src/core/robots/parameter';
import { railCar as rail } from '../../src/core/robots/rail';
import type { RobotKind } from '../../src/core/robots/robot';
import { skiff } from '../../src/core/robots/skiff';

import {
	five,
	floor,
	ways,
	flights,
	waySteps,
	goFor,
	byTime,
	straightRail,
	bentRail,
	sideBySide,
	seenWall,
	towardsWall,
	withEye,
	type Sound
} from './ways';

interface Case extends Sound {
	/** What is wrong with the robot; nothing, where it is the plan or the course. */
	readonly planted: ParameterValues;
	/** What its sensors make of the plan; the plan, where they are as drawn. */
	readonly does?: Plan;
	/** The number of the step that shows it; else the leg that it changes most. */
	readonly shows?: number;
}

export interface Fault {
	readonly name: string;
	/** The name of its matter. */
	readonly matter: string;
	readonly cases: readonly Case[];
}

/** A parameter, or two, of each case in turn. */
const turned =
	(all: Readonly<Record<string, readonly number[]>>) =>
	(i: number): ParameterValues =>
		Object.fromEntries(Object.entries(all).map(([name, values]) => [name, values[i]!]));
const inOrder = (
	cases: readonly Sound[],
	all: Readonly<Record<string, readonly number[]>>
): readonly Case[] => cases.map((each, i) => ({ ...each, planted: turned(all)(i) }));

/** Five plans with steps of their own, on a floor of their own. */
const casesOf = (
	kind: RobotKind,
	shows: number,
	stepsOf: (i: number) => Step[],
	all: Readonly<Record<string, readonly number[]>> = {},
	course: (i: number) => Course = () => floor
): readonly Case[] =>
	five.map((i) => {
		const plan = planFor(kind, planOf(stepsOf(i)));
		return { kind, plan, course: course(i), planted: turned(all)(i), shows };
	});

/** The step of five ways that goes straight on to what stands there. */
const ahead = (cases: readonly Case[]): readonly Case[] =>
	cases.map((each, i) => ({ ...each, shows: i === 0 || i === 3 ? 2 : 1 }));

// --- one at a time ---

const straight = () => straightRail;
const walled = (i: number): Course => {
	const north = 4.2 + 0.03 * i;
	return { ...floor, walls: [wall([3.7, north], [4.3, north])] };
};
const crated = (i: number): Course => {
	const mass = [0.1, 0.15, 0.2, 0.12, 0.18][i]!;
	const crate = { id: 'k1', at: [4.05, 4.25], bearing: 0, width: 0.12, depth: 0.1, mass };
	return { ...floor, crates: [crate as Crate] };
};
const wayOf = (i: number) => ways()[i]!;

export const faults: readonly Fault[] = [
	{
		name: 'car, one wheel larger',
		matter: 'drift',
		cases: inOrder(waySteps(skiff, ways()), {
			wheelDifference: [0.02, -0.015, 0.03, -0.025, 0.012]
		})
	},
	{
		name: 'car, gyro reads too much or too little',
		matter: 'turnGain',
		cases: inOrder(waySteps(skiff, ways()), { gyroGain: [0.97, 1.03, 0.96, 1.05, 0.98] })
	},
	{
		name: 'car, gyro drifts',
		matter: 'gyroDrift',
		cases: inOrder(waySteps(skiff, ways()), { gyroBias: [0.03, -0.04, 0.025, -0.03, 0.05] })
	},
	{
		name: 'car, wheels slip',
		matter: 'slip',
		cases: inOrder(waySteps(skiff, ways()), { slip: [0.1, 0.12, 0.15, 0.09, 0.14] })
	},
	{
		name: 'car, battery low',
		matter: 'slow',
		cases: inOrder(waySteps(skiff, byTime(1, 1.2)), { battery: [0.1, 0.25, 0.15, 0.3, 0.2] })
	},
	{
		name: 'car, set down askew',
		matter: 'askew',
		cases: ahead(inOrder(waySteps(skiff, ways()), { setTurned: [0.1, -0.08, 0.06, -0.12, 0.05] }))
	},
	{
		name: 'car, a wall in the way',
		matter: 'met',
		cases: ahead(casesOf(skiff, 1, wayOf, {}, walled))
	},
	{
		name: 'car, pushes a crate',
		matter: 'pushed',
		cases: ahead(casesOf(skiff, 1, wayOf, {}, crated))
	},
	{
		name: 'car, its eye tells it late or early',
		matter: 'sensed',
		cases: five.map((i) => {
			const plan = towardsWall(i);
			const does = withEye(plan, [0.2, 0.31, 0.15, 0.28, 0.18][i]!);
			return { kind: skiff, plan, does, course: seenWall, planted: {}, shows: 3 };
		})
	},
	{
		name: 'car, still rolling into a turn',
		matter: 'rolling',
		cases: casesOf(skiff, 3, (i) => [
			go(0.2 + 0.05 * i),
			goFor(1 + 0.1 * i, 0.6, { then: 'goOn', ending: 'brake' }),
			right(90),
			go(0.4)
		])
	},
	{
		name: 'rail car, so little time that it hardly gets up to speed',
		matter: 'startUp',
		cases: casesOf(
			rail,
			1,
			(i) => [goFor(0.8 + 0.1 * i, 0.6), wait(1), go(0.4), goFor(0.7 + 0.1 * i, 0.5)],
			{ traction: [0.3, 0.25, 0.35, 0.28, 0.32] },
			straight
		)
	},
	{
		name: 'car, another robot in the way',
		matter: 'met',
		cases: five.map((i) => {
			const second = { at: [4 + 0.02 * i, 4.7] as [number, number], bearing: 90 };
			return {
				kind: skiff,
				plan: sideBySide([go(0.3), go(0.5), right(90), go(0.3)], [wait(0.1 * i)]),
				course: { ...floor, starts: [{ at: [4, 4], bearing: 0 }, second] },
				planted: {},
				shows: 2
			};
		})
	},
	{
		name: 'ball, cuts its corners',
		matter: 'rolling',
		cases: casesOf(ball, 4, (i) => [
			fullStep('roll', { bearing: 0, speed: 0.3 + 0.05 * i }),
			wait(1),
			right(90),
			go(0.6 + 0.05 * i, 0.3 + 0.05 * i),
			left(30),
			go(0.4, 0.3)
		])
	},
	{
		name: 'ball, its metre is none',
		matter: 'gain',
		cases: inOrder(waySteps(ball, ways(0.3)), { estimateGain: [1.06, 0.94, 1.08, 0.95, 0.92] })
	},
	{
		name: 'drone, the air carries it',
		matter: 'breeze',
		cases: inOrder(waySteps(drone, flights), {
			breezeEast: [0.03, -0.02, 0.01, 0.025, -0.03],
			breezeNorth: [0.01, 0.03, -0.03, -0.02, 0.02]
		})
	},
	{
		name: 'drone, its metre is none',
		matter: 'gain',
		cases: inOrder(waySteps(drone, flights), { measure: [1.08, 0.92, 1.1, 0.93, 0.9] })
	},
	{
		name: 'drone, slow in changing its speed',
		matter: 'rolling',
		cases: casesOf(
			drone,
			4,
			(i) => [
				step('takeOff'),
				go(0.3),
				goFor(1 + 0.1 * i, 0.4, { then: 'goOn' }),
				i % 2 === 0 ? right(90) : step('go', { direction: 'left', distance: 0.5, speed: 0.4 }),
				go(0.5),
				step('land')
			],
			{ lag: [0.5, 0.6, 0.55, 0.65, 0.7] }
		)
	},
	{
		name: 'rail car, rolls on',
		matter: 'coasting',
		cases: casesOf(
			rail,
			2,
			(i) => [
				go(0.4, 0.5),
				goFor(1 + 0.1 * i, 0.4 + 0.02 * i, { ending: 'coast', then: 'waitStill' }),
				wait(1)
			],
			{ drag: [0.04, 0.05, 0.035, 0.16, 0.2] },
			straight
		)
	},
	{
		name: 'rail car, creeps through a curve',
		matter: 'curve',
		cases: casesOf(
			rail,
			1,
			(i) => [goFor(5 + 0.4 * i, 0.3 + 0.04 * i), wait(1), go(0.3)],
			{ curveDrag: [0.12, 0.11, 0.12, 0.1, 0.115] },
			(i) => bentRail(0.4 + 0.05 * i)
		)
	}
];
