/**
 * One chain as it runs: a stack of step lists, and what it waits for. In each tick it goes on until
 * it has to wait, or until its budget of steps for the tick is used up; then it goes on at the next
 * tick, so that a loop that never waits cannot stop the clock. A loop that watches the world (forever,
 * until) begins one round a tick at the most, since the sensors say nothing new before.
 */
import type { Environment } from '../expressions/evaluate';
import type { Datum } from '../expressions/types';
import type { Reading } from '../expressions/vocabulary';
import type { Sentence } from '../sentence';
import type { Worked } from '../steps/definition';
import type { Controls, Wait } from './controls';
import { withinRange, workOut, type Instruction, type Program } from './program';
import type { Rounds, Running } from './running';

/** Steps and rounds that one chain may begin in one tick: far more than a real plan needs. */
export const budgetPerTick = 200;
/** Routines within routines. */
export const maximumCalls = 32;

/** Told what happens. @template Begun what it remembers of a step until that ends */
export interface Observer<Begun = unknown> {
	started(instruction: Instruction, time: number, values: Worked): Begun;
	ended(begun: Begun, time: number): void;
	/** A step that took no time, and held no others. */
	ran(instruction: Instruction, time: number, values: Worked): void;
	/** A loop used up the budget of a tick without ever waiting. */
	ranWithoutWaiting(loop: Instruction, time: number): void;
	/** Something that a person should know, said once for each step and key. */
	noted(instruction: Instruction, sentence: Sentence): void;
	logged(instruction: Instruction, time: number, value: Datum): void;
}

/** What all chains of one run share. */
export interface Shared {
	readonly program: Program;
	readonly robot: Controls;
	readonly observer: Observer;
	readonly memory: Map<string, Datum>;
	readonly chance: () => number;
	readonly send: (message: string) => void;
	readonly endAll: () => void;
}

type Locals = ReadonlyMap<string, Datum> | null;

interface Frame {
	readonly list: readonly Instruction[];
	readonly owner: Instruction | null;
	/** What the observer remembers of the owner. */
	readonly begun: unknown;
	/** For a loop; undefined for a list that runs once. */
	rounds: Rounds | undefined;
	readonly locals: Locals;
	readonly isCall: boolean;
	roundsLeft: number;
	index: number;
	/** Time at which the round began. */
	since: number;
}

export class Thread implements Running, Environment {
	isOver = false;
	private readonly stack: Frame[];
	/** The step in progress, until it has ended or its body hangs on the stack. */
	private current: Instruction | undefined;
	private begun: unknown;
	private worked: Worked = {};
	private wait: Wait | undefined;
	private sides: Thread[] = [];
	private time = 0;
	private isYielding = false;
	private calls = 0;

	readonly robot: Controls;
	readonly memory: Map<string, Datum>;

	constructor(
		instructions: readonly Instruction[],
		private readonly shared: Shared,
		locals: Locals = null
	) {
		this.robot = shared.robot;
		this.memory = shared.memory;
		this.stack = [frameOf(instructions, null, null, locals)];
	}

	/** Goes on until it waits again. @param time virtual seconds since Run */
	tick(time: number): void {
		this.time = time;
		this.isYielding = false;
		if (this.wait) {
			if (!this.wait.isOver(time)) return;
			this.wait = undefined;
			this.end();
		}
		for (let budget = budgetPerTick; budget > 0; budget--) {
			if (this.isOver || this.wait || this.isYielding) return;
			this.goOn();
		}
		if (this.isOver || this.wait || this.isYielding) return;
		const loop = this.stack.find((frame) => frame.rounds)?.owner;
		if (loop) this.shared.observer.ranWithoutWaiting(loop, time);
	}

	private get top(): Frame | undefined {
		return this.stack[this.stack.length - 1];
	}

	private goOn(): void {
		const frame = this.top!;
		const next = frame.list[frame.index];
		if (next) {
			frame.index += 1;
			this.begin(next);
		} else if (frame.rounds) {
			this.nextRound(frame);
		} else {
			this.pop();
		}
	}

	private nextRound(frame: Frame): void {
		const isWatching = frame.owner!.definition.isLoop;
		if (isWatching && frame.since === this.time && frame.index > -1) {
			// The round took no time: the next one begins in the next tick.
			this.isYielding = true;
			frame.since = -1;
			return;
		}
		frame.roundsLeft -= 1;
		const isDone = frame.rounds!.until
			? frame.owner!.conditions[frame.rounds!.until]!(this) === true
			: frame.roundsLeft <= 0;
		if (isDone) return this.pop();
		frame.index = 0;
		frame.since = this.time;
	}

	private pop(): void {
		const frame = this.stack.pop()!;
		if (frame.isCall) this.calls -= 1;
		if (frame.owner) this.shared.observer.ended(frame.begun, this.time);
		if (this.stack.length === 0) this.isOver = true;
	}

	private begin(instruction: Instruction): void {
		if (instruction.missing) {
			return this.noteAt(instruction, `note.cannot.${instruction.missing}`);
		}
		if (!this.workOut(instruction)) return;
		this.current = instruction;
		if (instruction.isSimple) this.runSimple(instruction);
		else this.runComposed(instruction);
	}

