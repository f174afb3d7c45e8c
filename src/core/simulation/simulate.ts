/**
 * A rehearsal: (plan, course, robots, variation, seed) -> attempt. The same input gives the same
 * bytes. Time is virtual and goes in fixed ticks: first the chains run until each waits, then the
 * robots drive, the world moves them, their sensors read, and the journals sample.
 */
import type { Course } from '../course/course';
import type { Happenings } from '../devices/happenings';
import type { Port } from '../devices/port';
import { Interpreter } from '../interpreter/interpreter';
import type { Program } from '../interpreter/program';
import type { SetValue } from '../interpreter/set-values';
import type { Plan, PlanRobot } from '../plan/plan';
import type { NamedRobot } from '../robots/robot-document';
import type { ParameterValues } from '../robots/parameter';
import type { Variation } from '../robots/robot';
import { tickRate } from '../time';
import { Terrain } from '../world/scene';
import { startPlaces, type StartPlace } from '../world/start-places';
import { legsOf, withRounds, type Attempt, type Outcome } from './attempt';
import type { TrialLeg, TrialSummary } from './attempt';
import { Endings } from './endings';
import { Stage } from './stage';
import { contactsPerTick, defaultLimit, handPatience, maximumTrialLegs } from './settings';
import { programOf, programWith } from './programs';
import { pathTicks, progressTicks } from './settings';
import type { Touch } from './touch';

export interface Rehearsal {
	readonly plan: Plan;
	readonly course: Course;
	/** Takes the place of the plan's first robot. */
	readonly robot?: NamedRobot | undefined;
	readonly variation: Variation;
	readonly seed: number;
	/** By the ids of robots: what they are like, where that is known; the rest is drawn. */
	readonly parameters?: Readonly<Record<string, ParameterValues>> | undefined;
	/** Seconds of virtual time. */
	readonly limit?: number | undefined;
	readonly touches?: readonly Touch[] | undefined;
	/** The id of the one chain to run, as if Run were pressed for it. */
	readonly only?: string | undefined;
	/**
	 * A person watches, who can touch the robots while a plan waits for that: what those sensors say that
	 * the plan does not read is recorded, too.
	 */
	readonly isWatched?: boolean | undefined;
}

/** How the orders of an interpreter get to the robots on a stage, and their news to it. */
export interface Linking {
	/** In the order of the crew. */
	readonly ends: readonly { readonly port: Port; readonly happened: Happenings }[];
	/** Before the chains run: hands on what has been on its way for long enough. */
	deliver(time: number): void;
}

/** Robots that hear and answer at once. */
const direct = ({ crew }: Stage): Linking => ({
	ends: crew.map(({ machine, happened }) => ({ port: machine, happened })),
	deliver: () => {}
});

/**
 * @param onProgress told now and then how many seconds of virtual time have passed
 * @param link what is between the interpreter and the robots
 */
export const simulate = (
	rehearsal: Rehearsal,
	onProgress: (seconds: number) => void = () => {},
	link: (stage: Stage) => Linking = direct
): Attempt => new Simulation(prepare(rehearsal), rehearsal.seed, onProgress, link).run();

/** What is the same whichever seed a rehearsal has. */
export interface Prepared {
	readonly rehearsal: Omit<Rehearsal, 'seed'>;
	readonly robots: readonly PlanRobot[];
	readonly program: Program;
	readonly terrain: Terrain;
	readonly starts: readonly StartPlace[];
}

export function prepare(rehearsal: Omit<Rehearsal, 'seed'>): Prepared {
	const { plan, course, robot } = rehearsal;
	const robots = plan.robots.map((own, index) =>
		index === 0 && robot ? { ...robot, id: own.id } : own
	);
	return {
		rehearsal,
		robots,
		program: programOf(rehearsal, robots),
		terrain: new Terrain(course),
		starts: startPlaces(course, robots.length)
	};
}

