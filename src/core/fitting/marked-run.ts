/** One run of a robot of which a hand has marked where it really stood. */
import { CholeskyDecomposition, inverse, Matrix } from 'ml-matrix';
import type { After, Mark } from '../attempts/marks';
import type { Course } from '../course/course';
import type { Plan } from '../plan/plan';
import { robotKindOf } from '../robots/kinds';
import type { Parameters, ParameterValues } from '../robots/parameter';
import type { Variation } from '../robots/robot';
import { legsOf, type Attempt, type RecordedPose, type TrialSummary } from '../simulation/attempt';
import { prepare, trial, type Prepared, type Trial } from '../simulation/simulate';
import type { Touch } from '../simulation/touch';
import { headingOfBearing, wrapAngle } from '../units/angles';
import type { StartPlace } from '../world/start-places';
import { goneOf, type Measured } from './moves';
import { usual, withChance } from './unknowns';
import { dayOf } from './values-of';

export interface MarkedRun {
	readonly plan: Plan;
	readonly course: Course;
	readonly touches?: readonly Touch[] | undefined;
	/** Id in the plan of the robot that is looked at. */
	readonly robot: string;
	/** Those of that robot. */
	readonly marks: readonly Mark[];
	/** Its only move, measured by itself: metres from where it began, or that it rose, or radians to the left. */
	readonly measured?: {
		readonly of: Measured | 'height';
		readonly value: number;
		readonly sigma: number;
	};
	/** 0 to 1 at Run, where that is known. */
	readonly battery?: number | undefined;
	/** Its date, and what parts it in two: what is of the day is the same in all runs with this name. */
	readonly day?: string | undefined;
}

/** What an attempt of a robot was made from, and what a hand has marked in it. */
interface MarkedAttempt {
	readonly attempt: Attempt;
	/** When it was made, milliseconds since 1970. */
	readonly at: number;
	readonly plan: Plan;
	readonly course: Course;
	readonly touches?: readonly Touch[] | undefined;
	readonly marks: readonly Mark[];
}

/** Without what was marked after it ran into something: that tells more of walls than of the robot. */
export function markedRunOf(
	{ attempt, at, plan, course, touches, marks }: MarkedAttempt,
	robot: string
): MarkedRun {
	const run = attempt.runs.find(({ id }) => id === robot);
	const free = run?.bumps[0]?.time ?? Infinity;
	const ofOwn = marks.filter((mark) => {
		const { after } = mark;
		if (mark.robot !== robot || !run) return false;
		if (!after) return free === Infinity;
		const legs = legsOf(attempt, run).filter(({ stepId }) => stepId === after.stepId);
		return (legs[after.round - 1]?.end ?? Infinity) < free;
	});
	const battery = run?.trace.columns.battery?.[0];
	const isKnown = battery !== undefined && Number.isFinite(battery);
	const day = dayNamed(attempt, plan, robot, at);
	return { plan, course, touches, robot, marks: ofOwn, day, ...(isKnown && { battery }) };
}

/** Of a rehearsal none: its day is its own. Nor of whoever's front is hidden, unless it is known when it was lined up. */
function dayNamed({ source }: Attempt, plan: Plan, robot: string, at: number): string | undefined {
	if (source.type !== 'run') return undefined;
	const { linedUp } = source;
	if (linedUp !== undefined) return `${dayOf(at)} ${linedUp}`;
	const { kind } = plan.robots.find(({ id }) => id === robot)!;
	return robotKindOf(kind).isRound ? undefined : dayOf(at);
}

/** Trials that show how much of a place is left to chance. */
const trialsOfChance = 40;

/** One number that a hand marked. */
interface Figure {
	readonly after: After;
	readonly of: 'x' | 'y' | 'heading' | 'height' | Measured;
	readonly value: number;
	readonly sigma: number;
}

export const squared = (value: number): number => value * value;

/** No hand measures better. Metres, radians. */
const known = (sigma: number): number => Math.max(sigma, 0.001);

const figuresOf = ({ after, at, heading, sigma, headingSigma }: Mark): Figure[] => {
	const place: Figure[] = at
		? [
				{ after, of: 'x', value: at[0], sigma: known(sigma) },
				{ after, of: 'y', value: at[1], sigma: known(sigma) }
			]
		: [];
	if (heading === null) return place;
	return [...place, { after, of: 'heading', value: heading, sigma: known(headingSigma) }];
};

/** Where a trial has the robot at a mark; undefined where it never came that far. */
function poseAt(found: TrialSummary, robot: string, after: After): RecordedPose | undefined {
	const end = found.ends.find(({ id }) => id === robot);
	if (!after) return end?.pose;
	return end?.legs?.find(({ stepId, round }) => stepId === after.stepId && round === after.round)
		?.to;
}

