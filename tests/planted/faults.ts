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
import type { Course } from '../../src/core/course/course';
import { type Plan } from '../../src/core/plan/plan';
import { ball } from '../../src/core/robots/ball';
import { drone } from '../../src/core/robots/drone';
import type { ParameterValues } from '../../src/core/robots/parameter';
import { railCar as rail } from '../../src/core/robots/rail';
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

const inOrder = (
	cases: readonly Sound[],
	planted: (i: number) => ParameterValues
): readonly Case[] => cases.map((each, i) => ({ ...each, planted: planted(i) }));

// --- one at a time ---

const crateAt = (ahead: number, mass: number): Course => ({
	...floor,
	crates: [{ id: 'k1', at: [4.05, 4 + ahead], bearing: 0, width: 0.12, depth: 0.1, mass }]
});

export const faults: readonly Fault[] = [
	{
		name: 'car, one wheel larger',
		matter: 'drift',
		cases: inOrder(waySteps(skiff, ways()), (i) => ({
			wheelDifference: [0.02, -0.015, 0.03, -0.025, 0.012][i]!
		}))
	},
	{
		name: 'car, gyro reads too much or too little',
		matter: 'turnGain',
		cases: inOrder(waySteps(skiff, ways()), (i) => ({
			gyroGain: [0.97, 1.03, 0.96, 1.05, 0.98][i]!
		}))
	},
	{
		name: 'car, gyro drifts',
		matter: 'gyroDrift',
		cases: inOrder(waySteps(skiff, ways()), (i) => ({
			gyroBias: [0.03, -0.04, 0.025, -0.03, 0.05][i]!
		}))
	},
	{
		name: 'car, wheels slip',
		matter: 'slip',
		cases: inOrder(waySteps(skiff, ways()), (i) => ({ slip: [0.1, 0.12, 0.15, 0.09, 0.14][i]! }))
	},
	{
		name: 'car, battery low',
		matter: 'slow',
		cases: inOrder(waySteps(skiff, byTime(1, 1.2)), (i) => ({
			battery: [0.1, 0.25, 0.15, 0.3, 0.2][i]!
		}))
	},
	{
		name: 'car, set down askew',
		matter: 'askew',
		cases: inOrder(waySteps(skiff, ways()), (i) => ({
			setTurned: [0.1, -0.08, 0.06, -0.12, 0.05][i]!
		})).map((each, i) => ({ ...each, shows: i === 0 || i === 3 ? 2 : 1 }))
	},
	{
		name: 'car, a wall in the way',
		matter: 'met',
		cases: ways().map((steps, i) => ({
			kind: skiff,
			plan: planFor(skiff, planOf(steps)),
			course: { ...floor, walls: [wall([3.7, 4.2 + 0.03 * i], [4.3, 4.2 + 0.03 * i])] },
			planted: {},
			shows: i === 0 || i === 3 ? 2 : 1
		}))
	},
	{
		name: 'car, pushes a crate',
		matter: 'pushed',
		cases: ways().map((steps, i) => ({
			kind: skiff,
			plan: planFor(skiff, planOf(steps)),
			course: crateAt(0.25, [0.1, 0.15, 0.2, 0.12, 0.18][i]!),
			planted: {},
			shows: i === 0 || i === 3 ? 2 : 1
		}))
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
		cases: five.map((i) => ({
			kind: skiff,
			plan: planFor(
				skiff,
				planOf([
					go(0.2 + 0.05 * i),
					goFor(1 + 0.1 * i, 0.6, { then: 'goOn', ending: 'brake' }),
					right(90),
					go(0.4)
				])
			),
			course: floor,
			planted: {},
			shows: 3
		}))
	},
	{
		name: 'rail car, so little time that it hardly gets up to speed',
		matter: 'startUp',
		cases: five.map((i) => ({
			kind: rail,
			plan: planFor(
				rail,
				planOf([goFor(0.8 + 0.1 * i, 0.6), wait(1), go(0.4), goFor(0.7 + 0.1 * i, 0.5)])
			),
			course: straightRail,
			planted: { traction: [0.3, 0.25, 0.35, 0.28, 0.32][i]! },
			shows: 1
		}))
	},
	{
		name: 'car, another robot in the way',
		matter: 'met',
		cases: five.map((i) => ({
			kind: skiff,
			plan: sideBySide([go(0.3), go(0.5), right(90), go(0.3)], [wait(0.1 * i)]),
			course: {
				...floor,
				starts: [
					{ at: [4, 4], bearing: 0 },
					{ at: [4 + 0.02 * i, 4.7], bearing: 90 }
				]
			},
			planted: {},
			shows: 2
		}))
	},
	{
		name: 'ball, cuts its corners',
		matter: 'rolling',
		cases: five.map((i) => ({
			kind: ball,
			plan: planFor(
				ball,
				planOf([
					fullStep('roll', { bearing: 0, speed: 0.3 + 0.05 * i }),
					wait(1),
					right(90),
					go(0.6 + 0.05 * i, 0.3 + 0.05 * i),
					left(30),
					go(0.4, 0.3)
				])
			),
			course: floor,
			planted: {},
			shows: 4
		}))
	},
	{
		name: 'ball, its metre is none',
		matter: 'gain',
		cases: inOrder(waySteps(ball, ways(0.3)), (i) => ({
			estimateGain: [1.06, 0.94, 1.08, 0.95, 0.92][i]!
		}))
	},
	{
		name: 'drone, the air carries it',
		matter: 'breeze',
		cases: inOrder(waySteps(drone, flights), (i) => ({
			breezeEast: [0.03, -0.02, 0.01, 0.025, -0.03][i]!,
			breezeNorth: [0.01, 0.03, -0.03, -0.02, 0.02][i]!
		}))
	},
	{
		name: 'drone, its metre is none',
		matter: 'gain',
		cases: inOrder(waySteps(drone, flights), (i) => ({ measure: [1.08, 0.92, 1.1, 0.93, 0.9][i]! }))
	},
	{
		name: 'drone, slow in changing its speed',
		matter: 'rolling',
		cases: five.map((i) => ({
			kind: drone,
			plan: planFor(
				drone,
				planOf([
					step('takeOff'),
					go(0.3),
					goFor(1 + 0.1 * i, 0.4, { then: 'goOn' }),
					i % 2 === 0 ? right(90) : step('go', { direction: 'left', distance: 0.5, speed: 0.4 }),
					go(0.5),
					step('land')
				])
			),
			course: floor,
			planted: { lag: [0.5, 0.6, 0.55, 0.65, 0.7][i]! },
			shows: 4
		}))
	},
	{
		name: 'rail car, rolls on',
		matter: 'coasting',
		cases: five.map((i) => ({
			kind: rail,
			plan: planFor(
				rail,
				planOf([
					go(0.4, 0.5),
					goFor(1 + 0.1 * i, 0.4 + 0.02 * i, { ending: 'coast', then: 'waitStill' }),
					wait(1)
				])
			),
			course: straightRail,
			planted: { drag: [0.04, 0.05, 0.035, 0.16, 0.2][i]! },
			shows: 2
		}))
	},
	{
		name: 'rail car, creeps through a curve',
		matter: 'curve',
		cases: five.map((i) => ({
			kind: rail,
			plan: planFor(rail, planOf([goFor(5 + 0.4 * i, 0.3 + 0.04 * i), wait(1), go(0.3)])),
			course: bentRail(0.4 + 0.05 * i),
			planted: { curveDrag: [0.12, 0.11, 0.12, 0.1, 0.115][i]! },
			shows: 1
		}))
	}
];
