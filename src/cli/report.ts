/** What `mission run` prints: see docs/formats/mission-runner.md. */
import type { Fitted } from '../core/fitting/fit';
import type { Foretold, NextTry } from '../core/fitting/foretell';
import type { Sentence } from '../core/sentence';
import { legsOf, type Attempt, type RecordedPose, type RobotRun } from '../core/simulation/attempt';
import { roundedValues, type Knob } from '../core/analysis/knobs';
import type { Nudged } from '../core/analysis/nudge';
import type { Spread } from '../core/analysis/spread';
import { numberSteps, type Plan } from '../core/plan/plan';
import { bearingOfHeading, degrees } from '../core/units/angles';

export function reportOf(attempt: Attempt, say: (sentence: Sentence) => string) {
	const { outcome, runs, source } = attempt;
	const [first, ...others] = runs.map((run) => reportOfRun(attempt, run));
	return {
		outcome: outcome.kind,
		reason: [outcome.reason, ...attempt.notes.map(({ sentence }) => sentence)].map(say).join(' '),
		seconds: toMillionths(outcome.seconds),
		reachedFinish: outcome.reachedFinish,
		lampPosts: outcome.lampPosts.map((post) => post.id),
		...(source.type === 'rehearsal' && { variation: source.variation, seed: source.seed }),
		log: attempt.log.map(({ time, stepId, value }) => ({
			time_s: toMillionths(time),
			stepId,
			value
		})),
		...first,
		...(others.length > 0 && { crew: [first, ...others] })
	};
}

/** What one robot did. */
function reportOfRun(attempt: Attempt, run: RobotRun) {
	const { trace } = run;
	const poseAt = (index: number): RecordedPose => ({
		x: trace.x.at(index)!,
		y: trace.y.at(index)!,
		heading: trace.heading.at(index)!
	});
	const heightAt = (index: number): number => toMillionths(trace.columns.height?.at(index) ?? 0);
	const start = poseAt(0);
	const end = poseAt(-1);
	return {
		robot: run.robot.name,
		bumps: run.bumps.length,
		pathLength_m: toMillionths(run.pathLength),
		closingError_m: toMillionths(Math.hypot(end.x - start.x, end.y - start.y)),
		start: place(start, { z_m: heightAt(0) }),
		end: place(end, { z_m: heightAt(-1) }),
		legs: legsOf(attempt, run).map((leg) => ({
			stepId: leg.stepId,
			kind: leg.kind,
			start_s: toMillionths(leg.start),
			end_s: toMillionths(leg.end),
			from: place(leg.from),
			to: place(leg.to),
			speedAtEnd_mps: toMillionths(leg.speedAtEnd)
		}))
	};
}

/** What `mission spread` prints. @param ms that it took */
export const spreadReport = ({ trials, successes, interval, ends }: Spread, ms: number) => ({
	trials: trials.length,
	reachedFinish: successes,
	successRate: toMillionths(successes / trials.length),
	/** Between which the true rate lies, with 95 of 100. */
	successInterval: interval.map(toMillionths),
	wallTime_s: toMillionths(ms / 1000),
	ends: ends.map(({ id, x, y, deviation, farthest, legs }) => ({
		robot: id,
		x_m: toMillionths(x),
		y_m: toMillionths(y),
		deviation_m: toMillionths(deviation),
		farthest_m: toMillionths(farthest),
		legs: legs.map(({ stepId, round, band, scatter, turned }) => ({
			stepId,
			round,
			x_m: toMillionths(band.x),
			y_m: toMillionths(band.y),
			scatter_m: toMillionths(scatter),
			turned_deg: toMillionths(degrees(turned))
		}))
	})),
	points: trials.map(({ seed, kind, seconds, ends }) => ({
		seed,
		outcome: kind,
		seconds: toMillionths(seconds),
		ends: ends.map(({ pose }) => [toMillionths(pose.x), toMillionths(pose.y)])
	}))
});

/** What `mission nudge` prints. */
export function nudgeReport(plan: Plan, knobs: readonly Knob[], found: Nudged) {
	const numbers = numberSteps(plan);
	const rounded = roundedValues(knobs, found.values);
	const of = (knob: Knob) => ({
		stepId: knob.step,
		number: numbers.get(knob.step),
		name: knob.name
	});
	return {
		isReached: found.isReached,
		miss: toMillionths(found.miss),
		...(found.atEnd && { atEnd: of(found.atEnd) }),
		values: knobs.map((knob, i) => ({
			...of(knob),
			before: knob.value,
			value: toMillionths(found.values[i]!),
			rounded: rounded[i]!
		})),
		end: found.end && place(found.end)
	};
}

const place = <T extends object>({ x, y, heading }: RecordedPose, more: T = {} as T) => ({
	x_m: toMillionths(x),
	y_m: toMillionths(y),
	...more,
	bearing_deg: toMillionths(bearingOfHeading(heading)) % 360
});

/** To a millionth: far finer than any robot, and without the noise of binary fractions. */
export const toMillionths = (number: number): number => Math.round(number * 1e6) / 1e6 + 0;

/** What a robot was found to be like; lengths in metres, angles in radians. */
export const fitReport = (
	{ found, runs }: Fitted,
	moves: readonly Foretold[],
	next: NextTry | undefined
) => ({
	parameters: Object.fromEntries(
		found.map(({ name, value, sigma, usualSigma }) => [name, { value, sigma, usualSigma }])
	),
	runs,
	moves,
	nextTry: next ?? null
});
