/** One connection to a robot, as the check has it: what was said, and what came. */
import WebSocket from 'ws';
import {
	fromRobotSchema,
	readMessage,
	type FromRobot,
	type Greeting,
	type ToRobot
} from '../../core/link/frames';
import type { Knocker } from '../../core/link/knocker';

export interface Heard {
	/** Milliseconds, as `performance.now()`. */
	readonly at: number;
	readonly frame: FromRobot;
}

/** @returns whether it is so within a while */
export async function comesTrue(isSo: () => boolean, milliseconds: number): Promise<boolean> {
	const until = performance.now() + milliseconds;
	while (!isSo() && performance.now() < until) await pause(10);
	return isSo();
}

export class RobotLine {
	readonly heard: Heard[] = [];
	/** Messages that are no frames. */
	readonly strange: string[] = [];
	isOpen = false;
	private isAlive = false;
	private readonly socket: WebSocket;
	private readonly stay: ReturnType<typeof setInterval>;

	/** @param localAddress of several that this machine has, the one to speak from */
	constructor(url: string, localAddress?: string) {
		this.socket = new WebSocket(url, { localAddress });
		this.socket.on('open', () => (this.isOpen = true));
		this.socket.on('close', () => (this.isOpen = false));
		// Its closing tells.
		this.socket.on('error', () => {});
		this.socket.on('message', (data) => this.take(String(data)));
		this.stay = setInterval(() => this.isAlive && this.send({ type: 'alive' }), 150);
	}

	private take(text: string): void {
		const frame = readMessage(text, fromRobotSchema);
		if (frame) this.heard.push({ at: performance.now(), frame });
		else this.strange.push(text);
	}

	/** @param isAlive whether signs of life are sent by themselves */
	live(isAlive: boolean): void {
		this.isAlive = isAlive;
	}

	send(frame: ToRobot | object): void {
		this.sendText(JSON.stringify(frame));
	}
	sendText(text: string): void {
		if (this.socket.readyState === WebSocket.OPEN) this.socket.send(text);
	}

	close(): void {
		clearInterval(this.stay);
		this.socket.close();
	}
	/** As when a cable is pulled. */
	cut(): void {
		clearInterval(this.stay);
		this.socket.terminate();
	}

	/** @returns the first frame of this type after the first so many, or undefined after a while */
	async wait<T extends FromRobot['type']>(
		type: T,
		from = 0,
		milliseconds = 3000
	): Promise<(FromRobot & { type: T }) | undefined> {
		const until = performance.now() + milliseconds;
		for (;;) {
			const found = this.heard.slice(from).find(({ frame }) => frame.type === type);
			if (found) return found.frame as FromRobot & { type: T };
			if (performance.now() > until) return undefined;
			await pause(10);
		}
	}

	/** @returns whether what was sent is called bad, or hung up on, within a while */
	async isRefused(milliseconds = 3000): Promise<boolean> {
		return comesTrue(
			() => !this.isOpen || this.heard.some(({ frame }) => frame.type === 'bad'),
			milliseconds
		);
	}

	/** Sends, and waits for the answer. */
	async ask<T extends FromRobot['type']>(
		frame: ToRobot | object,
		type: T,
		milliseconds?: number
	): Promise<(FromRobot & { type: T }) | undefined> {
		const from = this.heard.length;
		this.send(frame);
		return this.wait(type, from, milliseconds);
	}

	/** Says hello. @returns whether it shows its signs */
	async knock(knocker: Knocker, milliseconds?: number): Promise<boolean> {
		const confirm = await this.ask(knocker.hello(), 'confirm', milliseconds);
		if (confirm) knocker.see(confirm);
		return confirm !== undefined;
	}

	/** Tells what somebody saw. @returns undefined if that is not what it showed */
	async tell(knocker: Knocker, signs: readonly number[]): Promise<Greeting | undefined> {
		const seal = knocker.seal(signs);
		const shown = seal && (await this.ask(seal, 'shown'));
		const open = shown && knocker.open(shown);
		return open && this.ask(open, 'greeting');
	}

	/** Says hello as one whom it knows. */
	async prove(knocker: Knocker): Promise<Greeting | undefined> {
		const challenge = await this.ask(knocker.hello(), 'challenge');
		const proof = challenge && knocker.prove(challenge);
		return proof && this.ask(proof, 'greeting');
	}

	async opened(milliseconds = 3000): Promise<boolean> {
		const until = performance.now() + milliseconds;
		while (!this.isOpen && performance.now() < until) await pause(10);
		return this.isOpen;
	}
}

export const pause = (milliseconds: number): Promise<void> =>
	new Promise((done) => setTimeout(done, milliseconds));
