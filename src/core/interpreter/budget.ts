/** Counts what a run uses up. One for all chains of a run. */
import type { Instruction } from './program';
import {
	maximumThreads,
	secondsOfRun,
	stepsOfAllPerTick,
	stepsPerRun,
	stepsPerTick
} from './settings';

export class Budget {
	/** Steps that each thread may begin in this tick. */
	share = stepsPerTick;
	/** The step that used up the last of it. */
	usedUpBy: Instruction | null = null;
	/** What the whole run may cost, in steps. */
	readonly total: number;
	private left: number;
	private threads: number;

	/** @param seconds of virtual time that the run may take @param chains that can run at once */
	constructor(seconds: number, chains: number) {
		this.total = stepsPerRun * Math.max(1, seconds / secondsOfRun);
		this.left = this.total;
		this.threads = chains;
	}

	beginTick(): void {
		this.share = Math.min(stepsPerTick, Math.ceil(stepsOfAllPerTick / this.threads));
	}

	spend(steps: number, by: Instruction | null): void {
		this.left -= steps;
		if (this.left <= 0) this.usedUpBy ??= by;
	}

	get spent(): number {
		return this.total - this.left;
	}

	get isUsedUp(): boolean {
		return this.left <= 0;
	}

	/** @returns whether so many more may run at once */
	takeThreads(count: number): boolean {
		if (this.threads + count > maximumThreads) return false;
		this.threads += count;
		return true;
	}

	giveThreads(count: number): void {
		this.threads -= count;
	}
}
