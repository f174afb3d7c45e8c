/**
 * What one robot is like: the parameters with which its model ends where a hand marked the robot, held
 * back by how much such robots differ. What stays with the robot is the same in all of its runs, what is
 * of the day in those of one day, and the rest is another in each.
 * Source: K. Levenberg, Quart. Appl. Math. 2 (1944); D. Marquardt, SIAM J. Appl. Math. 11 (1963).
 */
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix } from 'ml-matrix';
import { modelOf } from '../robots/models';
import type { ParameterUnit, ParameterValues } from '../robots/parameter';
import type { Variation } from '../robots/robot';
import { RunFit, type MarkedRun } from './marked-run';
import { unknownsOf, usual, valuesAt, type Unknown } from './unknowns';

/** What was found of one parameter of the robot. */
export interface FoundValue {
	readonly name: string;
	readonly unit: ParameterUnit;
	/** It is so on the newest day of the runs, and may be another on the next. */
	readonly isOfDay?: true;
	readonly value: number;
	/** Standard deviations: of what was found, and of such robots, among whom nobody has looked. */
	readonly sigma: number;
	readonly usualSigma: number;
}

export interface Fitted {
	readonly found: readonly FoundValue[];
	/** How the found values hang together: covariances, in the order of `found`. */
	readonly covariance: readonly (readonly number[])[];
	/** The newest that its runs name. */
	readonly day?: string | undefined;
	/** Metres by which the model is off at the marks of each run: as usual, and as found; null where no place was marked. */
	readonly runs: readonly { readonly before: number | null; readonly after: number | null }[];
}

/** Steps of the search: it is as good as over by then. */
const steps = 8;
/** Standard deviations by which a parameter is changed to see what that does. */
const nudge = 0.2;

export interface Fitting {
	readonly kind: string;
	/** Of which robots this is one: how much they differ. */
	readonly variation: Variation;
	readonly runs: readonly MarkedRun[];
}

/**
 * @param onProgress told the part that is done, 0 to 1
 * @throws Error when there is no such kind
 */
export function fitRobot(
	{ kind, variation, runs }: Fitting,
	onProgress: (part: number) => void = () => {}
): Fitted {
	const list = modelOf(kind).parameters;
	const unknowns = unknownsOf(list, variation);
	const still = usual(list, variation);
	const fits = runs.map((run) => new RunFit(run, list, variation));
	const search = new Search(unknowns, fits, still, onProgress);
	const first = search.find();
	// Chance at a wall, or at another speed, is another one than the usual robot's.
	fits.forEach((run, index) => run.settle(search.valuesOf(first, index)));
	const at = search.find(first);
	const covariance = search.covarianceAt(at);
	const own = search.kept;
	const found = own.map(([{ name, of, mean, sigma }, i]) => ({
		name,
		unit: list[name]!.unit,
		...(of === 'day' && { isOfDay: true as const }),
		value: mean + sigma * at[i]!,
		sigma: sigma * Math.sqrt(covariance.get(i, i)),
		usualSigma: sigma
	}));
	return {
		found,
		day: search.newest,
		covariance: own.map(([a, i]) => own.map(([b, j]) => a.sigma * b.sigma * covariance.get(i, j))),
		runs: fits.map((run, index) => ({
			before: run.away(still),
			after: run.away(search.valuesOf(at, index))
		}))
	};
}

/**
 * How well each run agrees with what is known of the robot: by how many standard deviations its worst
 * figure is off, with the day as it fits best.
 */
export function agreement(
	{ kind, variation, runs }: Fitting,
	known: ParameterValues
): readonly number[] {
	const list = modelOf(kind).parameters;
	const free = unknownsOf(list, variation).filter(({ of }) => of !== 'robot');
	const still = { ...usual(list, variation), ...known };
	return runs.map((run) => {
		const only = new RunFit(run, list, variation);
		only.settle(still);
		const search = new Search(free, [only], still);
		const off = only.residuals(search.valuesOf(search.find(), 0));
		return Math.max(0, ...off.map(Math.abs));
	});
}

/** Where residuals are least, over the unknowns of the robot, of each day and of each run. */
class Search {
	/** All that is looked for, and which of them each run knows. */
	private readonly all: readonly Unknown[];
	private readonly known: readonly (readonly number[])[];
	/** Those that a later run shares, each with its place: of the robot, and of the newest day. */
	readonly kept: readonly (readonly [Unknown, number])[];
	/** The last day of those that runs name. */
	readonly newest: string | undefined;
	private readonly offsets: readonly number[];
	private readonly rows: number;
	private looked = 0;

