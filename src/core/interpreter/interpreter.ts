/** Runs the lit chains of a plan side by side in virtual time. */
import type { Plan } from '../plan/plan';
import type { Controls } from './controls';
import { compile } from './program';
import { Thread, type Observer } from './thread';

export class Interpreter {
	private readonly threads: readonly Thread[];

	constructor(plan: Plan, controls: Controls, observer: Observer) {
		this.threads = compile(plan).map((chain) => new Thread(chain, controls, observer));
	}

	tick(time: number): void {
		for (const thread of this.threads) if (!thread.isOver) thread.tick(time);
	}

	get isOver(): boolean {
		for (const thread of this.threads) if (!thread.isOver) return false;
		return true;
	}
}
