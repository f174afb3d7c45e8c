/**
 * A rehearsal: (plan, course, robot, variation, seed) -> attempt. The same input gives the same
 * bytes. Time is virtual and goes in fixed ticks: first the chains run until each waits, then the
 * robot drives, the world moves it, its sensors read, and the journal samples.
 */
import * as exact from '../exact';
import type { Course, LampPost } from '../course/course';
import { ownReadings } from '../expressions/vocabulary';
import { Interpreter } from '../interpreter/interpreter';
import { compile } from '../interpreter/program';
import type { Signals } from '../steps/signals';
import { robotDocument, type RobotDocument } from '../robots/robot-document';
import type { Plan } from '../plan/plan';
import { Random } from '../random/random';
import { robotKindOf } from '../robots/kinds';
import type { Machine } from '../robots/machine';
import { readingsOf, type Variation } from '../robots/robot';
import type { Sentence } from '../sentence';
import { headingOfBearing } from '../units/angles';
import { StandingCrate } from '../world/crates';
import { Floor } from '../world/floor';
import { Scene } from '../world/scene';
import type { Pose } from '../world/pose';
import type { Attempt, Outcome, OutcomeKind } from './attempt';
import { CrateWriter } from './crate-writer';
import { Journal } from './journal';
import { TraceWriter } from './trace-writer';
import { tick, tickRate } from '../time';
import {
	bumpHold,
	bumpPause,
	defaultLimit,
	progressTicks,
	contactsPerTick,
	touchHold
} from './settings';

export interface Rehearsal {
	readonly plan: Plan;
	readonly course: Course;
	/** The plan's first robot, if not given. */
	readonly robot?: RobotDocument | undefined;
	readonly variation: Variation;
	readonly seed: number;
	/** Seconds of virtual time. */
	readonly limit?: number | undefined;
	/** Seconds since Run at which a hand touches the robot. */
	readonly touches?: readonly number[] | undefined;
	/** The id of the one chain to run, as if Run were pressed for it. */
	readonly only?: string | undefined;
	/** Also records what those sensors say that the plan does not read, for a person who watches. */
	readonly isWatched?: boolean | undefined;
}

/** @param onProgress told now and then how many seconds of virtual time have passed */
export function simulate(
	rehearsal: Rehearsal,
	onProgress: (seconds: number) => void = () => {}
): Attempt {
	return new Simulation(rehearsal, onProgress).run();
}

/** The robot a plan is for. */
export const robotOf = (plan: Plan): RobotDocument => robotDocument(plan.robots[0]!);

/** Seeds of sensors, and of what a plan throws dice for, stand apart from that of the drive. */
const sensorSeed = 0x5ea;
const diceSeed = 0xd1ce;
const displaySeed = 0xd15b;

class Simulation {
	private readonly robotDocument: RobotDocument;
	private readonly robot: Machine;
	private readonly pose: Pose;
	private readonly crates: readonly StandingCrate[];
	private readonly scene: Scene;
	private readonly floor: Floor;
	private readonly journal: Journal;
	private readonly writer: TraceWriter;
	private readonly crateWriter: CrateWriter;
	private readonly interpreter: Interpreter;
	private readonly limitTicks: number;
	private readonly limitWork: number;
	private readonly touches: readonly number[];
	private touched = 0;
	private readonly isOnTable: boolean;
	private readonly reached: { id: string; time: number }[] = [];
	/** One object for all ticks. */
	private readonly signals: Signals = {
		time: 0,
		bumps: 0,
		touches: 0,
		isEdgeAhead: false,
		lampPosts: this.reached,
		messages: new Set()
	};
	private waitingPosts: readonly LampPost[];
	private tickNumber = 0;
	private pathLength = 0;
	private lastTouch = -Infinity;
	private hasStopped = false;

