/** Short ways to write plans and courses in code: for the demo data, tests and benchmarks. */
import { makeCourse, type Course, type Wall } from '../course/course';
import { makePlan, planRobot, type Chain, type Plan, type Step } from '../plan/plan';
import type { RobotKind } from '../robots/robot';
import { sampleRobot } from '../robots/robot-document';
import { skiff } from '../robots/skiff';
import { initialValues } from '../steps/catalogue';
import type { Values } from '../steps/definition';

let count = 0;
const nextId = () => `s${(count += 1)}`;

export const step = (kind: string, values: Values = {}, body?: Step[]): Step => ({
	id: nextId(),
	kind,
	values,
	...(body ? { body } : {})
});

/** The same with all values that its kind begins with. */
export const fullStep = (kind: string, values: Values = {}): Step =>
	step(kind, { ...initialValues(kind), ...values });

export const go = (distance: number, speed = 0.4): Step =>
	step('go', { direction: distance < 0 ? 'back' : 'forward', distance: Math.abs(distance), speed });

export const right = (angle: number): Step => step('turn', { direction: 'right', angle });
export const left = (angle: number): Step => step('turn', { direction: 'left', angle });
export const lamp = (colour: string): Step => step('lamp', { colour, side: 'both', brightness: 1 });
export const tone = (pitch: number, length: number): Step =>
	step('tone', { pitch, length, then: 'wait' });
export const wait = (duration: number): Step => step('wait', { duration });
export const repeat = (times: number, body: Step[]): Step => step('repeat', { times }, body);

export const call = (routine: string): Step => step('call', { routine });
export const together = (...sides: Step[][]): Step =>
	step(
		'together',
		{},
		sides.map((steps) => step('side', {}, steps))
	);
export const routine = (name: string, steps: Step[]): Chain => ({
	id: name,
	trigger: step('routine', { name, inputs: '' }),
	steps
});
/** Routines r0 to r22, each of which calls the next one twice at the same time, so that they double. */
export const doubling = (last: Step[]): Chain[] => [
	...Array.from({ length: 22 }, (_, i) =>
		routine(`r${i}`, [together([call(`r${i + 1}`)], [call(`r${i + 1}`)])])
	),
	routine('r22', last)
];
/** Rounds that end long after any rehearsal. */
export const spin = (...body: Step[]): Step => repeat(1000, [repeat(1000, [repeat(1000, body)])]);

export const trigger = (): Step => step('whenRunPressed');

/** A plan for the sample Skiff with one lit chain of these steps. */
export const planOf = (steps: readonly Step[], name = 'Quay there and back'): Plan =>
	makePlan({
		name,
		robots: [planRobot(sampleRobot(skiff))],
		chains: [{ id: nextId(), trigger: trigger(), steps }]
	});

/** The same plan for a robot of another kind. */
export const planFor = (kind: RobotKind, plan: Plan): Plan => ({
	...plan,
	robots: [planRobot(sampleRobot(kind))]
});

export const withChains = (steps: readonly Step[], ...chains: Chain[]): Plan => {
	const plan = planOf(steps);
	return { ...plan, chains: [...plan.chains, ...chains] };
};

/** Places written as a drawing does: `0.2,0.2 0.2,0.8`. */
export const points = (stated: string): [number, number][] =>
	stated.split(' ').map((each) => each.split(',').map(Number) as [number, number]);

export const wall = (from: [number, number], to: [number, number], thickness = 0.02): Wall => ({
	id: nextId(),
	from,
	to,
	thickness
});

/** An empty floor of 2 m by 1.5 m with the start near its south-west corner, front to the north. */
export const courseOf = (changes: Partial<Course> = {}): Course =>
	makeCourse({
		name: 'Open quay',
		size: { width: 2, height: 1.5 },
		starts: [{ at: [0.4, 0.4], bearing: 0 }],
		...changes
	});

/** A plan of 1,000 steps, in twenty loops that are nested ten deep. */
export function deepPlan(): Plan {
	const level = (depth: number): Step =>
		repeat(2, [
			go(0.2),
			right(90),
			lamp('#38d39f'),
			wait(0.1),
			...(depth < 10 ? [level(depth + 1)] : [])
		]);
	return planOf(Array.from({ length: 20 }, () => level(1)));
}
