/**
 * Ready moves: what a robot of a kind can be asked to do to find out what it is like. Each has one figure
 * that a hand measures, with a tape or a protractor.
 */
import { makeCourse, type Course } from '../course/course';
import * as exact from '../exact';
import { makePlan, type Plan, type PlanRobot, type Step } from '../plan/plan';
import { likewise } from '../robots/instead';
import { robotKindOf } from '../robots/kinds';
import type { ParameterValues } from '../robots/parameter';
import { missingOf } from '../robots/robot';
import type { RecordedPose } from '../simulation/attempt';
import { prepare, trial, type Prepared } from '../simulation/simulate';
import { definitionOf, initialValues } from '../steps/catalogue';
import { needsOf } from '../steps/definition';
import type { Values } from '../steps/definition';

/** What is measured: metres from where it began, or radians that it has turned to the left. */
export type Measured = 'length' | 'turn';

export interface ReadyMove {
	readonly name: string;
	readonly of: Measured;
	/** What a robot without faults would do: metres, or radians to the left. */
	readonly meant: number;
	readonly plan: Plan;
	readonly course: Course;
}

/** Metres of floor to each side: no ready move goes further. */
const room = 3;

/** With a rail, for what goes on one. */
export function moveFloor(isOnRail: boolean): Course {
	const empty = makeCourse({
		name: 'floor',
		size: { width: 2 * room, height: 2 * room },
		starts: [{ at: [room, isOnRail ? room / 2 : room], bearing: 0 }]
	});
	if (!isOnRail) return empty;
	const pieces = [{ length: 2 * room - 0.6 }];
	return {
		...empty,
		rails: [{ id: 'rail', at: [room, 0.3], bearing: 0, isClosed: false, marks: [], pieces }]
	};
}

const named = (kind: string, values: Values): Step => ({
	id: kind,
	kind,
	values: { ...initialValues(kind), ...values }
});
const ahead = (speed: number, direction = 'forward') =>
	named('go', { direction, distance: 1, speed });
const turned = (direction: string, angle: number) => named('turn', { direction, angle });
const quarter = Math.PI / 2;

const moves: readonly (Pick<ReadyMove, 'name' | 'of' | 'meant'> & {
	readonly steps: readonly Step[];
})[] = [
	{ name: 'slow', of: 'length', meant: 1, steps: [ahead(0.25)] },
	{ name: 'fast', of: 'length', meant: 1, steps: [ahead(0.8)] },
	{ name: 'back', of: 'length', meant: 1, steps: [ahead(0.4, 'back')] },
	{ name: 'right', of: 'turn', meant: -quarter, steps: [turned('right', 90)] },
	{ name: 'left', of: 'turn', meant: quarter, steps: [turned('left', 90)] },
	{ name: 'straight', of: 'turn', meant: 0, steps: [ahead(0.4)] },
	{
		name: 'fourRight',
		of: 'turn',
		meant: -4 * quarter,
		steps: Array.from({ length: 4 }, () => turned('right', 90))
	},
	{
		name: 'fourLeft',
		of: 'turn',
		meant: 4 * quarter,
		steps: Array.from({ length: 4 }, () => turned('left', 90))
	},
	{
		name: 'thereAndBack',
		of: 'length',
		meant: 0,
		steps: [ahead(0.4), turned('right', 180), ahead(0.4)]
	}
];

/** Those that a robot of this kind can do, if need be by time. */
export function readyMoves({
	kind: kindName,
	settings
}: Pick<PlanRobot, 'kind' | 'settings'>): readonly ReadyMove[] {
	const kind = robotKindOf(kindName);
	const own = { id: 'robot1', kind: kindName, name: 'robot', settings };
	const able = (step: Step): readonly Step[] | undefined => {
		if (!missingOf(kind, needsOf(definitionOf(step.kind), step.values))) return [step];
		const others = likewise(kind, step);
		return others.length > 0 ? others.map((other) => ({ ...other, id: step.id })) : undefined;
	};
	return moves.flatMap(({ steps, ...move }): ReadyMove[] => {
		const all = steps.map(able);
		if (!all.every((each) => each !== undefined)) return [];
		const plan = movePlan(own, move.name, all.flat());
		return [{ ...move, plan, course: moveFloor(kind.isOnRail === true) }];
	});
}

/** Moves alone: what flies takes off before, and lands behind. */
export function movePlan(robot: PlanRobot, name: string, doing: readonly Step[]): Plan {
	const flies = !missingOf(robotKindOf(robot.kind), needsOf(definitionOf('takeOff'), {}));
	const whole = flies ? [named('takeOff', {}), ...doing, named('land', {})] : doing;
	const steps = whole.map((step, index) => ({ ...step, id: `${step.kind}${index}` }));
	const chain = { id: 'chain1', trigger: named('whenRunPressed', {}), steps };
	return makePlan({ name, robots: [robot], chains: [chain] });
}

/** How far it is from where it began, or how far it has turned: more than once around counts. */
export const goneOf = (of: Measured, from: RecordedPose, to: RecordedPose): number =>
	of === 'turn' ? to.heading - from.heading : exact.lengthOf(to.x - from.x, to.y - from.y);

/** What a model makes of a ready move. */
export class MoveTrial {
	private readonly prepared: Prepared;

	constructor(private readonly move: ReadyMove) {
		const { plan, course } = move;
		this.prepared = prepare({ plan, course, variation: 'classroom' });
	}

	/** Metres from the start mark, or radians to the left. @param seed of what is left to chance */
	figure(values: ParameterValues, seed = 1): number {
		const { of, course } = this.move;
		const [end] = trial(this.prepared, { seed, parameters: { robot1: values } }).ends;
		const [{ at }] = course.starts as [Course['starts'][number]];
		return goneOf(of, { x: at[0], y: at[1], heading: quarter }, end!.pose);
	}
}
