/** What a fitted model says of ready moves, and which of them would make it surer of where a plan ends. */
import { Matrix } from 'ml-matrix';
import { handSigmas } from '../attempts/marks';
import type { Course } from '../course/course';
import type { Plan, PlanRobot } from '../plan/plan';
import { modelOf } from '../robots/models';
import type { ParameterValues } from '../robots/parameter';
import type { Variation } from '../robots/robot';
import { prepare, trial } from '../simulation/simulate';
import { parametersOf, type Fitted } from './fit';
import { MoveTrial, readyMoves, type ReadyMove } from './moves';
import { squared } from './marked-run';
import { usual, withChance } from './unknowns';

/** One ready move: what is told, what such robots usually make of it, and what this one does. */
export interface Foretold extends Pick<ReadyMove, 'name' | 'of' | 'meant'> {
	readonly usual: number;
	readonly found: number;
	/** Standard deviation of what was found. */
	readonly sigma: number;
}

type FittedModel = Pick<Fitted, 'found' | 'covariance'>;

/** Metres that an angle at the end of a plan counts for: so far it puts off what follows. */
const arm = 0.5;

/** How a figure changes with each parameter that was found. */
function slopesOf(
	{ found }: FittedModel,
	values: ParameterValues,
	figure: (values: ParameterValues) => number
): readonly number[] {
	const before = figure(values);
	return found.map(({ name, value, usualSigma }) => {
		const aside = usualSigma / 4;
		return (figure({ ...values, [name]: value + aside }) - before) / aside;
	});
}

const varianceOf = (covariance: Matrix, slopes: Matrix): number =>
	slopes.mmul(covariance).mmul(slopes.transpose()).get(0, 0);

const rowOf = (slopes: readonly number[]): Matrix => Matrix.rowVector([...slopes]);

/** Of each ready move that robots of this kind can do. */
export function foretell(
	fitted: FittedModel,
	robot: Pick<PlanRobot, 'kind' | 'settings'>,
	variation: Variation
): readonly Foretold[] {
	const still = usual(modelOf(robot.kind).parameters, variation);
	const values = { ...still, ...parametersOf(fitted) };
	const covariance = new Matrix(fitted.covariance.map((row) => [...row]));
	return readyMoves(robot).map((move) => {
		const tried = new MoveTrial(move);
		const figure = (of: ParameterValues) => tried.figure(of);
		const slopes = rowOf(slopesOf(fitted, values, figure));
		return {
			...{ name: move.name, of: move.of, meant: move.meant },
			usual: figure(still),
			found: figure(values),
			sigma: Math.sqrt(Math.max(0, varianceOf(covariance, slopes)))
		};
	});
}

export interface NextTry extends Pick<ReadyMove, 'name' | 'of' | 'meant'> {
	/** Metres by which the end of the plan is in doubt, root mean square: now, and after this move was measured. */
	readonly now: number;
	readonly then: number;
}

/** The ready move whose figure would narrow the end of a plan most; undefined where none would. */
export function nextTry(
	fitted: FittedModel,
	{
		plan,
		course,
		robot
	}: { readonly plan: Plan; readonly course: Course; readonly robot: PlanRobot },
	variation: Variation
): NextTry | undefined {
	const still = usual(modelOf(robot.kind).parameters, variation);
	const values = { ...still, ...parametersOf(fitted) };
	const covariance = new Matrix(fitted.covariance.map((row) => [...row]));
	const prepared = prepare({ plan, course, variation: 'classroom' });
	const endOf = (of: ParameterValues) =>
		trial(prepared, { seed: 1, parameters: { [robot.id]: of } }).ends.find(
			({ id }) => id === robot.id
		)!.pose;
	const ends = (['x', 'y', 'heading'] as const).map((axis) =>
		rowOf(slopesOf(fitted, values, (of) => endOf(of)[axis] * (axis === 'heading' ? arm : 1)))
	);
	const doubt = (of: Matrix): number =>
		Math.sqrt(ends.reduce((sum, slopes) => sum + Math.max(0, varianceOf(of, slopes)), 0));
	const now = doubt(covariance);
	const tries = readyMoves(robot).map((move): NextTry => {
		const tried = new MoveTrial(move);
		const slopes = rowOf(slopesOf(fitted, values, (of) => tried.figure(of)));
		const { tape, protractor } = handSigmas;
		const byHand = squared(move.of === 'turn' ? protractor : tape);
		const across = covariance.mmul(slopes.transpose());
		const all = varianceOf(covariance, slopes) + byHand + chanceOf(tried, robot, values, variation);
		const after = Matrix.sub(covariance, across.mmul(across.transpose()).mul(1 / all));
		return { ...{ name: move.name, of: move.of, meant: move.meant }, now, then: doubt(after) };
	});
	const best = tries.toSorted((a, b) => a.then - b.then)[0];
	return best && best.then < worth * now ? best : undefined;
}

/** A try that narrows the end by less than this part is not worth a word. */
const worth = 0.95;
/** Trials that show how much of a ready move is left to chance. */
const trialsOfChance = 8;

/** Variance that chance gives a ready move. */
function chanceOf(
	tried: MoveTrial,
	{ kind }: PlanRobot,
	values: ParameterValues,
	variation: Variation
): number {
	const { parameters } = modelOf(kind);
	const moved = withChance(values, parameters, variation);
	const figures = Array.from({ length: trialsOfChance }, (_, index) =>
		tried.figure(moved, index + 1)
	);
	const mean = figures.reduce((sum, figure) => sum + figure, 0) / figures.length;
	return figures.reduce((sum, figure) => sum + squared(figure - mean), 0) / (figures.length - 1);
}
