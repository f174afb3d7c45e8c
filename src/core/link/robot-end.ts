/**
 * The robot's end of all links to it: it lets one person in, carries out what they order, and tells
 * them what it senses. What it is made of, and whether it is awake, is its owner's matter.
 */
import type { Happenings } from '../devices/happenings';
import type { Machine } from '../robots/machine';
import type { RobotKind } from '../robots/robot';
import type { Values } from '../steps/definition';
import { ClipShelf } from './clip-shelf';
import { Door, type Caller, type Tokens } from './door';
import {
	helloWeight,
	linkVersion,
	longestMessage,
	mostMessages,
	toRobotSchema,
	type FromRobot,
	type ToRobot
} from './frames';
import { poseOf } from './place';
import { Reckoner } from './reckoner';
import { proofOf, type Visit } from './secret';
import { patience, Served } from './served';

/** Ticks from one row of what it senses to the next: 30 a second. */
const senseTicks = 4;
/** Ticks from one word about its battery to the next. */
const batteryTicks = 120;
/** Messages that it could not take, after which it listens no longer. */
const mostBad = 20;
/** Seconds without any message after which whoever has it is taken to be gone. */
const forgets = 4;

/** The robot itself. */
export interface Robot {
	readonly id: string;
	readonly firmware: string;
	/** Of the protocol that it speaks. */
	readonly version: number;
	readonly kind: RobotKind;
	readonly settings: Values;
	readonly name: string;
	readonly machine: Machine;
	readonly happened: Happenings;
	/** 0 to 1. */
	readonly battery: number;
	readonly isCharging: boolean;
	/** Why it cannot be had now, if it cannot. */
	readonly hindrance: Extract<FromRobot, { type: 'sorry' }> | undefined;
	/** What has gone so wrong that it needs a hand. */
	readonly fault: string | undefined;
	/** The plans that it holds. */
	readonly store: PlanStore;
	rename(name: string): void;
	switchOff(): void;
	/** Runs what it holds in a place. @returns whether there is something */
	runStored(place: number): boolean;
}

/** What holds plans for it. */
export interface PlanStore {
	readonly isRunning: boolean;
	readonly list: (FromRobot & { type: 'stored' })['places'];
	put(stored: ToRobot & { type: 'store' }): void;
	erase(place: number): void;
	halt(): void;
	/** What it wrote down and nobody has fetched. */
	fetch(): (FromRobot & { type: 'journal' })[];
}

/** One connection. */
export interface RobotLink {
	receive(message: string): void;
	/** The other side is gone. */
	closed(): void;
}

export class RobotEnd {
	readonly door: Door;
	readonly clips: ClipShelf;
	private served: Served | undefined;
	reckoner: Reckoner;
	private holder: Caller | undefined;
	private heardAt = 0;
	private ticks = 0;
	private time = 0;
	private toldFault: string | undefined;

	constructor(
		private readonly robot: Robot,
		chance: () => number,
		tokens: Tokens
	) {
		this.door = new Door(robot.id, chance, tokens, (...guest) => this.welcome(...guest));
		this.clips = new ClipShelf(robot.kind.clipRoom ?? 0);
		this.reckoner = this.makeReckoner();
	}

	private makeReckoner(): Reckoner {
		const { machine, kind } = this.robot;
		return new Reckoner(machine, kind.devices);
	}

	/** Somebody has it. */
	get isHeld(): boolean {
		return this.holder !== undefined;
	}

	/** Another body has taken the place of the one before, such as when a hand carried it away. */
	rebuilt(): void {
		this.reckoner = this.makeReckoner();
		if (this.holder) this.serve(this.holder);
	}

	/** Somebody connects. */
	connect(send: (frame: FromRobot) => void, close: () => void): RobotLink {
		const caller: Caller = { send, close };
		const flow = new Flow();
		return {
			receive: (message) => {
				const frame = flow.check(parse(message), this.time);
				if (typeof frame === 'string') {
					send({ type: 'bad', why: frame });
					if (frame === 'tooMany' || flow.isHopeless()) close();
				} else this.take(caller, frame);
			},
			closed: () => this.gone(caller)
		};
	}

