/**
 * Runs the lit chains of a plan side by side in virtual time. In each tick the triggers are looked
 * at first, then every running chain goes on, in the order of the plan.
 */
import type { Environment } from '../expressions/evaluate';
import type { Datum } from '../types';
import type { Watch } from '../steps/definition';
import { Budget } from './budget';
import type { Happenings } from '../devices/happenings';
import type { Port } from '../devices/port';
import { emptyCells } from './memory';
import { ask, withinRange, workOut } from './computed';
import type { Instruction, Program } from './program';
import { initialCruise } from './settings';
import type { Observer } from './observer';
import { readingOf, type Own, type Shared } from './own';
import { Thread } from './thread';
import type { Signals } from '../steps/signals';

interface Chain {
	readonly id: string;
	readonly trigger: Instruction;
	readonly steps: readonly Instruction[];
	readonly watch: Watch;
	readonly robot: number;
	thread: Thread | null;
	hasFired: boolean;
	/** It can start no more. */
	isSpent: boolean;
}

export interface Setting {
	readonly program: Program;
	/** The robots that run it, in the order of the plan. */
	readonly crew: readonly {
		readonly port: Port;
		readonly happened: Happenings;
		readonly observer: Observer;
		/** Uniform in [0, 1). */
		readonly chance: () => number;
	}[];
	/** Seconds of virtual time that the run may take. */
	readonly limit: number;
	/** Asked before each step: no robot begins one while it is. */
	readonly isHeld?: (() => boolean) | undefined;
}

export class Interpreter {
	private readonly chains: readonly Chain[];
	private readonly shared: Shared;
	private readonly crew: readonly Own[];
	/** When it is used up, the run has to end. */
	readonly budget: Budget;
	/** Virtual seconds since Run. */
	time = 0;
	/** Messages on their way, each with the value that comes with it. */
	private sent = new Map<string, Datum>();
	/** Those of the tick before. */
	came: ReadonlyMap<string, Datum> = new Map();
	/** For each robot, what can start a chain of it. */
	private readonly signals: readonly Signals[];
	private readonly names: readonly string[];
	private hasEnded = false;
	/** Some chain can still start. */
	private canStart = true;
	/** No chain runs, and no message is on its way. */
	isIdle = false;
	/** Something else than Run can start a chain. */
	private readonly hasTriggers: boolean;

	constructor({ program, crew, limit, isHeld }: Setting) {
		this.budget = new Budget(limit, program.chains.length);
		this.crew = crew.map(({ port, observer, chance }, index) => ({
			port,
			observer,
			chance,
			routines: program.routines[index]!,
			cells: emptyCells(program.variables),
			cruise: initialCruise,
			received: 0
		}));
		this.signals = crew.map(({ port, happened }) => new RobotSignals(this, port, happened));
		this.shared = {
			budget: this.budget,
			send: (message, value) => {
				this.sent.delete(message);
				this.sent.set(message, value);
			},
			endAll: () => {
				this.hasEnded = true;
			},
			isHeld
		};
		this.names = program.names;
		this.chains = program.chains.map(({ id, trigger, steps, robot }) => ({
			id,
			trigger,
			steps,
			robot,
			watch: watchOf(trigger, this.crew[robot]!, this.budget, () => this.time),
			thread: null,
			hasFired: false,
			isSpent: false
		}));
		this.hasTriggers = !this.chains.every(({ trigger }) => isRun(trigger));
	}

	tick(time: number): void {
		if (this.sent.size > 0 || this.came.size > 0) this.deliver();
		this.time = time;
		if (this.canStart) this.start();
		const { chains } = this;
		let running = 0;
		for (let i = 0; i < chains.length; i++) {
			const chain = chains[i]!;
			if (!chain.thread) continue;
			chain.thread.tick(time);
			if (this.hasEnded) return this.end(time);
			if (this.budget.left <= 0) return;
			if (chain.thread.isOver) chain.thread = null;
			else running += 1;
		}
		this.isIdle = running === 0 && this.sent.size === 0;
	}