/** One rehearsal that a search asks for. */
export interface Trial {
	readonly seed: number;
	/** What the robots are like in this one, in place of what the rehearsal says. */
	readonly parameters?: Rehearsal['parameters'];
	/** Numbers of steps in this one, in place of those of the plan. */
	readonly values?: readonly SetValue[];
	/** It ends when this step has ended for so many times. */
	readonly until?: { readonly step: string; readonly round: number };
	/** Where each leg began and ended is told. */
	readonly hasLegs?: boolean;
	/** The way that each robot went is told. */
	readonly hasPath?: boolean;
}

/** A rehearsal of which only the end is of interest, or where its legs end. */
export function trial(prepared: Prepared, trial: Trial): TrialSummary {
	const { seed, parameters, values = [] } = trial;
	const rehearsal = parameters ? { ...prepared.rehearsal, parameters } : prepared.rehearsal;
	const program = programWith(prepared, values);
	return new Simulation({ ...prepared, rehearsal, program }, seed).summary(trial);
}

class Simulation {
	private readonly stage: Stage;
	private readonly linking: Linking;
	private readonly interpreter: Interpreter;
	private readonly endings: Endings;
	private readonly limitTicks: number;
	private readonly limitWork: number;
	private hasStopped = false;
	/** Seconds since Run at which a chain ran last. */
	private busyAt = 0;
	private until: Trial['until'];
	/** For each robot, east and north by turns. */
	private paths: number[][] | undefined;
	/** Spans that were looked at for it, and those of them that were its step. */
	private looked = 0;
	private ran = 0;

	private readonly rehearsal: Prepared['rehearsal'];

	constructor(
		private readonly prepared: Prepared,
		private readonly seed: number,
		private readonly onProgress: (seconds: number) => void = () => {},
		link: (stage: Stage) => Linking = direct
	) {
		const { rehearsal, program, terrain, starts, robots } = prepared;
		const { limit = defaultLimit, variation, parameters, touches = [] } = rehearsal;
		this.rehearsal = rehearsal;
		this.stage = new Stage({
			terrain,
			starts,
			robots,
			variation,
			parameters,
			seed,
			touches: (id, index) =>
				touches
					.filter(({ robot }) => (robot === undefined ? index === 0 : robot === id))
					.toSorted((a, b) => a.time - b.time)
		});
		this.linking = link(this.stage);
		this.interpreter = new Interpreter({
			program,
			crew: this.stage.crew.map(({ journal, chance }, index) => ({
				...this.linking.ends[index]!,
				observer: journal,
				chance
			})),
			limit
		});
		this.endings = new Endings(this.stage, this.interpreter, program, rehearsal.course);
		this.limitTicks = Math.round(limit * tickRate);
		this.limitWork = Math.max(this.limitTicks, defaultLimit * tickRate) * contactsPerTick;
	}

	/** Begins to write down what the robots do. */
	private record(): void {
		const { interpreter, prepared, rehearsal } = this;
		this.stage.crew.forEach((member, index) => {
			const now = (reading: string) => interpreter.read(index, reading);
			member.record(prepared.program.readings[index]!, now, rehearsal.isWatched === true);
		});
	}

	/** Runs it without writing down more than how it ends, and where its legs do. */
	summary({ hasLegs, hasPath, until }: Omit<Trial, 'seed'>): TrialSummary {
		this.until = until;
		if (hasPath) this.paths = this.stage.crew.map(() => []);
		const { kind, seconds, reachedFinish, lampPosts } = this.untilOver();
		const { crew, time } = this.stage;
		if (hasLegs) for (const { journal } of crew) journal.closeAll(time);
		const ends = crew.map(({ id, pose, heights, journal, pathLength }, index) => ({
			id,
			pose: { ...pose },
			height: heights.bottom,
			bumps: journal.bumps.length,
			pathLength,
			...(hasLegs && { legs: this.legsOfTrial(id) }),
			...(this.paths && { path: Float32Array.from([...this.paths[index]!, pose.x, pose.y]) })
		}));
		return { seed: this.seed, kind, seconds, reachedFinish, lampPosts: lampPosts.length, ends };
	}