	private take(caller: Caller, frame: ToRobot): void {
		const { door, time } = this;
		if (frame.type === 'hello') return this.greet(caller, frame);
		if (frame.type === 'proof') return door.prove(caller, frame.proof, time);
		if (frame.type === 'seal') return door.seal(caller, frame.mark, time);
		if (frame.type === 'open') return door.open(caller, frame.nonce, time);
		if (caller !== this.holder) return caller.send({ type: 'bad', why: 'notPaired' });
		this.heardAt = this.time;
		if (frame.type === 'rename') {
			this.robot.rename(frame.name);
			caller.send({ type: 'named', name: this.robot.name });
		} else if (frame.type === 'lineUp') this.reckoner.lineUp(poseOf(frame.at));
		else if (frame.type === 'letGo') this.gone(caller);
		else if (frame.type === 'switchOff') {
			this.gone(caller);
			this.robot.switchOff();
		} else if (frame.type === 'store' || frame.type === 'erase' || frame.type === 'list')
			this.keep(caller, frame);
		else if (frame.type === 'runStored') this.robot.runStored(frame.place);
		else if (frame.type === 'clips') caller.send(this.clips.want(frame.ids));
		else if (frame.type === 'clip') {
			const answer = this.clips.take(frame);
			if (answer) caller.send(answer);
		} else {
			// Whoever gives an order takes the place of what it held.
			if (frame.type !== 'alive') this.robot.store.halt();
			this.served?.receive(frame);
		}
	}

	private keep(caller: Caller, frame: ToRobot & { type: 'store' | 'erase' | 'list' }): void {
		const { store } = this.robot;
		if (frame.type === 'store') store.put(frame);
		else if (frame.type === 'erase') store.erase(frame.place);
		caller.send({ type: 'stored', places: store.list });
	}

	private greet(caller: Caller, frame: ToRobot & { type: 'hello' }): void {
		const { hindrance } = this.robot;
		if (hindrance) return caller.send(hindrance);
		if (frame.version < linkVersion) return caller.send({ type: 'sorry', why: 'tooOld' });
		if (caller === this.holder) this.gone(caller);
		this.door.knock(caller, frame, this.time);
	}

	private welcome(caller: Caller, visit: Visit, token: string): void {
		this.holder = caller;
		this.heardAt = this.time;
		const { id, name, kind, firmware, settings, battery, isCharging } = this.robot;
		caller.send({
			type: 'greeting',
			version: linkVersion,
			...{ id, name, firmware, settings },
			kind: kind.kind,
			devices: kind.devices.map((device) => device.id),
			proof: proofOf(token, 'robot', visit)
		});
		caller.send({ type: 'battery', battery, isCharging });
		this.serve(caller);
	}

	private serve({ send }: Caller): void {
		const { machine, kind, happened } = this.robot;
		this.toldFault = undefined;
		this.served = new Served(machine, kind, happened, send, this.reckoner.pose, (clip) =>
			this.clips.holds(clip)
		);
		// It knows the time before it hears anything.
		this.served.report(this.time, false);
	}

	private gone(caller: Caller): void {
		if (caller !== this.holder) return this.door.gone(caller);
		this.robot.machine.rest();
		this.holder = undefined;
		this.served = undefined;
		this.door.leave();
	}

	/** Nobody has it any more, such as when it is switched off. */
	dropAll(): void {
		const callers = [...(this.holder ? [this.holder] : []), ...this.door.callers];
		for (const caller of callers) {
			this.gone(caller);
			caller.close();
		}
	}

	/** After a tick. @param time seconds of the robot's clock, which only goes up */
	report(time: number): void {
		this.time = time;
		this.ticks += 1;
		this.reckoner.advance();
		this.door.tick(time);
		if (!this.holder) return;
		if (time - this.heardAt > forgets) {
			const { holder } = this;
			this.gone(holder);
			return holder.close();
		}
		this.served!.report(time, this.ticks % senseTicks === 0);
		for (const entry of this.robot.store.fetch()) this.holder.send(entry);
		const { fault, battery, isCharging } = this.robot;
		if (fault !== this.toldFault && fault) this.holder.send({ type: 'fault', fault });
		this.toldFault = fault;
		if (this.ticks % batteryTicks === 0) this.holder.send({ type: 'battery', battery, isCharging });
	}

	/** Nobody who has it has said anything for longer than it is patient. */
	get isAlone(): boolean {
		return this.holder !== undefined && this.time - this.heardAt > patience;
	}
}

/** How much comes over one connection. */
class Flow {
	private room = mostMessages;
	private last = 0;
	private bad = 0;

	/** @returns the frame, or why it is not taken, be it that there are too many */
	check<Frame extends ToRobot | string>(frame: Frame, time: number): Frame | 'tooMany' {
		this.room = Math.min(mostMessages, this.room + (time - this.last) * mostMessages);
		this.last = time;
		this.room -= typeof frame === 'object' && frame.type === 'hello' ? helloWeight : 1;
		return this.room < 0 ? 'tooMany' : frame;
	}

	/** Called with each message that could not be taken. */
	isHopeless(): boolean {
		this.bad += 1;
		return this.bad >= mostBad;
	}
}

/** @returns why it cannot be taken, if it cannot */
function parse(message: string): ToRobot | 'tooLong' | 'notJson' | 'unknown' {
	if (message.length > longestMessage) return 'tooLong';
	let value: unknown;
	try {
		value = JSON.parse(message);
	} catch {
		return 'notJson';
	}
	return toRobotSchema.safeParse(value).data ?? 'unknown';
}