	private runSimple(instruction: Instruction): void {
		const { observer } = this.shared;
		this.wait = instruction.definition.run?.(this) ?? undefined;
		if (this.wait) {
			// Until it ends, the same step of another chain may fill in other values.
			if (instruction.computed.length > 0) this.worked = { ...this.worked };
			this.begun = observer.started(instruction, this.time, this.worked);
		} else {
			this.current = undefined;
			observer.ran(instruction, this.time, this.worked);
		}
	}

	private runComposed(instruction: Instruction): void {
		this.worked = { ...this.worked };
		this.begun = this.shared.observer.started(instruction, this.time, this.worked);
		const depth = this.stack.length;
		const wait = instruction.definition.run?.(this) ?? undefined;
		// A step that has put its body on the stack, or has taken the stack down, ends there.
		if (this.isOver || this.stack.length !== depth || this.current !== instruction) return;
		this.wait = wait;
		if (!wait) this.end();
	}

	/** Works out the step's expressions. @returns false when one gives nothing that can be used */
	private workOut(instruction: Instruction): boolean {
		const { computed, worked } = instruction;
		this.worked = worked;
		for (let i = 0; i < computed.length; i++) {
			const { name, definition } = computed[i]!;
			const value = workOut(computed[i]!, this, this.robot.topSpeed);
			if (value === undefined) {
				this.noteAt(instruction, 'note.noValue');
				return false;
			}
			worked[name] = withinRange(definition, value);
			if (worked[name] !== value) this.noteAt(instruction, 'note.outOfRange');
		}
		return true;
	}

	private end(): void {
		this.sides = [];
		if (this.current) this.shared.observer.ended(this.begun, this.time);
		this.current = undefined;
	}

	private noteAt(instruction: Instruction, key: string, values: Sentence['values'] = {}): void {
		const { number } = instruction;
		this.shared.observer.noted(instruction, { key, values: { ...values, number } });
	}

	// --- what expressions find ---

	read = (reading: Reading): Datum => this.robot.read(reading);
	variable = (name: string): Datum | undefined => {
		return this.top?.locals?.get(name) ?? this.memory.get(name);
	};
	chance = (): number => this.shared.chance();

	// --- what steps find ---

	number = (name: string): number => Number(this.worked[name]);
	text = (name: string): string => String(this.worked[name]);
	datum = (name: string): Datum => this.worked[name] ?? NaN;
	truth = (name: string): boolean => this.current?.conditions[name]?.(this) === true;

	loop = (rounds: Rounds): void => {
		const owner = this.current!;
		this.push(owner.body, this.locals, {
			rounds,
			roundsLeft: (rounds.times ?? Infinity) + 1,
			index: Infinity
		});
	};

	choose = (): void => {
		const { body } = this.current!;
		const branch = body.find(({ conditions }) => conditions.condition?.(this) ?? true);
		this.push(branch?.body ?? [], this.locals);
	};

	private get locals(): Locals {
		return this.top!.locals;
	}

	/** Hangs a list of steps under the step in progress, which ends when the list does. */
	private push(list: readonly Instruction[], locals: Locals, more: Partial<Frame> = {}): void {
		this.stack.push({ ...frameOf(list, this.current!, this.begun, locals), ...more });
		this.current = undefined;
	}

	sideBySide = (): Wait | undefined => {
		const { locals } = this;
		const sides = this.current!.body.map(({ body }) => new Thread(body, this.shared, locals));
		this.sides = sides;
		const isOver = (time: number): boolean => {
			for (const side of sides) if (!side.isOver) side.tick(time);
			return sides.every((side) => side.isOver);
		};
		return isOver(this.time) ? undefined : { isOver };
	};

	call = (name: string): void => {
		const owner = this.current!;
		const routine = this.shared.program.routines.get(name);
		if (!routine) return this.noteAt(owner, 'note.noRoutine', { name });
		if (this.calls >= maximumCalls) {
			return this.noteAt(owner, 'note.tooManyCalls', { name, maximum: maximumCalls });
		}
		this.calls += 1;
		const locals = new Map(routine.inputs.map((input) => [input, this.worked[input] ?? NaN]));
		this.push(routine.steps, locals, { isCall: true });
	};

	leaveLoop = (): void => {
		const call = this.stack.findLastIndex(({ isCall }) => isCall);
		const loop = this.stack.findLastIndex(({ rounds }) => rounds);
		if (loop <= call) return this.note('note.noLoop');
		this.end();
		while (this.stack.length > loop) this.pop();
	};

	/** Also stops its branches; what it had begun counts as ended. */
	endChain = (): void => {
		for (const side of this.sides) side.endChain();
		this.wait = undefined;
		this.end();
		while (this.stack.length > 0) this.pop();
	};

	endAll = (): void => {
		this.endChain();
		this.shared.endAll();
	};
	send = (message: string): void => this.shared.send(message);
	log = (value: Datum): void => this.shared.observer.logged(this.current!, this.time, value);
	note = (key: string, values?: Sentence['values']): void =>
		this.noteAt(this.current!, key, values);
}

const frameOf = (
	list: readonly Instruction[],
	owner: Instruction | null,
	begun: unknown,
	locals: Locals
): Frame => ({
	list,
	owner,
	begun,
	rounds: undefined,
	locals,
	isCall: false,
	roundsLeft: 0,
	index: 0,
	since: -1
});
