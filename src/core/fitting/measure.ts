/** Moves measured by themselves: what a robot makes of one, by power; and as a run to which it is fitted. */
import { handSigmas } from '../attempts/marks';
import type { Plan, PlanRobot } from '../plan/plan';
import { missingOf } from '../robots/robot';
import { robotKindOf } from '../robots/kinds';
import { definitionOf, initialValues } from '../steps/catalogue';
import { needsOf } from '../steps/definition';
import { degrees, radians } from '../units/angles';
import { isOfTurn, measuredKinds, measuredMoves, type Measure, type MeasuredKind } from './line';
import type { MarkedRun } from './marked-run';
import type { Attempt } from '../simulation/attempt';
import { indexAt } from '../simulation/moment';
import { goneOf, moveFloor, movePlan } from './moves';

/** Those that a robot of this kind can do. */
export function kindsFor({ kind }: Pick<PlanRobot, 'kind'>): readonly MeasuredKind[] {
	const robot = robotKindOf(kind);
	const rolls = robot.isRound || robot.isOnRail;
	return measuredKinds.filter((each) => {
		const { step, values } = measuredMoves[each];
		const needs = needsOf(definitionOf(step), { ...initialValues(step), ...values });
		return !missingOf(robot, needs) && (each !== 'rollOut' || rolls);
	});
}

type Told = Pick<Measure, 'kind' | 'speed' | 'amount'>;

/** The move alone. */
export function planOfMeasure(robot: PlanRobot, { kind, speed, amount }: Told): Plan {
	const move = measuredMoves[kind];
	const own = { ...move.values, [move.amount]: amount, ...(speed !== null && { speed }) };
	const values = { ...initialValues(move.step), ...own };
	return movePlan(robot, kind, [{ id: kind, kind: move.step, values }]);
}

/** As a run that was marked by its figure alone. @param robot of the plan, whatever its id there */
export function runOf(robot: PlanRobot, measure: Measure): MarkedRun {
	const { tells } = measuredMoves[measure.kind];
	const isTurn = isOfTurn(measure);
	const { tape, protractor } = handSigmas;
	const own = { ...robot, id: 'robot1' };
	return {
		plan: planOfMeasure(own, measure),
		course: moveFloor(robotKindOf(robot.kind).isOnRail === true),
		robot: own.id,
		marks: [],
		measured: {
			of: tells,
			// Such steps turn to the right, as they are told here.
			value: isTurn ? -radians(measure.value) : measure.value,
			sigma: isTurn ? protractor : tape
		},
		...(measure.battery !== null && { battery: measure.battery })
	};
}

/** What an attempt made of the move: metres, or degrees without sign. */
export function figureIn({ runs, spans }: Attempt, kind: MeasuredKind): number {
	const { x, y, heading, time, columns } = runs[0]!.trace;
	if (measuredMoves[kind].tells === 'height') {
		const move = spans.find((span) => span.kind === measuredMoves[kind].step);
		const heightAt = (at: number) => columns.height?.[indexAt(time, at)] ?? 0;
		return move ? heightAt(move.end) - heightAt(move.start) : 0;
	}
	const poseAt = (i: number) => ({ x: x[i]!, y: y[i]!, heading: heading[i]! });
	const [from, to] = [poseAt(0), poseAt(x.length - 1)];
	return isOfTurn({ kind })
		? Math.abs(degrees(goneOf('turn', from, to)))
		: goneOf('length', from, to);
}
