/**
 * A plan on real robots: the interpreter gives its orders through their links and feels whatever
 * delay they have. What it hears is written down as it comes, since it cannot be had again. Where a
 * robot is, only the robot itself reckons.
 */
import type { Course } from '../course/course';
import { ears } from '../devices/ears/device';
import { Interpreter } from '../interpreter/interpreter';
import { compile } from '../interpreter/program';
import type { LinkPort } from '../link/link-port';
import type { Plan } from '../plan/plan';
import { fittedKindOf } from '../robots/fitted';
import type { Sentence } from '../sentence';
import type { Outcome, OutcomeKind, Span } from '../simulation/attempt';
import { Records } from '../simulation/journal';
import { headingOfBearing } from '../units/angles';
import { startPlaces } from '../world/start-places';
import type { HeldBehind, LiveNews } from './live-news';
import { distance, Member } from './member';

/** Seconds for which a run may go on. */
const longest = 15 * 60;
/** Seconds after its end within which a robot should stand. */
const standsWithin = 3;
/** Seconds after Halt until one that still moves is called deaf, and until nobody waits any more. */
const deafAfter = 1.5;
const givenUpAfter = 10;
/** Seconds between two times that it is told so. */
const haltEvery = 0.25;
/** What runs: a plan, with the links of its robots in its order. */
export interface RunSetup {
	readonly plan: Plan;
	readonly course: Course;
	readonly ports: readonly LinkPort[];
	/** The id of the one chain to run, as if Run were pressed for it. */
	readonly only?: string | undefined;
	/** Uniform in [0, 1): for what the plan throws dice for. */
	readonly chance: () => number;
	/** Hands start the chains, and it goes on until somebody halts it. */
	readonly isByHand?: boolean | undefined;
	/** It is the model that runs. */
	readonly isModel?: boolean | undefined;
	/** It waits behind each leg until somebody goes on. */
	readonly isByLeg?: boolean | undefined;
	readonly linedUp?: LiveNews['linedUp'];
}

export class LiveRun {
	/** What is wrong while it goes on, and needs a hand. */
	alarm: Sentence | undefined;
	/** Seconds since Run at which somebody halted it, and at which that was said last. */
	private haltedAt: number | undefined;
	private toldAt = 0;
	private readonly records = new Records();
	private readonly crew: readonly Member[];
	private readonly interpreter: Interpreter;
	private held: HeldBehind | undefined;
	/** Ended steps that were looked at, whether somebody is to wait behind them. */
	private looked = 0;
	/** Seconds that it has waited, until the tick before. */
	private waited = 0;
	private time = 0;
	private endedAt = Infinity;
	outcome: Outcome | undefined;
	/** How much of each list was told already. */
	private readonly told = { spans: 0, log: 0, notes: 0 };

	constructor(private readonly running: RunSetup) {
		const { plan, course, ports, only, chance, isByHand } = running;
		const starts = startPlaces(course, plan.robots.length);
		this.crew = plan.robots.map((robot, index) => {
			const { at, bearing } = starts[index]!;
			const start = { x: at[0], y: at[1], heading: headingOfBearing(bearing) };
			return new Member(robot, ports[index]!, this.records, start, course);
		});
		const kinds = plan.robots.map(fittedKindOf);
		const program = compile(plan, kinds, only, isByHand);
		this.interpreter = new Interpreter({
			program,
			crew: this.crew.map(({ port, journal }) => ({
				port,
				happened: port.happened,
				observer: journal,
				chance
			})),
			limit: longest,
			isHeld: running.isByLeg ? () => this.isHeld() : undefined
		});
		this.crew.forEach((member, index) =>
			member.record(program.readings[index]!, (reading) => this.interpreter.read(index, reading))
		);
	}

	/** To be called some 50 times a second. @param time seconds since Run */
	tick(time: number): void {
		if (this.outcome) return;
		if (this.held) this.waited += time - this.time;
		this.time = time;
		for (const member of this.crew) {
			member.follow(time);
			member.port.stay();
		}
		// What a robot cannot do any more ends the run in its step: no next one begins.
		const goesOn = this.endedAt === Infinity && this.haltedAt === undefined && !this.faulty;
		if (goesOn) this.interpreter.tick(time);
		for (const member of this.crew) member.keep(time);
		this.outcome = this.ending();
		if (this.outcome) this.close();
	}

	/** Somebody halts it: it is over once all of them say that they stand. */
	halt(): void {
		if (this.outcome) return;
		this.haltedAt ??= this.time;
		this.tellHalt();
	}

	private tellHalt(): void {
		this.toldAt = this.time;
		for (const { port } of this.crew) port.halt();
	}

	/** Nobody watches it any more. */
	leave(): void {
		if (this.outcome) return;
		this.tellHalt();
		this.stop('halted', this.halted);
	}

	private get halted(): Sentence {
		return { key: 'outcome.halted', values: { seconds: round(this.time) } };
	}

	private halting(at: number): Outcome | undefined {
		const moving = this.crew.find((member) => !member.standsSince(at));
		if (!moving) return this.made('halted', this.halted);
		if (this.time - this.toldAt >= haltEvery) this.tellHalt();
		const seconds = this.time - at;
		if (seconds < deafAfter) return undefined;
		const values = { name: moving.robot.name, seconds: round(seconds) };
		this.alarm = { key: 'live.deaf', values };
		return seconds < givenUpAfter
			? undefined
			: this.made('halted', { key: 'outcome.deaf', values });
	}

	/** Whether it waits behind a leg: a robot that still is to move is not kept from being stopped. */
	private isHeld(): boolean {
		const { spans } = this.records;
		for (; !this.held && this.looked < spans.length; this.looked++) {
			const span = spans[this.looked]!;
			const port = this.crew.find(({ robot }) => robot.id === span.robot)?.port;
			if (hasMoved(span) && !port?.isToMove) this.held = heldBehind(span, spans);
		}
		return this.held !== undefined;
	}

