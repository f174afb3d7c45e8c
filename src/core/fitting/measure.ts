/** Moves measured by themselves: what a robot makes of one, by power; and as a run to which it is fitted. */
import { handSigmas } from '../attempts/marks';
import type { Plan, PlanRobot } from '../plan/plan';
import { missingOf } from '../robots/robot';
import { robotKindOf } from '../robots/kinds';
import { definitionOf, initialValues } from '../steps/catalogue';
import { needsOf } from '../steps/definition';
import { degrees, radians } from '../units/angles';
import { amounts, isOfTurn, measuredKinds, type Measure, type MeasuredKind } from './line';
import type { MarkedRun } from './marked-run';
import type { Attempt } from '../simulation/attempt';
import { goneOf, moveFloor, movePlan } from './moves';

/** Those that a robot of this kind can do. */
export function kindsFor({ kind }: Pick<PlanRobot, 'kind'>): readonly MeasuredKind[] {
	const robot = robotKindOf(kind);
	return measuredKinds.filter(
		(each) => !missingOf(robot, needsOf(definitionOf(each), initialValues(each)))
	);
}

type Told = Pick<Measure, 'kind' | 'speed' | 'amount'>;

/** The move alone. */
export function planOfMeasure(robot: PlanRobot, { kind, speed, amount }: Told): Plan {
	const own = { [amounts[kind]]: amount, ...(speed !== null && { speed }) };
	const values = { ...initialValues(kind), ...own };
	return movePlan(robot, definitionOf(kind).kind, [{ id: kind, kind, values }]);
}

/** As a run that was marked by its figure alone. @param robot of the plan, whatever its id there */
export function runOf(robot: PlanRobot, measure: Measure): MarkedRun {
	const isTurn = isOfTurn(measure);
	const { tape, protractor } = handSigmas;
	const own = { ...robot, id: 'robot1' };
	return {
		plan: planOfMeasure(own, measure),
		course: moveFloor(robotKindOf(robot.kind).isOnRail === true),
		robot: own.id,
		marks: [],
		measured: {
			of: isTurn ? 'turn' : 'length',
			// Such steps turn to the right, as they are told here.
			value: isTurn ? -radians(measure.value) : measure.value,
			sigma: isTurn ? protractor : tape
		},
		...(measure.battery !== null && { battery: measure.battery })
	};
}

/** What an attempt made of the move: metres, or degrees without sign. */
export function figureIn({ runs }: Attempt, kind: MeasuredKind): number {
	const { x, y, heading } = runs[0]!.trace;
	const poseAt = (i: number) => ({ x: x[i]!, y: y[i]!, heading: heading[i]! });
	const [from, to] = [poseAt(0), poseAt(x.length - 1)];
	return isOfTurn({ kind })
		? Math.abs(degrees(goneOf('turn', from, to)))
		: goneOf('length', from, to);
}
