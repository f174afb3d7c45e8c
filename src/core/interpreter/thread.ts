/**
 * One chain as it runs: a stack of step lists, and what it waits for. In each tick it goes on until
 * it has to wait, or until its budget of steps for the tick is used up; then it goes on at the next
 * tick, so that a loop that never waits cannot stop the clock.
 */
import type { Controls, Wait } from './controls';
import type { Instruction } from './program';

/** Steps and rounds that one chain may begin in one tick: far more than a real plan needs. */
export const budgetPerTick = 200;

export interface Observer {
	started(instruction: Instruction, time: number): void;
	ended(instruction: Instruction, time: number): void;
	/** A loop used up the budget of a tick without ever waiting. */
	ranWithoutWaiting(loop: Instruction, time: number): void;
}

interface Frame {
	readonly list: readonly Instruction[];
	readonly owner: Instruction | null;
	roundsLeft: number;
	index: number;
}

export class Thread {
	isOver = false;
	private readonly stack: Frame[];
	private current: Instruction | undefined;
	private wait: Wait | undefined;

	constructor(
		instructions: readonly Instruction[],
		private readonly controls: Controls,
		private readonly observer: Observer
	) {
		this.stack = [{ list: instructions, owner: null, roundsLeft: 0, index: 0 }];
	}

	/** Goes on until it waits again. @param time virtual seconds since Run */
	tick(time: number): void {
		if (this.wait) {
			if (!this.wait.isOver(time)) return;
			this.wait = undefined;
			this.end(time);
		}
		for (let budget = budgetPerTick; budget > 0; budget--) {
			if (this.isOver || this.wait) return;
			this.goOn(time);
		}
		if (this.isOver || this.wait) return;
		const loop = this.stack.find((frame) => frame.owner !== null)?.owner;
		if (loop) this.observer.ranWithoutWaiting(loop, time);
	}

	private goOn(time: number): void {
		const frame = this.stack.at(-1)!;
		const next = frame.list[frame.index];
		if (next) {
			frame.index += 1;
			this.begin(next, time);
		} else if (frame.roundsLeft > 0) {
			frame.roundsLeft -= 1;
			frame.index = 0;
		} else {
			this.stack.pop();
			if (frame.owner) this.observer.ended(frame.owner, time);
			else this.isOver = true;
		}
	}

	private begin(instruction: Instruction, time: number): void {
		const { definition, values, body } = instruction;
		this.observer.started(instruction, time);
		if (definition.rounds) {
			const roundsLeft = definition.rounds(values) - 1;
			this.stack.push({ list: body, owner: instruction, roundsLeft, index: 0 });
			return;
		}
		this.current = instruction;
		this.wait = definition.run?.(values, this.controls);
		if (!this.wait) this.end(time);
	}

	private end(time: number): void {
		if (this.current) this.observer.ended(this.current, time);
		this.current = undefined;
	}
}
