/** Robots with nothing wrong, their plans, and the floors they are on. */
import {
	courseOf,
	fullStep,
	go,
	left,
	planFor,
	planOf,
	repeat,
	right,
	step,
	wait,
	wall
} from '../../src/core/testing/sample';
import type { Course } from '../../src/core/course/course';
import { makePlan, planRobot, type Plan, type Step } from '../../src/core/plan/plan';
import { ball } from '../../src/core/robots/ball';
import { drone } from '../../src/core/robots/drone';
import { railCar as rail } from '../../src/core/robots/rail';
import type { RobotKind } from '../../src/core/robots/robot';
import { sampleRobot } from '../../src/core/robots/robot-document';
import { skiff } from '../../src/core/robots/skiff';

export interface Sound {
	readonly kind: RobotKind;
	readonly plan: Plan;
	readonly course: Course;
}

export const five = [0, 1, 2, 3, 4] as const;
export const floor = courseOf({
	size: { width: 8, height: 8 },
	starts: [{ at: [4, 4], bearing: 0 }]
});

// --- plans ---

/** Ways with straights and turns to both sides. @param speed of the straights */
export const ways = (speed = 0.4): readonly Step[][] => [
	[repeat(4, [go(0.5, speed), right(90)])],
	[go(0.6, speed), right(60), go(0.5, speed), left(120), go(0.7, speed), right(60), go(0.4, speed)],
	[go(0.8, speed), right(180), go(0.8, speed), left(180), go(0.3, speed)],
	[repeat(3, [go(0.45, speed), left(120)]), go(0.45, speed), right(45), go(0.6, speed)],
	[
		go(0.4, speed),
		left(45),
		go(0.5, speed),
		right(90),
		go(0.6, speed),
		left(90),
		go(0.5, speed),
		right(45),
		go(0.3, speed)
	]
];

export const flights = ways(0.5).map((steps) => [step('takeOff'), ...steps, step('land')]);

export const waySteps = (
	kind: RobotKind,
	of: readonly Step[][],
	course = floor
): readonly Sound[] => of.map((steps) => ({ kind, course, plan: planFor(kind, planOf(steps)) }));

export const goFor = (duration: number, speed: number, more = {}): Step =>
	fullStep('goFor', { duration, speed, ...more });

export const byTime = (speed: number, duration: number): readonly Step[][] => [
	[goFor(duration, speed), right(90), goFor(duration, speed)],
	[goFor(duration * 1.2, speed), left(120), go(0.3), goFor(duration, speed)],
	[go(0.4), goFor(duration, speed), right(45), goFor(duration * 1.3, speed)],
	[repeat(3, [goFor(duration, speed), left(90)])],
	[goFor(duration * 1.1, speed), right(180), goFor(duration * 1.1, speed)]
];

export const onRail = (pieces: Course['rails'][number]['pieces']): Course => ({
	...floor,
	starts: [{ at: [4, 1.5], bearing: 0 }],
	rails: [{ id: 'r', at: [4, 1], bearing: 0, isClosed: false, marks: [], pieces }]
});
export const straightRail = onRail([{ length: 5 }]);
export const bentRail = (radius: number) =>
	onRail([{ length: 1 }, { radius, angle: 150 }, { length: 1.5 }]);

export const sideBySide = (own: readonly Step[], other: readonly Step[]): Plan =>
	makePlan({
		name: 'Two at the quay',
		robots: [
			planRobot(sampleRobot(skiff)),
			planRobot({ ...sampleRobot(skiff), name: 'Ember' }, [planRobot(sampleRobot(skiff))])
		],
		chains: [
			{ id: 'own', trigger: step('whenRunPressed'), steps: [...own] },
			{ id: 'other', robot: 'robot2', trigger: step('whenRunPressed'), steps: [...other] }
		]
	});

const nearer = (metres: number) => ({
	condition: { expression: `distanceAhead < ${metres * 100}*cm` }
});
/** Goes on until a wall is near, and turns there. */
export const towardsWall = (i: number): Plan =>
	planFor(
		skiff,
		planOf([
			go(0.2 + 0.05 * i),
			fullStep('start', { speed: 0.3 + 0.05 * i }),
			fullStep('waitUntil', nearer(0.25)),
			fullStep('stop'),
			right(90),
			go(0.3)
		])
	);
/** The same for whom the wall is as near as this when it seems 25 cm away. */
export const withEye = (plan: Plan, metres: number): Plan => ({
	...plan,
	chains: plan.chains.map((chain) => ({
		...chain,
		steps: chain.steps.map((each) =>
			each.kind === 'waitUntil' ? { ...each, values: nearer(metres) } : each
		)
	}))
});
export const seenWall: Course = { ...floor, walls: [wall([3, 5.5], [5, 5.5])] };

const railWays: readonly Step[][] = [
	[go(1), wait(1), go(-0.6)],
	[go(0.5, 0.6), wait(0.5), go(1)],
	[goFor(3, 0.4), wait(1), go(-0.4)],
	[repeat(3, [go(0.4), wait(0.5)])],
	[go(1.5, 0.7), wait(1), go(-1, 0.5)]
];

export const sound: readonly Sound[] = [
	...waySteps(skiff, ways()),
	...waySteps(skiff, ways(0.7)),
	...waySteps(skiff, byTime(0.5, 1.5)),
	...waySteps(ball, ways(0.25)),
	...waySteps(ball, ways(0.4)),
	...waySteps(drone, flights),
	...waySteps(rail, railWays, straightRail),
	...waySteps(rail, railWays, bentRail(0.6)),
	...five.map((i) => ({ kind: skiff, plan: towardsWall(i), course: seenWall }))
];
