/** What `mission run` prints: see docs/formats/mission-runner.md. */
import type { Sentence } from '../core/sentence';
import { legsOf, type Attempt, type RecordedPose, type RobotRun } from '../core/simulation/attempt';
import type { Spread } from '../core/analysis/spread';
import { bearingOfHeading } from '../core/units/angles';

export function reportOf(attempt: Attempt, say: (sentence: Sentence) => string) {
	const { outcome, runs, source } = attempt;
	const [first, ...others] = runs.map((run) => reportOfRun(attempt, run));
	return {
		outcome: outcome.kind,
		reason: [outcome.reason, ...attempt.notes.map(({ sentence }) => sentence)].map(say).join(' '),
		seconds: tidy(outcome.seconds),
		reachedFinish: outcome.reachedFinish,
		lampPosts: outcome.lampPosts.map((post) => post.id),
		...(source.type === 'rehearsal' && { variation: source.variation, seed: source.seed }),
		log: attempt.log.map(({ time, stepId, value }) => ({ time_s: tidy(time), stepId, value })),
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
	const heightAt = (index: number): number => tidy(trace.columns.height?.at(index) ?? 0);
	const start = poseAt(0);
	const end = poseAt(-1);
	return {
		robot: run.robot.name,
		bumps: run.bumps.length,
		pathLength_m: tidy(run.pathLength),
		closingError_m: tidy(Math.hypot(end.x - start.x, end.y - start.y)),
		start: place(start, { z_m: heightAt(0) }),
		end: place(end, { z_m: heightAt(-1) }),
		legs: legsOf(attempt, run).map((leg) => ({
			stepId: leg.stepId,
			kind: leg.kind,
			start_s: tidy(leg.start),
			end_s: tidy(leg.end),
			from: place(leg.from),
			to: place(leg.to),
			speedAtEnd_mps: tidy(leg.speedAtEnd)
		}))
	};
}

/** What `mission spread` prints. @param ms that it took */
export const spreadReport = ({ trials, successes, ends }: Spread, ms: number) => ({
	trials: trials.length,
	reachedFinish: successes,
	successRate: tidy(successes / trials.length),
	wallTime_s: tidy(ms / 1000),
	ends: ends.map(({ id, x, y, deviation, farthest }) => ({
		robot: id,
		x_m: tidy(x),
		y_m: tidy(y),
		deviation_m: tidy(deviation),
		farthest_m: tidy(farthest)
	})),
	points: trials.map(({ seed, kind, seconds, ends }) => ({
		seed,
		outcome: kind,
		seconds: tidy(seconds),
		ends: ends.map(({ pose }) => [tidy(pose.x), tidy(pose.y)])
	}))
});

const place = <T extends object>({ x, y, heading }: RecordedPose, more: T = {} as T) => ({
	x_m: tidy(x),
	y_m: tidy(y),
	...more,
	bearing_deg: tidy(bearingOfHeading(heading)) % 360
});

/** To a millionth: far finer than any robot, and without the noise of binary fractions. */
const tidy = (number: number): number => Math.round(number * 1e6) / 1e6 + 0;