	/** Somebody goes on to the next leg. */
	goOn(): void {
		this.held = undefined;
	}

	/** Somebody says a word: those that have ears hear it. */
	hear(word: string): void {
		const heard = { time: this.time, kind: 'heard', what: word };
		for (const { robot, port } of this.crew)
			if (fittedKindOf(robot).devices.includes(ears)) port.happened.add(heard);
	}

	/** A hand starts a chain. */
	press(chain: string): void {
		this.interpreter.press(chain);
	}

	/** A hand sets a variable. */
	set(variable: string, value: number): void {
		this.interpreter.set(variable, value);
	}

	/** A robot is not heard any more. @param name of the robot */
	lost(name: string): void {
		if (this.outcome) return;
		this.tellHalt();
		this.stop('halted', { key: 'outcome.lost', values: { name, seconds: round(this.time) } });
	}

	private stop(kind: OutcomeKind, reason: Sentence): void {
		this.outcome = this.made(kind, reason);
		this.close();
	}

	private close(): void {
		for (const { journal } of this.crew) journal.closeAll(this.time);
	}

	private get faulty(): Member | undefined {
		return this.crew.find(({ port }) => port.fault);
	}

	private ending(): Outcome | undefined {
		const { faulty } = this;
		if (faulty) return this.failed(faulty);
		if (this.haltedAt !== undefined) return this.halting(this.haltedAt);
		if (this.time - this.waited >= longest) {
			this.tellHalt();
			return this.made('timeout', {
				key: 'outcome.timeout',
				values: { seconds: longest, number: 0 }
			});
		}
		if (this.interpreter.budget.left <= 0) return this.usedUp();
		if (this.running.isByHand) return undefined;
		if (!this.interpreter.isIdle || this.interpreter.isOpenToWorld) return undefined;
		if (this.endedAt === Infinity) {
			this.endedAt = this.time;
			for (const { port } of this.crew) port.end();
		}
		const isStill = this.crew.every(({ port }) => port.hasEnded);
		if (!isStill && this.time < this.endedAt + standsWithin) return undefined;
		return this.over();
	}

	private failed({ port, journal, robot }: Member): Outcome {
		this.tellHalt();
		const number = journal.driving?.number ?? 0;
		const key = `outcome.live.${port.fault}`;
		return this.made(port.fault === 'alone' ? 'halted' : 'crashed', {
			key,
			values: { number, name: robot.name }
		});
	}

	private usedUp(): Outcome {
		this.tellHalt();
		const { total, usedUpBy } = this.interpreter.budget;
		const values = {
			number: usedUpBy?.number ?? 0,
			seconds: round(this.time),
			millions: total / 1e6
		};
		return this.made('timeout', { key: 'outcome.usedUp', values });
	}

	/** By its own reckoning it may be in the finish ring: only who looks at the floor knows. */
	private over(): Outcome {
		const seconds = round(this.time);
		const { finish } = this.running.course;
		const away = finish
			? Math.min(...this.crew.map(({ pose }) => distance(pose, ...finish.at))) - finish.radius
			: NaN;
		if (!finish) return this.made('ended', { key: 'outcome.over', values: { seconds } });
		if (away <= 0) return this.made('ended', { key: 'outcome.reckonedThere', values: { seconds } });
		const centimetres = Math.max(1, away * 100);
		return this.made('ended', { key: 'outcome.reckonedAway', values: { seconds, centimetres } });
	}

	private made(kind: OutcomeKind, reason: Sentence): Outcome {
		const posts = this.crew.flatMap(({ port }) => port.happened.since('post', 0));
		const lampPosts = posts.map(({ time, what = '' }) => ({ id: what, time }));
		return { kind, reason, seconds: this.time, reachedFinish: false, lampPosts };
	}

	/** What has come since it was asked last. */
	news(): LiveNews {
		const { records, told, time, crew } = this;
		const { spans, log, notes } = records;
		const news: LiveNews = {
			...(this.running.isModel && { isModel: true }),
			...(this.running.linedUp !== undefined && { linedUp: this.running.linedUp }),
			...(this.alarm && { alarm: this.alarm }),
			...(this.held && { held: this.held }),
			time,
			age: Math.max(...crew.map((member) => member.ageAt(time))),
			runs: crew.map((member) => member.news),
			spans: spans.slice(told.spans),
			open: crew.flatMap(({ journal }) => journal.inProgress(time)),
			log: log.slice(told.log),
			notes: notes.slice(told.notes),
			outcome: this.outcome ?? this.made('ended', { key: 'outcome.running' })
		};
		Object.assign(told, { spans: spans.length, log: log.length, notes: notes.length });
		return news;
	}

	/** How many steps have begun or ended: when it changes, somebody may want to see it. */
	get changes(): number {
		return (
			this.records.spans.length * 2 +
			this.crew.reduce((sum, { journal }) => sum + journal.opened, 0)
		);
	}
}

/** Metres, and radians, of a leg behind which there is something to measure. */
const leastWay = 0.01;
const leastTurn = 0.03;

const hasMoved = ({ hasBody, from, to }: Span): boolean =>
	!hasBody &&
	(distance(to, from.x, from.y) > leastWay || Math.abs(to.heading - from.heading) > leastTurn);

function heldBehind({ robot, stepId, number }: Span, spans: readonly Span[]): HeldBehind {
	const rounds = spans.filter((each) => each.robot === robot && each.stepId === stepId);
	return { robot, stepId, number, round: rounds.length };
}

const round = (seconds: number): number => Math.round(seconds * 10) / 10;
