/** A check in progress: with whom, and what was found by now. */
import type { FromRobot, Greeting } from '../../core/link/frames';
import { Knocker } from '../../core/link/knocker';
import type { RobotLine } from './robot-line';

export interface Finding {
	/** As in docs/link.md. */
	readonly check: string;
	readonly holds: boolean;
	/** What was seen. */
	readonly seen: string;
}

/** What the check needs from whoever stands beside the robot. */
export interface Beside {
	/** The signs that it shows now. */
	readSigns(): Promise<readonly number[]>;
}

export const maren = { id: 'check-one', name: 'Maren' };
export const piet = { id: 'check-two', name: 'Piet' };

export class Check {
	readonly findings: Finding[] = [];
	greeting: Greeting | undefined;
	/** The greeting showed that the robot has the token, too. */
	isProven = false;
	private orders = 0;
	/** Milliseconds that an answer may take more than at once. */
	delay = 0;
	readonly robot: string;
	readonly maren: Knocker;

	constructor(
		readonly url: string,
		readonly beside: Beside
	) {
		this.robot = url.split('/').at(-1)!;
		this.maren = new Knocker(this.robot, maren, undefined);
	}

	/** Another person knocks. */
	piet(): Knocker {
		return new Knocker(this.robot, piet, undefined);
	}

	note(check: string, holds: boolean, seen = ''): boolean {
		this.findings.push({ check, holds, seen });
		return holds;
	}

	order(device: string, name: string, values: object) {
		this.orders += 1;
		return { type: 'begin', id: this.orders, command: { device, name, values } };
	}

	rows(line: RobotLine, from: number) {
		return line.heard.slice(from).filter(({ frame }) => frame.type === 'sense') as {
			at: number;
			frame: FromRobot & { type: 'sense' };
		}[];
	}
}
