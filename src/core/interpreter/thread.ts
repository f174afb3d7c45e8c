/**
 * One chain as it runs: a stack of step lists, and what it waits for. In each tick it goes on until
 * it has to wait, or until its share of steps for the tick is used up; then it goes on at the next
 * tick, so that a loop that never waits cannot stop the clock. A loop that watches the world (forever,
 * until) begins one round a tick at the most, since the sensors say nothing new before.
 */
import type { z } from 'zod';
import type { Cell, Environment } from '../expressions/evaluate';
import { tick } from '../time';
import type { Datum } from '../types';
import type { Sentence } from '../sentence';
import type { Command, Device, Schemas } from '../devices/device';
import type { Wait } from '../devices/port';
import { ask, withinRange, workOut, type Condition } from './computed';
import { frameOf, noInputs, type Frame, type Inputs } from './frame';
import type { Observer } from './observer';
import { came, readingOf, type Own, type Shared } from './own';
import type { Instruction } from './program';
import type { Rounds, Running } from '../steps/running';
import { maximumCalls, maximumThreads, stepsPerThread } from './settings';

/** A wait ends at the tick that is nearest to its end: sums of times may be off by rounding. */
const nearest = tick / 2 + 1e-9;

export class Thread implements Running, Environment {
	isOver = false;
	private readonly stack: Frame[];
	/** The step in progress, until it has ended or its body hangs on the stack. */
	private current: Instruction | undefined;
	private begun: unknown;
	/** Values of the step in progress, in the order of its names. */
	private values: readonly Datum[] = [];
	private wait: Wait | undefined;
	private sides: Thread[] = [];
	private time = 0;
	/** Where it really is in time: a wait that ended between two ticks makes the next one no later. */
	private clock = 0;
	private isYielding = false;
	/** Routines that it runs in. */
	private calls: number;
	/** As of all threads of its robot. */
	private readonly observer: Observer;
	readonly cells: readonly Cell[];
	/** What a step's values are worked out into: the same list for all steps. */
	private readonly filled: Datum[] = [];

	/**
	 * @param from the thread that it is a branch of: it sees the same inputs, and ends with it
	 */
	constructor(
		instructions: readonly Instruction[],
		private readonly own: Own,
		private readonly shared: Shared,
		private readonly from?: Thread,
		/** What came with the message that started it. */
		private readonly received: Datum = own.received
	) {
		this.calls = from?.calls ?? 0;
		this.cells = own.cells;
		this.observer = own.observer;
		const inputs = from?.inputs ?? noInputs;
		this.stack = [frameOf(instructions, null, null, inputs)];
	}

	/** Goes on until it waits again. @param time virtual seconds since Run */
	tick(time: number): void {
		const { budget, isHeld } = this.shared;
		this.time = this.clock = time;
		this.isYielding = false;
		if (this.wait && !this.isReady(this.wait)) return;
		const { share } = budget;
		let left = share;
		for (; left > 0 && !this.isOver; left--) {
			if (isHeld?.()) break;
			const frame = this.top!;
			if (frame.index < frame.list.length) this.begin(frame.list[frame.index++]!);
			else if (frame.isLoop) this.nextRound(frame);
			else this.pop();
			if (this.isOver || this.isYielding) break;
			if (this.wait && (this.wait.endedAt === undefined || !this.isReady(this.wait))) break;
		}
		budget.left -= share - left;
		const loop = left > 0 ? undefined : this.stack.find(({ isLoop }) => isLoop)?.owner;
		if (budget.left <= 0) budget.usedUpBy ??= loop ?? this.current ?? this.top?.owner ?? null;
		if (loop) this.observer.ranWithoutWaiting(loop, time);
	}

	/** Whether it need wait no longer; then the step that waited has ended. */
	private isReady(wait: Wait): boolean {
		if (!wait.isOver(this.time)) return false;
		this.clock = wait.endedAt ?? this.time;
		if (wait.refusal) this.noteRefusal(wait.refusal);
		this.wait = undefined;
		this.end();
		return true;
	}

	private get top(): Frame | undefined {
		return this.stack[this.stack.length - 1];
	}