	constructor(
		unknowns: readonly Unknown[],
		private readonly fits: readonly RunFit[],
		private readonly still: ParameterValues,
		private readonly onProgress: (part: number) => void = () => {}
	) {
		const all = unknowns.filter(({ of }) => of === 'robot');
		const places = new Map(all.map(({ name }, place) => [name, place]));
		const placeOf = (unknown: Unknown, run: number): number => {
			const { name, of } = unknown;
			const day = fits[run]!.day;
			const ofDay = of === 'day' && day !== undefined ? `${name} on ${day}` : `${name} in ${run}`;
			const key = of === 'robot' ? name : ofDay;
			const place = places.get(key) ?? all.push(unknown) - 1;
			places.set(key, place);
			return place;
		};
		this.known = fits.map((_, run) => unknowns.map((each) => placeOf(each, run)));
		this.all = all;
		this.newest = fits
			.flatMap(({ day }) => day ?? [])
			.toSorted()
			.at(-1);
		this.kept = [...places].flatMap(([key, place]) => {
			const unknown = all[place]!;
			const isKept = unknown.of === 'robot' || key === `${unknown.name} on ${this.newest}`;
			return isKept ? [[unknown, place] as const] : [];
		});
		let rows = 0;
		this.offsets = fits.map(({ figures }) => (rows += figures.length) - figures.length);
		this.rows = rows;
	}

	valuesOf(at: readonly number[], run: number): ParameterValues {
		const known = this.known[run]!;
		const unknowns = known.map((place) => this.all[place]!);
		return { ...this.still, ...valuesAt(unknowns, (index) => at[known[index]!]!) };
	}

	/** Of all runs; then how far each unknown is from what is usual. */
	private residuals(at: readonly number[]): readonly number[] {
		const ofRuns = this.fits.flatMap((run, index) => run.residuals(this.valuesOf(at, index)));
		return [...ofRuns, ...at];
	}

	/** How each residual changes with each unknown: no run knows those of another. */
	private slopes(at: readonly number[]): Matrix {
		const { rows, fits, offsets } = this;
		const size = this.all.length;
		const slopes = Matrix.zeros(rows + size, size);
		fits.forEach((run, index) => {
			const before = run.residuals(this.valuesOf(at, index));
			for (const unknown of this.known[index]!) {
				const aside = at.map((value, i) => (i === unknown ? value + nudge : value));
				run.residuals(this.valuesOf(aside, index)).forEach((after, row) => {
					slopes.set(offsets[index]! + row, unknown, (after - before[row]!) / nudge);
				});
			}
		});
		for (let unknown = 0; unknown < size; unknown++) slopes.set(rows + unknown, unknown, 1);
		this.looked += 1;
		this.onProgress(Math.min(1, this.looked / (2 * steps + 1)));
		return slopes;
	}

	/** @param from where it is looked for first */
	find(from?: readonly number[]): readonly number[] {
		const ranges = this.all.map(({ range }) => range);
		const x = Array.from({ length: this.rows + ranges.length }, (_, index) => index);
		const { parameterValues } = levenbergMarquardt(
			{ x, y: x.map(() => 0) },
			(at) => {
				const residuals = this.residuals(at);
				return (index) => residuals[index]!;
			},
			{
				initialValues: ranges.map((_, index) => from?.[index] ?? 0),
				minValues: ranges.map(([least]) => least),
				maxValues: ranges.map(([, most]) => most),
				maxIterations: steps,
				jacobianFunction: (at) => {
					const slopes = this.slopes(at);
					return (index) => slopes.getRow(index);
				}
			}
		);
		return parameterValues;
	}

	/** From how the residuals bend there. */
	covarianceAt(at: readonly number[]): Matrix {
		const slopes = this.slopes(at);
		return inverse(slopes.transpose().mmul(slopes));
	}
}

/** What it is like, for whoever rehearses: all that stays with the robot. */
export const parametersOf = ({ found }: Pick<Fitted, 'found'>): ParameterValues =>
	Object.fromEntries(found.map(({ name, value }) => [name, value]));
