/**
 * A rehearsal: (plan, course, robots, variation, seed) -> attempt. The same input gives the same
 * bytes. Time is virtual and goes in fixed ticks: first the chains run until each waits, then the
 * robots drive, the world moves them, their sensors read, and the journals sample.
 */
import type { Course, LampPost } from '../course/course';
import { Interpreter } from '../interpreter/interpreter';
import { compile, type Program } from '../interpreter/program';
import type { Plan, PlanRobot } from '../plan/plan';
import { robotKindOf } from '../robots/kinds';
import type { NamedRobot } from '../robots/robot-document';
import type { Variation } from '../robots/robot';
import type { Sentence } from '../sentence';
import { tickRate } from '../time';
import { StandingCrate } from '../world/crates';
import { Place, Terrain } from '../world/scene';
import { startPlaces, type StartPlace } from '../world/start-places';
import { World } from '../world/world';
import type { Attempt, Outcome, OutcomeKind, Summary } from './attempt';
import { CrateWriter } from './crate-writer';
import { CrewMember } from './crew-member';
import { Records } from './journal';
import { contactsPerTick, defaultLimit, progressTicks } from './settings';
import type { Touch } from './touch';

export interface Rehearsal {
	readonly plan: Plan;
	readonly course: Course;
	/** Takes the place of the plan's first robot. */
	readonly robot?: NamedRobot | undefined;
	readonly variation: Variation;
	readonly seed: number;
	/** Seconds of virtual time. */
	readonly limit?: number | undefined;
	readonly touches?: readonly Touch[] | undefined;
	/** The id of the one chain to run, as if Run were pressed for it. */
	readonly only?: string | undefined;
	/** Also records what those sensors say that the plan does not read, for a person who watches. */
	readonly isWatched?: boolean | undefined;
}

/** @param onProgress told now and then how many seconds of virtual time have passed */
export const simulate = (
	rehearsal: Rehearsal,
	onProgress: (seconds: number) => void = () => {}
): Attempt => new Simulation(prepare(rehearsal), rehearsal.seed, onProgress).run();

/** What is the same whichever seed a rehearsal has. */
export interface Prepared {
	readonly rehearsal: Omit<Rehearsal, 'seed'>;
	readonly robots: readonly PlanRobot[];
	readonly program: Program;
	readonly terrain: Terrain;
	readonly starts: readonly StartPlace[];
}

export function prepare(rehearsal: Omit<Rehearsal, 'seed'>): Prepared {
	const { plan, course, only, robot } = rehearsal;
	const robots = plan.robots.map((own, index) =>
		index === 0 && robot ? { ...robot, id: own.id } : own
	);
	return {
		rehearsal,
		robots,
		program: compile(
			plan,
			robots.map(({ kind }) => robotKindOf(kind)),
			only
		),
		terrain: new Terrain(course),
		starts: startPlaces(course, robots.length)
	};
}

/** A rehearsal of which only the end is of interest. @param seed of this one */
export const trial = (prepared: Prepared, seed: number): Summary =>
	new Simulation(prepared, seed).summary();

class Simulation {
	/** In the order of the plan. */
	private readonly crew: readonly CrewMember[];
	/** In an order of their own, so that it makes no difference which of them is listed first. */
	private readonly byId: readonly CrewMember[];
	private readonly place: Place;
	private readonly crates: readonly StandingCrate[];
	private readonly world: World;
	private readonly records = new Records();
	private readonly crateWriter: CrateWriter;
	private readonly interpreter: Interpreter;
	private readonly limitTicks: number;
	private readonly limitWork: number;
	private readonly isOnTable: boolean;
	private waitingPosts: readonly LampPost[];
	private tickNumber = 0;
	/** Seconds since Run. */
	private time = 0;
	private hasStopped = false;

	private readonly rehearsal: Prepared['rehearsal'];