	constructor(
		private readonly rehearsal: Rehearsal,
		private readonly onProgress: (seconds: number) => void
	) {
		const { plan, course, variation, seed, limit, only } = rehearsal;
		this.robotDocument = rehearsal.robot ?? robotOf(plan);
		const { kind, name, settings } = this.robotDocument;
		const { at, bearing } = course.starts[0]!;
		const robotKind = robotKindOf(kind);
		const heading = headingOfBearing(bearing);
		this.pose = { x: at[0], y: at[1], heading };
		this.crates = course.crates.map((crate) => new StandingCrate(crate));
		this.scene = new Scene(course, this.pose, this.crates);
		this.robot = robotKind.build({
			name,
			settings,
			variation,
			heading,
			chance: new Random(seed),
			sensorChance: new Random(seed ^ sensorSeed),
			displayChance: new Random(seed ^ displaySeed),
			surroundings: this.scene
		});
		setDown(this.pose, this.robot.placing);
		this.floor = new Floor(course.walls, this.crates, this.robot, this.pose);
		const dice = new Random(seed ^ diceSeed);
		const program = compile(plan, robotKind, only);
		const unread = readingsOf(robotKind).filter((reading) => !program.readings.has(reading));
		this.journal = new Journal(this.robot, this.pose);
		this.crateWriter = new CrateWriter(this.crates);
		this.interpreter = new Interpreter({
			program,
			port: this.robot,
			observer: this.journal,
			chance: () => dice.between(0, 1),
			limit: limit ?? defaultLimit
		});
		const { interpreter } = this;
		this.writer = new TraceWriter(this.robot, this.pose, robotKind.columns, {
			read: [...program.readings],
			readNow: (reading) => interpreter.read(reading),
			shown: rehearsal.isWatched ? unread : [],
			showNow: (reading) =>
				Object.hasOwn(ownReadings, reading)
					? interpreter.read(reading)
					: this.robot.display(reading)
		});
		this.limitTicks = Math.round((limit ?? defaultLimit) * tickRate);
		this.limitWork = Math.max(this.limitTicks, defaultLimit * tickRate) * contactsPerTick;
		this.waitingPosts = course.lampPosts;
		this.isOnTable = course.table !== null;
		this.touches = (rehearsal.touches ?? []).toSorted((a, b) => a - b);
		this.robot.onPlay = (notes, volume) => this.journal.played(this.time, notes, volume);
	}

	private get time(): number {
		return this.tickNumber / tickRate;
	}

	run(): Attempt {
		const { journal, writer } = this;
		const ending = this.untilOver();
		if (writer.keep(this.tickNumber)) this.crateWriter.keep(this.time);
		journal.closeAll(this.time);
		return {
			robot: this.robotDocument,
			variation: this.rehearsal.variation,
			seed: this.rehearsal.seed,
			outcome: ending,
			trace: writer.trace,
			sensed: writer.sensed,
			unread: writer.unread,
			crates: this.crateWriter.traces,
			log: journal.log,
			spans: journal.spans,
			bumps: journal.bumps,
			tones: journal.tones,
			notes: journal.notes,
			pathLength: this.pathLength,
			ticks: this.tickNumber
		};
	}

	private untilOver(): Outcome {
		const { robot, floor, writer, scene, pose } = this;
		this.lightPosts();
		for (;;) {
			this.runChains();
			if (writer.sample(this.tickNumber)) this.crateWriter.keep(this.time);
			if (this.interpreter.budget.left <= 0) return this.usedUp();
			if (floor.work > this.limitWork) return this.crowded();
			if (this.isOver()) return this.planOver();
			if (robot.isStalled) return this.stalled();
			if (this.tickNumber >= this.limitTicks) return this.outOfTime();
			if (this.tickNumber % progressTicks === 0) this.onProgress(this.time);
			robot.advance(this.time);
			floor.move();
			this.tickNumber += 1;
			this.pathLength += Math.abs(robot.speed) * tick;
			if (floor.touching) this.touch(floor.touching);
			if (this.waitingPosts.length > 0) this.lightPosts();
			if (!this.isOnTable) continue;
			this.dropCrates();
			if (scene.ground.isBeyondEdge(pose.x, pose.y)) return this.fell();
		}
	}

	private runChains(): void {
		const { scene, touches, time, journal, signals } = this;
		while (this.touched < touches.length && touches[this.touched]! <= time) this.touched += 1;
		const lastTouched = this.touched > 0 ? touches[this.touched - 1]! : -Infinity;
		scene.isTouched = time - lastTouched <= touchHold;
		scene.isBumped = time - this.lastTouch <= bumpHold;
		signals.time = time;
		signals.bumps = journal.bumps.length;
		signals.touches = this.touched;
		signals.isEdgeAhead = this.isOnTable && this.robot.read('edgeAhead') === true;
		this.interpreter.tick(signals);
	}

