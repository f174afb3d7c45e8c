/** One robot's link as the app has it: it pairs, stays, and comes back by itself when it is lost. */
import { z } from 'zod';
import {
	fromRobotSchema,
	readMessage,
	type FromRobot,
	type Greeting,
	type LinkPerson,
	type ToRobot
} from '../core/link/frames';
import { Knocker } from '../core/link/knocker';
import { mendRow } from '../core/link/rows';
import { robotKinds } from '../core/robots/kinds';
import { settingsSaid } from '../core/robots/robot-document';

/** Milliseconds between two signs of life: several within a robot's patience. */
const aliveEvery = 150;
/** Milliseconds of silence after which a robot counts as lost. */
const silence = 1500;
/** Milliseconds for which an answer to the first word is awaited. */
const answersWithin = 4000;
/** Milliseconds before it is tried again, at first and at most. */
const firstPause = 300;
const longestPause = 8000;

/** As the server closes a socket: see docs/link.md. */
const reasons: Readonly<Record<number, Trouble>> = {
	4404: 'notHeard',
	4503: 'radioOff',
	4529: 'full'
};

/** What is in the way where the robot itself says nothing. */
export type Trouble =
	'notHeard' | 'radioOff' | 'full' | 'outOfRange' | 'oldRobot' | 'gone' | 'otherRobot';
type Sorry = Extract<FromRobot, { type: 'sorry' }>;

/** How a link stands, for whoever shows it. */
export type LinkState =
	| { readonly phase: 'connecting' }
	| {
			readonly phase: 'confirm';
			readonly until: number;
			readonly left: number;
			/** What is told counts once a hand is on the robot's button. */
			readonly hand: boolean;
			/** It was told, and nothing has come of it yet. */
			readonly isTold: boolean;
			readonly isWrong: boolean;
	  }
	| {
			readonly phase: 'paired';
			readonly greeting: Greeting;
			/** With it no signs are needed next time. */
			readonly token: string;
			/** Names of settings that it says and nobody knows: they are taken as its kind has them. */
			readonly odd: readonly string[];
	  }
	/** It was paired, and is tried again by itself. */
	| { readonly phase: 'lost'; readonly trouble: Trouble | Sorry['why']; readonly sorry?: Sorry }
	| { readonly phase: 'closed'; readonly trouble?: Trouble | Sorry['why']; readonly sorry?: Sorry };

interface Hands {
	changed(state: LinkState): void;
	/** A frame that is not about pairing. @param odd names of what in it made no sense, and is left out */
	heard(frame: FromRobot, odd: readonly string[]): void;
}

export class Link {
	state: LinkState = { phase: 'connecting' };
	private socket: WebSocket | undefined;
	private heardAt = 0;
	private pause = firstPause;
	private wasPaired = false;
	private isClosed = false;
	private knocker: Knocker | undefined;
	private again: ReturnType<typeof setTimeout> | undefined;
	private readonly alive = setInterval(() => this.stay(), aliveEvery);

	/** @param url of the app's own link path */
	constructor(
		readonly robot: string,
		private readonly url: URL,
		private readonly person: LinkPerson,
		public token: string | undefined,
		private readonly hands: Hands
	) {
		this.connect();
	}

	private connect(): void {
		const url = new URL(this.url);
		url.searchParams.set('robot', this.robot);
		const socket = new WebSocket(url);
		this.socket = socket;
		this.heardAt = performance.now();
		socket.onopen = () => {
			this.knocker = new Knocker(this.robot, this.person, this.token);
			this.send(this.knocker.hello());
		};
		socket.onmessage = ({ data }) => socket === this.socket && this.receive(String(data));
		socket.onclose = ({ code }) =>
			socket === this.socket && this.lose(reasons[code] ?? 'outOfRange');
	}

	private change(state: LinkState): void {
		this.state = state;
		this.hands.changed(state);
	}

	get isPaired(): boolean {
		return this.state.phase === 'paired';
	}

	send(frame: ToRobot): void {
		if (this.socket?.readyState === WebSocket.OPEN) this.socket.send(JSON.stringify(frame));
	}