	constructor(
		private readonly prepared: Prepared,
		private readonly seed: number,
		private readonly onProgress: (seconds: number) => void = () => {}
	) {
		const { rehearsal, program, terrain } = prepared;
		const { course, limit } = rehearsal;
		this.rehearsal = rehearsal;
		this.crates = course.crates.map((crate) => new StandingCrate(crate));
		this.place = new Place(terrain, this.crates);
		this.crew = this.gather();
		this.byId = this.crew.toSorted((a, b) => (a.id < b.id ? -1 : 1));
		const standing = this.byId.map(({ machine, pose }) => ({ body: machine.body, pose }));
		this.world = new World(terrain, this.crates, standing);
		this.crateWriter = new CrateWriter(this.crates);
		this.interpreter = new Interpreter({
			program,
			crew: this.crew.map(({ machine, happened, journal, chance }) => ({
				port: machine,
				happened,
				observer: journal,
				chance
			})),
			limit: limit ?? defaultLimit
		});
		this.limitTicks = Math.round((limit ?? defaultLimit) * tickRate);
		this.limitWork = Math.max(this.limitTicks, defaultLimit * tickRate) * contactsPerTick;
		this.waitingPosts = course.lampPosts;
		this.isOnTable = course.table !== null;
	}

	private gather(): CrewMember[] {
		const { variation, touches = [] } = this.rehearsal;
		const { place, records, seed } = this;
		const { robots, starts } = this.prepared;
		return robots.map((robot, index) => {
			const { id } = robot;
			const isFirst = index === 0;
			return new CrewMember({
				id,
				robot,
				variation,
				seed,
				start: starts[index]!,
				place,
				records,
				others: () => this.crew.filter((other) => other.id !== id),
				touches: touches
					.filter(({ robot }) => (robot === undefined ? isFirst : robot === id))
					.map(({ time }) => time)
					.toSorted((a, b) => a - b)
			});
		});
	}

	/** Begins to write down what the robots do. */
	private record(): void {
		const { interpreter, prepared, rehearsal } = this;
		this.crew.forEach((member, index) => {
			const now = (reading: string) => interpreter.read(index, reading);
			member.record(prepared.program.readings[index]!, now, rehearsal.isWatched === true);
		});
	}

	/** Runs it without writing down more than how it ends. */
	summary(): Summary {
		const { kind, seconds, reachedFinish, lampPosts } = this.untilOver();
		const ends = this.crew.map(({ id, pose, journal, pathLength }) => ({
			id,
			pose: { ...pose },
			bumps: journal.bumps.length,
			pathLength
		}));
		return { seed: this.seed, kind, seconds, reachedFinish, lampPosts: lampPosts.length, ends };
	}

	run(): Attempt {
		this.record();
		const { crew, records, rehearsal } = this;
		const outcome = this.untilOver();
		for (const member of crew) if (member.keep(this.tickNumber)) this.crateWriter.keep(this.time);
		for (const { journal } of crew) journal.closeAll(this.time);
		return {
			variation: rehearsal.variation,
			seed: this.seed,
			outcome,
			runs: crew.map(({ run }) => run),
			crates: this.crateWriter.traces,
			log: records.log,
			spans: records.spans,
			notes: records.notes,
			ticks: this.tickNumber
		};
	}

	private untilOver(): Outcome {
		for (const member of this.crew) member.notice(this.time);
		this.lightPosts();
		for (;;) {
			this.runChains();
			const outcome = this.ending();
			if (outcome) return outcome;
			if (this.tickNumber % progressTicks === 0) this.onProgress(this.time);
			this.driveAll();
			this.moveAll();
			if (this.waitingPosts.length > 0) this.lightPosts();
			if (!this.isOnTable) continue;
			this.dropCrates();
			const { ground } = this.place.terrain;
			const fallen = this.crew.find(({ pose }) => ground.isBeyondEdge(pose.x, pose.y));
			if (fallen) return this.fell(fallen);
		}
	}

	private runChains(): void {
		const { crew, time, tickNumber } = this;
		this.interpreter.tick(time);
		for (let i = 0; i < crew.length; i++) {
			if (crew[i]!.sample(tickNumber)) this.crateWriter.keep(time);
		}
	}

	private driveAll(): void {
		const { byId, time } = this;
		for (let i = 0; i < byId.length; i++) byId[i]!.machine.advance(time);
	}

	private moveAll(): void {
		const { byId, world } = this;
		world.move();
		this.tickNumber += 1;
		this.time = this.tickNumber / tickRate;
		for (let i = 0; i < byId.length; i++) byId[i]!.moved(this.time, world.touching(i));
	}