	private nextRound(frame: Frame): void {
		const isWatching = frame.owner!.definition.isLoop;
		if (isWatching && frame.since === this.time) {
			// The round took no time: the next one begins in the next tick.
			this.isYielding = true;
			frame.since = -1;
			return;
		}
		frame.roundsLeft -= 1;
		const { until, roundsLeft } = frame;
		if (until ? this.answer(until) === true : roundsLeft <= 0) return this.pop();
		frame.index = 0;
		frame.since = this.time;
	}

	private pop(): void {
		const frame = this.stack.pop()!;
		if (frame.isCall) this.calls -= 1;
		if (frame.owner) this.observer.ended(frame.begun, this.time);
		if (this.stack.length === 0) this.isOver = true;
	}

	private begin(instruction: Instruction): void {
		if (instruction.missing) {
			return this.noteAt(instruction, `note.cannot.${instruction.missing.id}`);
		}
		const { without } = instruction;
		if (without) this.noteAt(instruction, `note.without.${without.id}`);
		if (instruction.computed.length === 0) this.values = instruction.slots;
		else if (!this.workOut(instruction)) return;
		this.current = instruction;
		if (instruction.isSimple) this.runSimple(instruction);
		else this.runComposed(instruction);
	}

	private runSimple(instruction: Instruction): void {
		const wait = instruction.definition.run?.(this);
		if (!wait) {
			this.current = undefined;
			return this.observer.ran(instruction, this.time, this.values);
		}
		this.wait = wait;
		this.keepValues(instruction);
		this.begun = this.observer.started(instruction, this.time, this.values);
	}

	/** Other steps will fill in their values before this one ends. */
	private keepValues({ names }: Instruction): void {
		if (this.values === this.filled) this.values = this.filled.slice(0, names.length);
	}

	private runComposed(instruction: Instruction): void {
		this.spend(1);
		this.keepValues(instruction);
		this.begun = this.observer.started(instruction, this.time, this.values);
		const depth = this.stack.length;
		const wait = instruction.definition.run?.(this) ?? undefined;
		// A step that has put its body on the stack, or has taken the stack down, ends there.
		if (this.isOver || this.stack.length !== depth || this.current !== instruction) return;
		this.wait = wait;
		if (!wait) this.end();
	}

	/** Works out the step's expressions. @returns false when one gives nothing that can be used */
	private workOut(instruction: Instruction): boolean {
		const { computed, slots, cost } = instruction;
		const { filled } = this;
		this.shared.budget.left -= cost;
		for (let i = 0; i < slots.length; i++) filled[i] = slots[i]!;
		for (const each of computed) {
			const value = workOut(each, this);
			if (value === undefined) {
				this.noteAt(instruction, 'note.noValue');
				return false;
			}
			const used = withinRange(each, value);
			filled[each.index] = used;
			if (used !== value) this.noteAt(instruction, 'note.outOfRange');
		}
		this.values = filled;
		return true;
	}

	private end(): void {
		this.shared.budget.giveThreads(this.sides.length);
		this.sides = [];
		if (this.current) this.observer.ended(this.begun, this.time);
		this.current = undefined;
	}

	private noteAt(instruction: Instruction, key: string, values: Sentence['values'] = {}): void {
		const { number } = instruction;
		this.observer.noted(instruction, { key, values: { ...values, number } });
	}

	/** A robot far away says only later that it refuses. */
	private noteRefusal(why: string): void {
		if (this.current) this.noteAt(this.current, `note.refused.${why}`);
	}

	// --- what expressions find ---

	read(reading: string): Datum {
		return reading === came ? this.received : readingOf(reading, this.time, this.own);
	}
	input(index: number): Datum | undefined {
		return this.inputs[index];
	}
	chance(): number {
		return this.own.chance();
	}

	// --- what steps find ---