	private receive(text: string): void {
		this.heardAt = performance.now();
		const value = readMessage(text, z.unknown());
		// Also a row that is well formed may hold what no robot can mean.
		const mended = mendRow(value);
		if (mended) return this.hands.heard(mended.frame, mended.odd);
		const frame = fromRobotSchema.safeParse(value).data;
		if (!frame) return;
		switch (frame.type) {
			case 'challenge':
				return this.answer(this.knocker!.prove(frame));
			case 'confirm': {
				this.knocker!.see(frame);
				const { seconds, left, hand } = frame;
				const isWrong = this.state.phase === 'confirm' && this.state.isWrong;
				const until = Date.now() + seconds * 1000;
				return this.change({ phase: 'confirm', until, left, hand, isTold: false, isWrong });
			}
			case 'shown': {
				const open = this.knocker!.open(frame);
				return open ? this.send(open) : this.wrong(frame);
			}
			case 'wrong':
				return this.wrong(frame);
			case 'sorry':
				return this.refuse(frame);
			case 'greeting':
				return this.welcome(frame);
			default:
				return this.hands.heard(frame, []);
		}
	}

	private answer(frame: ToRobot | undefined): void {
		if (frame) this.send(frame);
	}

	/** The person says what they saw. */
	tell(signs: readonly number[]): void {
		if (this.state.phase !== 'confirm') return;
		this.answer(this.knocker!.seal(signs));
		this.change({ ...this.state, isTold: true, isWrong: false });
	}

	/** It has new signs by now. */
	private wrong({ left, hand }: FromRobot & { type: 'shown' | 'wrong' }): void {
		if (this.state.phase === 'confirm')
			this.change({ ...this.state, left, hand, isTold: false, isWrong: true });
	}

	/** Another robot that calls itself so is not let go on: orders are for the one that was meant. */
	private welcome(greeting: Greeting): void {
		const { token } = this.knocker!;
		if (token === undefined || !this.knocker!.trusts(greeting))
			return this.end({ phase: 'closed', trouble: 'otherRobot' });
		this.wasPaired = true;
		this.pause = firstPause;
		this.token = token;
		const kind = robotKinds.find((one) => one.kind === greeting.kind);
		const { settings, odd } = kind
			? settingsSaid(kind, greeting.settings)
			: { settings: greeting.settings, odd: [] };
		this.change({ phase: 'paired', greeting: { ...greeting, settings }, token, odd });
	}

	/** A robot that was this person's may be asleep, or starting: it is asked again. */
	private refuse(sorry: Sorry): void {
		// It has forgotten the token, or another has its name: only its signs can tell.
		if (sorry.why === 'stranger') this.token = undefined;
		if (this.wasPaired || this.token !== undefined) return this.wait(sorry.why, sorry);
		this.end({ phase: 'closed', trouble: sorry.why, sorry });
	}

	private lose(trouble: Trouble): void {
		if (this.isClosed) return;
		if (this.wasPaired || this.token !== undefined) this.wait(trouble);
		else this.end({ phase: 'closed', trouble });
	}

	private wait(trouble: Trouble | Sorry['why'], sorry?: Sorry): void {
		this.leave();
		this.change({ phase: 'lost', trouble, ...(sorry && { sorry }) });
		this.again = setTimeout(() => this.connect(), this.pause);
		this.pause = Math.min(longestPause, this.pause * 1.7);
	}

	private leave(): void {
		const { socket } = this;
		this.socket = undefined;
		socket?.close();
		clearTimeout(this.again);
	}

	private end(state: LinkState): void {
		this.isClosed = true;
		clearInterval(this.alive);
		this.leave();
		this.change(state);
	}

	/** Tries at once, if it was waiting. */
	hurry(): void {
		if (this.state.phase !== 'lost') return;
		clearTimeout(this.again);
		this.pause = firstPause;
		this.connect();
	}

	/** Lets go of the robot. */
	close(): void {
		this.send({ type: 'letGo' });
		this.end({ phase: 'closed' });
	}

	private stay(): void {
		const quiet = performance.now() - this.heardAt;
		if (this.state.phase === 'paired') {
			if (quiet > silence) this.lose('outOfRange');
			else this.send({ type: 'alive' });
		} else if (this.socket && this.state.phase !== 'confirm' && quiet > answersWithin)
			this.lose('outOfRange');
	}
}