	/** How it ends, if it ends before anything moves on. */
	private ending(): Outcome | undefined {
		const { crew } = this;
		if (this.interpreter.budget.left <= 0) return this.usedUp();
		if (this.world.work > this.limitWork) return this.crowded();
		if (this.isOver()) return this.planOver();
		for (let i = 0; i < crew.length; i++) {
			if (crew[i]!.machine.isStalled) return this.stalled(crew[i]!);
		}
		return this.tickNumber >= this.limitTicks ? this.outOfTime() : undefined;
	}

	/**
	 * Nothing will ever run again by itself. When the last chain has ended, the motors are stopped;
	 * while one waits for something, a robot that rolls on may still meet it.
	 */
	private isOver(): boolean {
		const { interpreter, crew } = this;
		if (!interpreter.isIdle) return false;
		if (!interpreter.isWaiting && !this.hasStopped) {
			this.hasStopped = true;
			for (const { machine } of crew) if (!machine.isStill) machine.rest();
		}
		if (!crew.every(({ machine }) => machine.isStill)) return false;
		if (!interpreter.isWaiting) return true;
		const isAwaited = crew.some((member) => member.machine.isPlaying || member.isAwaited);
		return !interpreter.isTicking && !isAwaited;
	}

	private dropCrates(): void {
		for (const crate of this.crates) {
			const { x, y } = crate.pose;
			if (crate.hasFallen || !this.place.terrain.ground.isBeyondEdge(x, y)) continue;
			crate.hasFallen = true;
			this.crateWriter.fell(crate, this.time);
		}
	}

	private lightPosts(): void {
		const { place, time } = this;
		let hasLit = false;
		for (const post of this.waitingPosts) {
			if (!this.isReached(post)) continue;
			hasLit = true;
			place.reached.push({ id: post.id, time });
			place.litPosts.push(post);
			for (const { happened } of this.crew) happened.add({ time, kind: 'post', what: post.id });
		}
		if (hasLit) this.waitingPosts = this.waitingPosts.filter((post) => !this.isReached(post));
	}

	private isReached({ at, reach }: LampPost): boolean {
		for (const member of this.crew) if (member.distanceTo(at) <= reach) return true;
		return false;
	}

	// --- how it ends ---

	private planOver(): Outcome {
		const seconds = round(this.time);
		if (this.isInFinish()) {
			return this.outcome('finished', { key: 'outcome.finished', values: { seconds } });
		}
		const { finish } = this.rehearsal.course;
		if (!finish) return this.outcome('ended', { key: 'outcome.over', values: { seconds } });
		const bumps = this.crew.flatMap(({ journal }) => journal.bumps);
		const bump = bumps.find(({ against }) => against === 'wall');
		const distance = this.distanceTo(finish.at) - finish.radius;
		const key = bump?.number ? 'outcome.endedAfterBump' : 'outcome.ended';
		const values = { seconds, centimetres: Math.max(1, distance * 100), number: bump?.number ?? 0 };
		return this.outcome('ended', { key, values });
	}

	private fell({ journal }: CrewMember): Outcome {
		const number = journal.driving?.number ?? 0;
		return this.outcome('fell', { key: 'outcome.fell', values: { number } });
	}

	private stalled(member: CrewMember): Outcome {
		const number = member.journal.driving?.number ?? 0;
		const isHeld = this.world.touching(this.byId.indexOf(member)) !== null;
		const key = isHeld ? 'outcome.stoppedByWall' : 'outcome.stoppedByItself';
		return this.outcome('halted', { key, values: { number } });
	}

	private outOfTime(): Outcome {
		const { crew } = this;
		const step = crew.map(({ journal }) => journal.innermost).find((innermost) => innermost);
		const values = { seconds: this.limitTicks / tickRate, number: step?.number ?? 0 };
		return this.outcome('timeout', {
			key: crew.some(({ journal }) => journal.isBusy) ? 'outcome.timeoutBusy' : 'outcome.timeout',
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
			lampPosts: this.place.reached
		};
	}

	/** Whether one of them is: a ring has room for one. */
	private isInFinish(): boolean {
		const { finish } = this.rehearsal.course;
		return finish !== null && this.distanceTo(finish.at) <= finish.radius;
	}

	/** Of the nearest robot. */
	private distanceTo(point: readonly [number, number]): number {
		return Math.min(...this.crew.map((member) => member.distanceTo(point)));
	}
}

const round = (seconds: number): number => Math.round(seconds * 10) / 10;
