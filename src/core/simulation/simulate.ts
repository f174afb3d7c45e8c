/**
 * A rehearsal: (plan, course, robot, variation, seed) -> attempt. The same input gives the same
 * bytes. Time is virtual and goes in fixed ticks: first the chains run until each waits, then the
 * robot drives, the world moves it, its sensors read, and the recorder samples.
 */
import type { Course, LampPost } from '../course/course';
import { Interpreter } from '../interpreter/interpreter';
import { robotDocument, type RobotDocument } from '../robots/robot-document';
import type { Plan } from '../plan/plan';
import { Random } from '../random/random';
import { robotKindOf } from '../robots/kinds';
import type { Robot, Variation } from '../robots/robot';
import type { Sentence } from '../sentence';
import { headingOfBearing } from '../units/angles';
import { Floor } from '../world/floor';
import type { Pose } from '../world/contact';
import type { Attempt, Outcome, OutcomeKind } from './attempt';
import { Recorder } from './recorder';
import { bumpPause, defaultLimit, tick, tickRate } from './settings';

export interface Rehearsal {
	readonly plan: Plan;
	readonly course: Course;
	/** The plan's first robot, if not given. */
	readonly robot?: RobotDocument;
	readonly variation: Variation;
	readonly seed: number;
	/** Seconds of virtual time. */
	readonly limit?: number;
}

export function simulate(rehearsal: Rehearsal): Attempt {
	return new Simulation(rehearsal).run();
}

/** The robot a plan is for. */
export const robotOf = (plan: Plan): RobotDocument =>
	robotDocument(plan.robots[0]!.kind, plan.robots[0]!.name);

class Simulation {
	private readonly robotDocument: RobotDocument;
	private readonly robot: Robot;
	private readonly pose: Pose;
	private readonly floor: Floor;
	private readonly recorder: Recorder;
	private readonly interpreter: Interpreter;
	private readonly limitTicks: number;
	private readonly reached: { id: string; time: number }[] = [];
	private waitingPosts: readonly LampPost[];
	private tickNumber = 0;
	private pathLength = 0;
	private lastTouch = -Infinity;

	constructor(private readonly rehearsal: Rehearsal) {
		const { plan, course, variation, seed, limit } = rehearsal;
		this.robotDocument = rehearsal.robot ?? robotOf(plan);
		const { kind, name } = this.robotDocument;
		this.robot = robotKindOf(kind).build(name, variation, new Random(seed));
		this.pose = startPose(course, this.robot);
		this.floor = new Floor(course.walls, this.robot, this.pose);
		this.recorder = new Recorder(this.robot, this.pose);
		this.interpreter = new Interpreter(plan, this.robot, this.recorder);
		this.limitTicks = Math.round((limit ?? defaultLimit) * tickRate);
		this.waitingPosts = course.lampPosts;
		this.robot.onTone = (pitch, length) =>
			this.recorder.tones.push({ time: this.time, pitch, length });
	}

	private get time(): number {
		return this.tickNumber / tickRate;
	}

	run(): Attempt {
		const { recorder } = this;
		const ending = this.untilOver();
		recorder.keep(this.tickNumber);
		recorder.closeAll(this.time);
		return {
			robot: this.robotDocument,
			variation: this.rehearsal.variation,
			seed: this.rehearsal.seed,
			outcome: ending,
			trace: recorder.trace,
			spans: recorder.spans,
			bumps: recorder.bumps,
			tones: recorder.tones,
			notes: recorder.notes,
			pathLength: this.pathLength,
			ticks: this.tickNumber
		};
	}

	private untilOver(): Outcome {
		const { robot, floor, recorder, interpreter } = this;
		this.lightPosts();
		for (;;) {
			interpreter.tick(this.time);
			recorder.sample(this.tickNumber);
			if (interpreter.isOver && robot.isStill) return this.planOver();
			if (robot.isStalled) return this.stalled();
			if (this.tickNumber >= this.limitTicks) return this.outOfTime();
			robot.drive(this.time);
			floor.move();
			this.tickNumber += 1;
			this.pathLength += Math.abs(robot.speed) * tick;
			if (floor.isTouching) this.touch();
			if (this.waitingPosts.length > 0) this.lightPosts();
		}
	}

	private touch(): void {
		if (this.time - this.lastTouch > bumpPause) this.recorder.bumped(this.time);
		this.lastTouch = this.time;
	}

	private lightPosts(): void {
		const { pose, reached, time } = this;
		const lit = this.waitingPosts.filter(
			({ at, reach }) => (at[0] - pose.x) ** 2 + (at[1] - pose.y) ** 2 <= reach * reach
		);
		if (lit.length === 0) return;
		reached.push(...lit.map((post) => ({ id: post.id, time })));
		this.waitingPosts = this.waitingPosts.filter((post) => !lit.includes(post));
	}

	private planOver(): Outcome {
		const seconds = round(this.time);
		if (this.isInFinish()) {
			return this.outcome('finished', { key: 'outcome.finished', values: { seconds } });
		}
		const { finish } = this.rehearsal.course;
		const bump = this.recorder.bumps[0];
		if (!finish) return this.outcome('ended', { key: 'outcome.over', values: { seconds } });
		const distance = this.distanceTo(finish.at) - finish.radius;
		const key = bump?.number ? 'outcome.endedAfterBump' : 'outcome.ended';
		const values = { seconds, centimetres: Math.max(1, distance * 100), number: bump?.number ?? 0 };
		return this.outcome('ended', { key, values });
	}

	private stalled(): Outcome {
		const step = this.recorder.driving;
		const key = this.floor.isTouching ? 'outcome.stoppedByWall' : 'outcome.stoppedByItself';
		return this.outcome('halted', { key, values: { number: step?.number ?? 0 } });
	}

	private outOfTime(): Outcome {
		const step = this.recorder.innermost;
		const values = { seconds: this.limitTicks / tickRate, number: step?.number ?? 0 };
		const isBusy = this.recorder.notes.length > 0;
		return this.outcome('timeout', {
			key: isBusy ? 'outcome.timeoutBusy' : 'outcome.timeout',
			values
		});
	}

	private outcome(kind: OutcomeKind, reason: Sentence): Outcome {
		return {
			kind,
			reason,
			seconds: this.time,
			reachedFinish: this.isInFinish(),
			lampPosts: this.reached
		};
	}

	private isInFinish(): boolean {
		const { finish } = this.rehearsal.course;
		return finish !== null && this.distanceTo(finish.at) <= finish.radius;
	}

	private distanceTo([x, y]: readonly [number, number]): number {
		return Math.hypot(x - this.pose.x, y - this.pose.y);
	}
}

function startPose(course: Course, robot: Robot): Pose {
	const heading = headingOfBearing(course.start.bearing);
	const [ahead, left, turned] = robot.placing;
	const cos = Math.cos(heading);
	const sin = Math.sin(heading);
	return {
		x: course.start.at[0] + ahead * cos - left * sin,
		y: course.start.at[1] + ahead * sin + left * cos,
		heading: heading + turned
	};
}

const round = (seconds: number): number => Math.round(seconds * 10) / 10;
