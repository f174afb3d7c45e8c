/**
 * Runs the lit chains of a plan side by side in virtual time. In each tick the triggers are looked
 * at first, then every running chain goes on, in the order of the plan.
 */
import type { Environment } from '../expressions/evaluate';
import type { Datum } from '../expressions/types';
import type { Reading } from '../expressions/vocabulary';
import type { Watch } from '../steps/definition';
import type { Controls } from './controls';
import { withinRange, workOut, type Instruction, type Program } from './program';
import { Thread, type Observer, type Shared } from './thread';
import type { Signals } from './triggers';

interface Chain {
	readonly trigger: Instruction;
	readonly steps: readonly Instruction[];
	readonly watch: Watch;
	thread: Thread | null;
	hasFired: boolean;
	/** It can start no more. */
	isSpent: boolean;
}

export interface Setting {
	readonly program: Program;
	readonly robot: Controls;
	readonly observer: Observer;
	/** Uniform in [0, 1). */
	readonly chance: () => number;
}

export class Interpreter {
	private readonly chains: readonly Chain[];
	private readonly shared: Shared;
	private sent = new Set<string>();
	private hasEnded = false;
	/** Something else than Run can start a chain. */
	private readonly hasTriggers: boolean;

	constructor({ program, robot, observer, chance }: Setting) {
		this.shared = {
			program,
			robot,
			observer,
			memory: new Map(),
			chance,
			send: (message) => this.sent.add(message),
			endAll: () => {
				this.hasEnded = true;
			}
		};
		this.chains = program.chains.map(({ trigger, steps }) => ({
			trigger,
			steps,
			watch: watchOf(trigger, this.shared),
			thread: null,
			hasFired: false,
			isSpent: false
		}));
		this.hasTriggers = this.chains.some(
			({ trigger }) => trigger.definition.kind !== 'whenRunPressed'
		);
	}

	/** @param signals what happened in the world; the messages are known here */
	tick(signals: Signals): void {
		if (this.sent.size > 0 || signals.messages.size > 0) {
			signals.messages = this.sent;
			this.sent = new Set();
		}
		for (const chain of this.chains) {
			if (chain.isSpent || !chain.watch.hasFired(signals)) continue;
			chain.hasFired = true;
			chain.isSpent = chain.trigger.definition.kind === 'whenRunPressed';
			chain.thread ??= new Thread(chain.steps, this.shared);
		}
		for (const chain of this.chains) {
			if (!chain.thread) continue;
			chain.thread.tick(signals.time);
			if (this.hasEnded) return this.end();
			if (chain.thread.isOver) chain.thread = null;
		}
	}

	private end(): void {
		for (const { thread } of this.chains) thread?.endChain();
		for (const chain of this.chains) chain.thread = null;
	}

	/** No chain runs, and no message is on its way. */
	get isIdle(): boolean {
		if (this.hasEnded) return true;
		if (this.sent.size > 0) return false;
		for (const { thread } of this.chains) if (thread) return false;
		return true;
	}

	/** A chain waits for something that a robot on its way could still meet. */
	get isWaiting(): boolean {
		return this.hasTriggers && !this.hasEnded;
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

/** A trigger's values are worked out anew whenever it looks at them. */
function watchOf(trigger: Instruction, shared: Shared): Watch {
	const environment: Environment = {
		read: (reading: Reading) => shared.robot.read(reading),
		variable: (name) => shared.memory.get(name),
		chance: shared.chance
	};
	const datum = (name: string): Datum => {
		const computed = trigger.computed.find((candidate) => candidate.name === name);
		if (!computed) return trigger.values[name] ?? NaN;
		const value = workOut(computed, environment, shared.robot.topSpeed) ?? NaN;
		return withinRange(computed.definition, value);
	};
	return trigger.definition.watch!({
		datum,
		number: (name) => Number(datum(name)),
		text: (name) => String(datum(name)),
		truth: (name) => trigger.conditions[name]?.(environment) === true
	});
}