	private deliver(): void {
		this.came = this.sent;
		this.sent = new Map();
		const values = [...this.came.values()];
		if (values.length > 0) for (const own of this.crew) own.received = values.at(-1)!;
	}

	private start(): void {
		for (const chain of this.chains) {
			if (chain.isSpent || !chain.watch.hasFired(this.signals[chain.robot]!)) continue;
			chain.hasFired = true;
			chain.isSpent = isRun(chain.trigger);
			if (chain.thread) continue;
			const own = this.crew[chain.robot]!;
			const came = this.came.get(String(chain.trigger.values.message));
			chain.thread = new Thread(chain.steps, own, this.shared, undefined, came);
		}
		this.canStart = this.chains.some(({ isSpent }) => !isSpent);
	}

	/** Some chain has started. */
	get hasBegun(): boolean {
		return this.chains.some(({ hasFired }) => hasFired);
	}

	/** Nothing but what happens to a robot starts this plan, and a hand still can. */
	get waitsForHands(): boolean {
		if (this.hasEnded || this.chains.some(({ trigger }) => isRun(trigger))) return false;
		return this.chains.some(
			({ trigger: { definition, readings } }) => definition.isByHand || readings.has('touched')
		);
	}

	/** A hand starts a chain, unless it runs. */
	press(id: string): void {
		const chain = this.chains.find((one) => one.id === id);
		if (!chain || chain.thread || this.hasEnded) return;
		chain.thread = new Thread(chain.steps, this.crew[chain.robot]!, this.shared);
	}

	/** A hand sets a variable, of all robots. */
	set(name: string, value: Datum): void {
		const number = this.names.indexOf(name);
		for (const { cells } of this.crew) if (cells[number]) cells[number].value = value;
	}

	private end(time: number): void {
		for (const { thread } of this.chains) thread?.stop(time);
		for (const chain of this.chains) chain.thread = null;
		this.isIdle = true;
	}

	/** What a reading says now, for whoever writes it down. */
	read(robot: number, reading: string): Datum {
		return readingOf(reading, this.time, this.crew[robot]!);
	}

	/** A chain waits for something that a robot on its way could still meet. */
	get isWaiting(): boolean {
		return this.hasTriggers && !this.hasEnded;
	}

	/** Something that happens to a robot, or what it reads, can still start a chain: not only a message. */
	get isOpenToWorld(): boolean {
		if (this.hasEnded) return false;
		return this.chains.some(
			({ trigger, isSpent }) => !isSpent && trigger.definition.kind !== 'whenMessage'
		);
	}

	/** Something will start by itself, even while the robot stands: a clock. */
	get isTicking(): boolean {
		if (this.hasEnded) return false;
		return this.chains.some(
			({ trigger, hasFired }) =>
				trigger.definition.keepsGoing || (trigger.readings.has('time') && !hasFired)
		);
	}
}

const isRun = ({ definition }: Instruction): boolean => definition.kind === 'whenRunPressed';

/** What can start a chain of one robot. */
class RobotSignals implements Signals {
	constructor(
		private readonly run: Pick<Interpreter, 'time' | 'came'>,
		private readonly port: Port,
		readonly happened: Happenings
	) {}
	readonly read = (reading: string): Datum => this.port.read(reading);
	get time(): number {
		return this.run.time;
	}
	get messages(): ReadonlyMap<string, Datum> {
		return this.run.came;
	}
}

/** A trigger's values are worked out anew whenever it looks at them. */
function watchOf(trigger: Instruction, own: Own, budget: Budget, now: () => number): Watch {
	const environment: Environment = {
		read: (reading) => readingOf(reading, now(), own),
		cells: own.cells,
		input: () => undefined,
		chance: own.chance
	};
	const datum = (name: string): Datum => {
		const computed = trigger.computed.find((candidate) => candidate.name === name);
		if (!computed) return trigger.values[name] ?? NaN;
		return withinRange(computed, workOut(computed, environment) ?? NaN);
	};
	return trigger.definition.watch!({
		datum,
		number: (name) => Number(datum(name)),
		text: (name) => String(datum(name)),
		truth: (name) => ask(trigger.conditions[name], environment, budget) === true
	});
}
