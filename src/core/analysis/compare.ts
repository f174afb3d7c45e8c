/** Two attempts beside each other: what their plans say, what each leg did, and where their ways part. */
import { isAlike } from '../alike';
import { isMove, legsIn, type Leg } from '../attempts/legs';
import * as exact from '../exact';
import { eachStep, numberSteps, type Plan, type Step } from '../plan/plan';
import { sizeOf } from '../reasons/reason';
import type { Attempt, RobotRun } from '../simulation/attempt';

/** One of the two. */
export interface Compared {
	readonly attempt: Attempt;
	readonly plan: Plan;
	/** The same plan on an ideal robot, against which legs are measured; null where nobody knows. */
	readonly intended: Attempt | null;
}

/** A pair of what the first and the second one have; undefined where one has none. */
export type Both<T> = readonly [T | undefined, T | undefined];

/** A step that one of them has, or that says something else in the other. */
export interface ComparedStep {
	readonly id: string;
	readonly is: 'changed' | 'came' | 'went';
	readonly steps: Both<Step>;
	readonly numbers: Both<number>;
}

export interface ComparedLeg {
	readonly stepId: string;
	readonly round: number;
	readonly numbers: Both<number>;
	/** Metres, without sign. */
	readonly length: Both<number>;
	readonly seconds: Both<number>;
	/** Metres by which it missed of its own; an angle as what it puts off half a metre further on. */
	readonly missed: Both<number>;
}

export interface Comparison {
	readonly steps: readonly ComparedStep[];
	readonly legs: readonly ComparedLeg[];
	readonly totals: readonly [AttemptTotals, AttemptTotals];
	/** Where the ways part first: metres, and seconds since Run of the first one; null where they do not. */
	readonly parting: { readonly x: number; readonly y: number; readonly time: number } | null;
}

export interface AttemptTotals {
	/** Metres of way, seconds, times that it ran into something, and steps of its plan. */
	readonly length: number;
	readonly seconds: number;
	readonly bumps: number;
	readonly steps: number;
	readonly reachedFinish: boolean;
	/** Metres from where it began to where it ended. */
	readonly apart: number;
}

/** Metres by which ways are apart before they are said to part. */
const seen = 0.03;

/** @param which robot of the first plan, and of the second: places in their order */
export function compareAttempts(
	both: readonly [Compared, Compared],
	which: readonly [number, number] = [0, 0]
): Comparison {
	const runs = both.map(({ attempt }, i) => attempt.runs[which[i]!] ?? attempt.runs[0]!);
	const [first, second] = runs as [RobotRun, RobotRun];
	const legs = both.map(({ attempt, intended }, i) =>
		legsIn(attempt, runs[i]!, intended).filter(isMove)
	) as [Leg[], Leg[]];
	return {
		steps: stepsOf(both[0].plan, both[1].plan),
		legs: legsOfBoth(...legs),
		totals: [totalsOf(both[0], first), totalsOf(both[1], second)],
		parting: partingOf(first, second)
	};
}

function totalsOf({ attempt, plan }: Compared, { trace: { x, y }, bumps, pathLength }: RobotRun) {
	const last = x.length - 1;
	return {
		length: pathLength,
		seconds: attempt.outcome.seconds,
		bumps: bumps.length,
		steps: numberSteps(plan).size,
		reachedFinish: attempt.outcome.reachedFinish,
		apart: exact.lengthOf(x[last]! - x[0]!, y[last]! - y[0]!)
	};
}

function stepsById({ chains }: Plan): Map<string, Step> {
	const steps = new Map<string, Step>();
	for (const chain of chains) eachStep(chain.steps, (step) => steps.set(step.id, step));
	return steps;
}

const saysSame = (a: Step, b: Step): boolean =>
	a.kind === b.kind && isAlike(a.values, b.values) && a.off === b.off;

/** In the order of the second plan; what went stands where it was in the first. */
function stepsOf(before: Plan, after: Plan): ComparedStep[] {
	const [old, now] = [stepsById(before), stepsById(after)];
	const [oldNumbers, newNumbers] = [numberSteps(before), numberSteps(after)];
	const all = [...new Set([...now.keys(), ...old.keys()])];
	return all.flatMap((id): ComparedStep[] => {
		const steps = [old.get(id), now.get(id)] as const;
		const [a, b] = steps;
		if (a && b && saysSame(a, b)) return [];
		const is = a && b ? 'changed' : b ? 'came' : 'went';
		return [{ id, is, steps, numbers: [oldNumbers.get(id), newNumbers.get(id)] }];
	});
}

const keyOf = ({ span, round }: Leg): string => `${span.stepId} ${round}`;

function legsOfBoth(first: readonly Leg[], second: readonly Leg[]): ComparedLeg[] {
	const later = new Map(second.map((leg) => [keyOf(leg), leg]));
	const known = new Set(first.map(keyOf));
	const pairs: Both<Leg>[] = [
		...first.map((leg) => [leg, later.get(keyOf(leg))] as const),
		...second.filter((leg) => !known.has(keyOf(leg))).map((leg) => [undefined, leg] as const)
	];
	return pairs.map((pair) => {
		const { span, round } = (pair[0] ?? pair[1])!;
		const of = <T>(figure: (leg: Leg) => T): Both<T> => [
			pair[0] && figure(pair[0]),
			pair[1] && figure(pair[1])
		];
		return {
			...{ stepId: span.stepId, round },
			numbers: of((leg) => leg.span.number),
			length: of(({ did }) => exact.lengthOf(did.ahead, did.left)),
			seconds: of(({ did }) => did.seconds),
			missed: of(({ added }) => (added ? sizeOf(added) : 0))
		};
	});
}

/** The first place of one way that the other one never comes near. */
function partingOf(first: RobotRun, { trace }: RobotRun): Comparison['parting'] {
	const others = placesOf(trace);
	const away = placesOf(first.trace).find(({ x, y }) =>
		others.every((other) => exact.lengthOf(x - other.x, y - other.y) > seen)
	);
	return away ?? null;
}

/** Places on a way, no nearer to each other than can be seen. */
function placesOf({ x, y, time }: RobotRun['trace']) {
	const places: { readonly x: number; readonly y: number; readonly time: number }[] = [];
	for (let i = 0; i < x.length; i++) {
		const before = places.at(-1);
		if (before && exact.lengthOf(x[i]! - before.x, y[i]! - before.y) < seen / 3) continue;
		places.push({ x: x[i]!, y: y[i]!, time: time[i]! });
	}
	return places;
}