	ask = <S extends Schemas, N extends keyof S & string>(
		device: Device<S>,
		name: N,
		values: z.infer<S[N]>
	): Wait => {
		this.observer.ordered(this.current!, device, name);
		const order = { device: device.id, name, values: values as Command['values'] };
		const wait = this.own.port.begin(order);
		if (wait.refusal) this.noteRefusal(wait.refusal);
		return wait;
	};
	pause = (seconds: number): Wait => {
		const endedAt = this.clock + seconds;
		return { endedAt, isOver: (time) => time >= endedAt - nearest };
	};
	setCruise = (speed: number): void => {
		this.own.cruise = speed;
	};
	get cell(): Cell {
		return this.cells[this.current!.variable]!;
	}
	private answer(condition: Condition | undefined): Datum | undefined {
		return ask(condition, this, this.shared.budget);
	}
	/** A step has so few values that looking through their names is fastest. */
	datum = (name: string): Datum => {
		const { names } = this.current!;
		for (let i = 0; i < names.length; i++) if (names[i] === name) return this.values[i]!;
		return NaN;
	};
	number = (name: string): number => Number(this.datum(name));
	text = (name: string): string => String(this.datum(name));
	truth = (name: string): boolean => this.answer(this.current?.conditions[name]) === true;

	loop = (rounds: Rounds): void => {
		const owner = this.current!;
		this.push(owner.body, this.inputs, {
			isLoop: true,
			until: rounds.until ? owner.conditions[rounds.until] : undefined,
			roundsLeft: (rounds.times ?? Infinity) + 1,
			index: owner.body.length
		});
	};

	choose = (): void => {
		const { body } = this.current!;
		const branch = body.find(({ conditions }) => this.answer(conditions.condition) ?? true);
		this.push(branch?.body ?? [], this.inputs);
	};

	private get inputs(): Inputs {
		return this.top!.inputs;
	}

	/** Hangs a list of steps under the step in progress, which ends when the list does. */
	private push(list: readonly Instruction[], inputs: Inputs, more: Partial<Frame> = {}): void {
		this.stack.push(Object.assign(frameOf(list, this.current!, this.begun, inputs), more));
		this.current = undefined;
	}

	sideBySide = (): Wait | undefined => {
		const { own, shared } = this;
		const { body } = this.current!;
		if (shared.budget.left <= 0) return undefined;
		if (!shared.budget.takeThreads(body.length)) {
			this.note('note.tooManyAtOnce', { maximum: maximumThreads });
			return undefined;
		}
		this.spend(body.length * stepsPerThread);
		const sides = body.map((side) => new Thread(side.body, own, shared, this, this.received));
		this.sides = sides;
		const isOver = (time: number): boolean => {
			for (const side of sides) if (!side.isOver) side.tick(time);
			return sides.every((side) => side.isOver);
		};
		return isOver(this.time) ? undefined : { isOver };
	};

	call = (name: string): void => {
		const owner = this.current!;
		const routine = this.own.routines.get(name);
		if (!routine) return this.noteAt(owner, 'note.noRoutine', { name });
		if (this.calls >= maximumCalls) {
			return this.noteAt(owner, 'note.tooManyCalls', { name, maximum: maximumCalls });
		}
		this.calls += 1;
		const inputs = routine.inputs.map(this.datum);
		this.push(routine.steps, inputs, { isCall: true });
	};

	leaveLoop = (): void => {
		const call = this.stack.findLastIndex(({ isCall }) => isCall);
		const loop = this.stack.findLastIndex(({ isLoop }) => isLoop);
		if (loop <= call) return this.note('note.noLoop');
		this.end();
		while (this.stack.length > loop) this.pop();
	};

	/** Also stops its branches; what it had begun counts as ended. */
	stop(time: number): void {
		this.time = time;
		for (const side of this.sides) side.stop(time);
		this.wait = undefined;
		this.end();
		while (this.stack.length > 0) this.pop();
	}

	/** Of a branch as well: the whole chain. */
	endChain = (): void => this.chain.stop(this.time);

	/** The thread of the chain that this is, or is a branch of. */
	private get chain(): Thread {
		return this.from ? this.from.chain : this;
	}

	endAll = (): void => {
		this.endChain();
		this.shared.endAll();
	};
	spend = (steps: number): void => {
		this.shared.budget.left -= steps;
	};
	send = (message: string, value: Datum): void => this.shared.send(message, value);
	log = (value: Datum): void => this.observer.logged(this.current!, this.time, value);
	note = (key: string, values?: Sentence['values']): void =>
		this.noteAt(this.current!, key, values);
}
