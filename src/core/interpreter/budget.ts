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
	/** Steps that the run may still cost: a whole number, counted down on the hottest path there is. */
	left: number;
	/** The step that used up the last of it. */
	usedUpBy: Instruction | null = null;
	/** What the whole run may cost, in steps. */
	readonly total: number;
	private threads = 0;

	/** @param seconds of virtual time that the run may take @param chains that can run at once */
	constructor(seconds: number, chains: number) {
		this.total = Math.round(stepsPerRun * Math.max(1, seconds / secondsOfRun));
		this.left = this.total;
		this.countThreads(chains);
	}

	/** @returns whether so many more may run at once */
	takeThreads(count: number): boolean {
		if (this.threads + count > maximumThreads) return false;
		this.countThreads(count);
		return true;
	}

	giveThreads(count: number): void {
		this.countThreads(-count);
	}

	private countThreads(change: number): void {
		this.threads += change;
		this.share = Math.min(stepsPerTick, Math.ceil(stepsOfAllPerTick / Math.max(1, this.threads)));
	}
}