/** What a model says of one run, beside what was marked there. */
export class RunFit {
	readonly figures: readonly Figure[];
	private readonly prepared: Prepared;
	private readonly start: RecordedPose;
	/** What was known of the day. */
	private readonly known: ParameterValues;
	/** By how much chance puts each figure off on average, and what makes all of them as sure as each other. */
	private usualChance: { readonly mean: readonly number[]; readonly scale: Matrix };

	constructor(
		private readonly run: MarkedRun,
		private readonly list: Parameters,
		private readonly variation: Variation
	) {
		const { plan, course, touches, marks, measured, battery, robot } = run;
		const alone: Figure[] = measured ? [{ ...measured, after: null }] : [];
		this.figures = [...marks.flatMap(figuresOf), ...alone];
		// What is not given of other robots is drawn from their names.
		const drawn = variation === 'worn' ? 'worn' : 'classroom';
		this.prepared = prepare({ plan, course, touches, variation: drawn });
		const [{ at, bearing }] = this.prepared.starts as [StartPlace];
		this.start = { x: at[0], y: at[1], heading: headingOfBearing(bearing) };
		const { settings } = plan.robots.find(({ id }) => id === robot)!;
		// What its charger says is not all that is in it.
		const isSaid = battery !== undefined && 'battery' in list && !('charge' in settings);
		this.known = isSaid ? { battery } : {};
		this.usualChance = this.chanceOf(usual(list, variation));
	}

	get day(): string | undefined {
		return this.run.day;
	}

	/** Chance is looked at anew, of a robot like this. */
	settle(values: ParameterValues): void {
		this.usualChance = this.chanceOf(values);
	}

	/** By how much each figure is off where the model has this robot, metres and radians. */
	private misses(values: ParameterValues, seed = 1): (number | undefined)[] {
		const { robot } = this.run;
		const own = { ...values, ...this.known };
		const found = trial(this.prepared, { seed, parameters: { [robot]: own }, hasLegs: true });
		return this.figures.map(({ after, of, value }) => {
			const pose = poseAt(found, robot, after);
			if (!pose) return undefined;
			if (of === 'heading') return wrapAngle(pose.heading - value);
			if (of === 'x' || of === 'y') return pose[of] - value;
			if (of === 'height') return this.risen({ seed, parameters: { [robot]: own } }) - value;
			return goneOf(of, this.start, pose) - value;
		});
	}

	/** Metres between the ends of its first step, which takes off, and its second. */
	private risen(how: Pick<Trial, 'seed' | 'parameters'>): number {
		const [off, up] = this.run.plan.chains[0]!.steps.map(({ id: step }) => {
			const found = trial(this.prepared, { ...how, until: { step, round: 1 } });
			return found.ends.find(({ id }) => id === this.run.robot)!.height;
		});
		return up! - off!;
	}

	/** @param like as if nothing were left to chance */
	private chanceOf(like: ParameterValues) {
		const { list, variation } = this;
		if (this.figures.length === 0) return { mean: [], scale: Matrix.zeros(0, 0) };
		const still = this.misses(like);
		const moved = withChance(like, list, variation);
		const apart = Array.from({ length: trialsOfChance }, (_, index) =>
			this.misses(moved, index + 1).map((miss, i) => {
				const from = still[i];
				if (miss === undefined || from === undefined) return 0;
				return this.figures[i]!.of === 'heading' ? wrapAngle(miss - from) : miss - from;
			})
		);
		const mean = this.figures.map(
			(_, i) => apart.reduce((sum, each) => sum + each[i]!, 0) / apart.length
		);
		const size = this.figures.length;
		const covariance = Matrix.zeros(size, size);
		for (let i = 0; i < size; i++)
			for (let j = 0; j < size; j++) {
				const shared = apart.reduce((sum, a) => sum + (a[i]! - mean[i]!) * (a[j]! - mean[j]!), 0);
				const byHand = i === j ? squared(this.figures[i]!.sigma) : 0;
				covariance.set(i, j, shared / (apart.length - 1) + byHand);
			}
		const scale = inverse(new CholeskyDecomposition(covariance).lowerTriangularMatrix);
		return { mean, scale };
	}

	/** The same in standard deviations, none of which says what another one does. */
	residuals(values: ParameterValues): readonly number[] {
		const { mean, scale } = this.usualChance;
		if (mean.length === 0) return [];
		const off = this.misses(values).map((miss, i) => (miss === undefined ? 0 : miss + mean[i]!));
		return scale.mmul(Matrix.columnVector(off)).to1DArray();
	}

	/** Metres by which the model is off at its marks, root mean square; null where no place is marked. */
	away(values: ParameterValues): number | null {
		const misses = this.misses(values);
		const squares = this.figures.flatMap(({ of }, i) =>
			of === 'x' || of === 'y' ? [squared(misses[i] ?? 0)] : []
		);
		if (squares.length === 0) return null;
		return Math.sqrt((2 * squares.reduce((sum, one) => sum + one, 0)) / squares.length);
	}
}