	private legsOfTrial(id: string): TrialLeg[] {
		const legs = legsOf(this.stage.records, { id }).toSorted((a, b) => a.start - b.start);
		return withRounds(legs.slice(0, maximumTrialLegs)).map(({ span, round }) => {
			const { stepId, from, to } = span;
			return { stepId, round, from, to };
		});
	}

	/** The step that a trial ends behind has ended often enough. */
	private get isFarEnough(): boolean {
		const { until } = this;
		if (!until) return false;
		const { spans } = this.stage.records;
		for (; this.looked < spans.length; this.looked++)
			if (spans[this.looked]!.stepId === until.step) this.ran += 1;
		return this.ran >= until.round;
	}

	run(): Attempt {
		this.record();
		const { stage, rehearsal } = this;
		const { crew, records, crateWriter } = stage;
		const outcome = this.untilOver();
		const { tickNumber, time } = stage;
		for (const member of crew) if (member.keep(tickNumber)) crateWriter.keep(time);
		for (const { journal } of crew) journal.closeAll(time);
		return {
			source: {
				type: 'rehearsal',
				variation: rehearsal.variation,
				seed: this.seed,
				...(rehearsal.parameters && { parameters: rehearsal.parameters })
			},
			outcome,
			runs: crew.map(({ run }) => run),
			crates: crateWriter.traces,
			log: records.log,
			spans: records.spans,
			notes: records.notes,
			ticks: tickNumber
		};
	}

	private untilOver(): Outcome {
		const { stage } = this;
		stage.begin();
		if (stage.withoutRoom) return this.endings.noRoomFor(stage.withoutRoom);
		for (;;) {
			this.runChains();
			const outcome = this.ending();
			if (outcome) return outcome;
			if (stage.tickNumber % progressTicks === 0) this.onProgress(stage.time);
			stage.advance();
			const { fallen } = stage;
			if (fallen) return this.endings.fell(fallen);
		}
	}

	private runChains(): void {
		const { crew, time, tickNumber, crateWriter } = this.stage;
		this.linking.deliver(time);
		this.interpreter.tick(time);
		for (let i = 0; i < crew.length; i++) {
			if (crew[i]!.sample(tickNumber)) crateWriter.keep(time);
			if (this.paths && tickNumber % pathTicks === 0)
				this.paths[i]!.push(crew[i]!.pose.x, crew[i]!.pose.y);
		}
	}

	/** How it ends, if it ends before anything moves on. */
	private ending(): Outcome | undefined {
		const { crew, work, records } = this.stage;
		if (this.interpreter.budget.left <= 0) return this.endings.usedUp();
		if (work > this.limitWork) return this.endings.crowded();
		if (records.fault) return this.endings.crashed(records.fault);
		if (this.isFarEnough || this.isOver()) return this.endings.planOver();
		for (let i = 0; i < crew.length; i++) {
			if (crew[i]!.machine.isStalled) return this.endings.stalled(crew[i]!);
		}
		if (this.stage.tickNumber < this.limitTicks) return undefined;
		return this.endings.outOfTime(this.limitTicks / tickRate);
	}

	/**
	 * Nothing will ever run again by itself. When the last chain has ended, the motors are stopped;
	 * while one waits for something, a robot that rolls on may still meet it.
	 */
	private isOver(): boolean {
		const { interpreter } = this;
		const { crew, time } = this.stage;
		if (!interpreter.isIdle) {
			this.busyAt = time;
			return false;
		}
		if (!interpreter.isWaiting && !this.hasStopped) {
			this.hasStopped = true;
			for (const { machine } of crew) if (!machine.isStill) machine.rest();
		}
		if (!crew.every(({ machine }) => machine.isStill)) return false;
		if (!interpreter.isWaiting) return true;
		const isAwaited = crew.some((member) => member.machine.isPlaying || member.isAwaited);
		return !interpreter.isTicking && !isAwaited && !this.isOpenToHands;
	}

	/** Whoever watches may still touch a robot whose plan waits for just that. */
	private get isOpenToHands(): boolean {
		if (!this.rehearsal.isWatched || !this.interpreter.waitsForHands) return false;
		return this.stage.time - this.busyAt < handPatience;
	}
}