	/**
	 * Nothing will ever run again by itself. When the last chain has ended, the motors are stopped;
	 * while one waits for something, a robot that rolls on may still meet it.
	 */
	private isOver(): boolean {
		const { interpreter, robot } = this;
		if (!interpreter.isIdle) return false;
		if (!interpreter.isWaiting && !this.hasStopped) {
			this.hasStopped = true;
			if (!robot.isStill) robot.rest();
		}
		if (!robot.isStill) return false;
		if (!interpreter.isWaiting) return true;
		const touchesToCome = this.touched < this.touches.length;
		return !interpreter.isTicking && !robot.isPlaying && !touchesToCome;
	}

	private touch(against: 'wall' | 'crate'): void {
		if (this.time - this.lastTouch > bumpPause) this.journal.bumped(this.time, against);
		this.lastTouch = this.time;
	}

	private dropCrates(): void {
		for (const crate of this.crates) {
			const { x, y } = crate.pose;
			if (crate.hasFallen || !this.scene.ground.isBeyondEdge(x, y)) continue;
			crate.hasFallen = true;
			this.crateWriter.fell(crate, this.time);
		}
	}

	private fell(): Outcome {
		const number = this.journal.driving?.number ?? 0;
		return this.outcome('fell', { key: 'outcome.fell', values: { number } });
	}

	private lightPosts(): void {
		const { pose, reached, time } = this;
		const lit = this.waitingPosts.filter(
			({ at, reach }) => exact.lengthOf(at[0] - pose.x, at[1] - pose.y) <= reach
		);
		if (lit.length === 0) return;
		reached.push(...lit.map((post) => ({ id: post.id, time })));
		this.scene.litPosts.push(...lit);
		this.waitingPosts = this.waitingPosts.filter((post) => !lit.includes(post));
	}

	private planOver(): Outcome {
		const seconds = round(this.time);
		if (this.isInFinish()) {
			return this.outcome('finished', { key: 'outcome.finished', values: { seconds } });
		}
		const { finish } = this.rehearsal.course;
		const bump = this.journal.bumps.find(({ against }) => against === 'wall');
		if (!finish) return this.outcome('ended', { key: 'outcome.over', values: { seconds } });
		const distance = this.distanceTo(finish.at) - finish.radius;
		const key = bump?.number ? 'outcome.endedAfterBump' : 'outcome.ended';
		const values = { seconds, centimetres: Math.max(1, distance * 100), number: bump?.number ?? 0 };
		return this.outcome('ended', { key, values });
	}

	private stalled(): Outcome {
		const step = this.journal.driving;
		const key = this.floor.touching ? 'outcome.stoppedByWall' : 'outcome.stoppedByItself';
		return this.outcome('halted', { key, values: { number: step?.number ?? 0 } });
	}

	private outOfTime(): Outcome {
		const step = this.journal.innermost;
		const values = { seconds: this.limitTicks / tickRate, number: step?.number ?? 0 };
		return this.outcome('timeout', {
			key: this.journal.isBusy ? 'outcome.timeoutBusy' : 'outcome.timeout',
			values
		});
	}

	private usedUp(): Outcome {
		const { total, usedUpBy } = this.interpreter.budget;
		const values = {
			number: usedUpBy?.number ?? 0,
			seconds: round(this.time),
			millions: total / 1e6
		};
		return this.outcome('timeout', { key: 'outcome.usedUp', values });
	}

	private crowded(): Outcome {
		const values = { seconds: round(this.time) };
		return this.outcome('timeout', { key: 'outcome.crowded', values });
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
		return exact.lengthOf(x - this.pose.x, y - this.pose.y);
	}
}

/** Moves a pose to where a hand really set the robot down. */
function setDown(pose: Pose, [ahead, left, turned]: Machine['placing']): void {
	const cos = exact.cos(pose.heading);
	const sin = exact.sin(pose.heading);
	pose.x += ahead * cos - left * sin;
	pose.y += ahead * sin + left * cos;
	pose.heading += turned;
}

const round = (seconds: number): number => Math.round(seconds * 10) / 10;
