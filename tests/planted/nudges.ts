/** Random nudges that can be reached, and some that cannot: how near they come, and in how long. */
import { legsIn, isMove } from '../../src/core/attempts/legs';
import { runnerOf } from '../../src/core/analysis/search';
import { knobsFor } from '../../src/core/analysis/knobs';
import {
	endIn,
	nudge,
	trialOf,
	type PullGoal,
	type Nudged,
	type Pull
} from '../../src/core/analysis/nudge';
import type { Course } from '../../src/core/course/course';
import type { Step } from '../../src/core/plan/plan';
import { Random } from '../../src/core/random/random';
import { isTurn } from '../../src/core/reasons/reason';
import { robotKindOf } from '../../src/core/robots/kinds';
import type { TrialSummary } from '../../src/core/simulation/attempt';
import { simulate } from '../../src/core/simulation/simulate';
import {
	courseOf,
	fullStep,
	go,
	left,
	planFor,
	planOf,
	repeat,
	right,
	step
} from '../../src/core/testing/sample';
import { wrapAngle } from '../../src/core/units/angles';

const floor = courseOf({ size: { width: 9, height: 9 }, starts: [{ at: [4.5, 4.5], bearing: 0 }] });
const onRail: Course = {
	...floor,
	starts: [{ at: [4.5, 1.5], bearing: 0 }],
	rails: [
		{ id: 'r', at: [4.5, 0.3], bearing: 0, isClosed: false, marks: [], pieces: [{ length: 8 }] }
	]
};

export interface NudgeTried {
	readonly kind: string;
	readonly isInLoop: boolean;
	readonly isHeading: boolean;
	readonly isReachable: boolean;
	readonly found: Nudged;
	/** Metres, or radians. */
	readonly miss: number;
	readonly ms: number;
	readonly trials: number;
}

const dice = (chance: Random, least: number, most: number, grain: number): number =>
	Number((Math.round(chance.between(least, most) / grain) * grain).toFixed(4));

function stepsFor(kind: string, chance: Random, isInLoop: boolean): Step[] {
	const timed = () =>
		fullStep('goFor', { duration: dice(chance, 1, 2, 0.1), speed: dice(chance, 0.3, 0.6, 0.05) });
	const spun = () =>
		fullStep('turnFor', {
			direction: chance.between(0, 1) < 0.5 ? 'left' : 'right',
			duration: dice(chance, 0.4, 1, 0.1)
		});
	const turned = () => (chance.between(0, 1) < 0.5 ? left : right)(dice(chance, 30, 120, 5));
	const gone = () => go(dice(chance, 0.25, 0.7, 0.01), dice(chance, 0.3, 0.5, 0.05));
	const legs = (count: number): Step[] => {
		const pair = (): Step[] => {
			if (kind === 'rail') return [chance.between(0, 1) < 0.5 ? gone() : timed()];
			if (kind === 'skiffLite' || kind === 'pinboard') return [timed(), spun()];
			return [gone(), turned()];
		};
		return Array.from({ length: count }, pair).flat();
	};
	const steps = isInLoop ? [repeat(2, legs(2)), ...legs(1)] : legs(3);
	return kind === 'drone' ? [step('takeOff'), ...steps] : steps;
}

export function tryNudges(count: number, first = 1): NudgeTried[] {
	const kinds = ['skiff', 'skiffLite', 'ball', 'drone', 'rail', 'pinboard'];
	const tried: NudgeTried[] = [];
	for (let seed = first; tried.length < count; seed++) {
		const one = tryOne(kinds[seed % kinds.length]!, seed, seed % 3 === 0);
		if (one) tried.push(one);
	}
	return tried;
}

function tryOne(kind: string, seed: number, isInLoop: boolean): NudgeTried | null {
	const chance = new Random(seed);
	const plan = planFor(robotKindOf(kind), planOf(stepsFor(kind, chance, isInLoop)));
	const course = kind === 'rail' ? onRail : floor;
	const rehearsal = { plan, course, variation: 'classroom' as const };
	const attempt = simulate({ ...rehearsal, seed });
	const run = attempt.runs[0]!;
	const intended = simulate({ plan, course, variation: 'ideal', seed: 1 });
	const legs = legsIn(attempt, run, intended).filter(isMove);
	const leg = legs[Math.floor(chance.between(1, legs.length))];
	const knobs = leg ? knobsFor(plan, legs, leg) : [];
	if (!leg || knobs.length === 0) return null;
	const runner = runnerOf(rehearsal);
	const { stepId } = leg.span;
	const pull = { knobs, robot: run.id, leg: { stepId, round: leg.round }, seed };
	const isHeading = isTurn(leg);
	// A goal that some other numbers reach; every sixth is out of reach.
	const isReachable = seed % 6 !== 0 || kind === 'rail';
	const others = knobs.map(({ value }) => value * (1 + chance.between(-0.25, 0.25)));
	const [summary] = runner([trialOf(pull as unknown as Pull, others)]) as TrialSummary[];
	const there = endIn(summary!, pull as unknown as Pull);
	if (!there) return null;
	const far = { x: 4.5 + 40, y: 4.5 + 40 };
	const goal: PullGoal = isHeading
		? { heading: there.heading }
		: isReachable
			? { x: there.x, y: there.y }
			: far;
	let trials = 0;
	const began = performance.now();
	const search = nudge({ ...pull, goal });
	let asked = search.next();
	while (!asked.done) {
		trials += asked.value.length;
		asked = search.next(runner(asked.value) as TrialSummary[]);
	}
	const ms = performance.now() - began;
	const found = asked.value;
	const { end } = found;
	const miss = !end
		? Infinity
		: 'heading' in goal
			? Math.abs(wrapAngle(end.heading - goal.heading))
			: Math.hypot(end.x - goal.x, end.y - goal.y);
	return {
		kind,
		isInLoop,
		isHeading,
		isReachable: isReachable || isHeading,
		found,
		miss,
		ms,
		trials
	};
}
