/** One robot of a yard: a machine on a floor, its switch, its battery, and its end of the link. */
import type { Happenings } from '../core/devices/happenings';
import type { Tokens } from '../core/link/door';
import type { Advert } from '../core/link/frames';
import { linkVersion } from '../core/link/frames';
import { RobotEnd, type Robot } from '../core/link/robot-end';
import { signLight } from '../core/link/signs';
import type { Machine } from '../core/robots/machine';
import { fittedKindOf } from '../core/robots/fitted';
import { robotKindOf } from '../core/robots/kinds';
import { Store } from '../core/live/stored-run';
import { sampleRobot } from '../core/robots/robot-document';
import type { RobotKind } from '../core/robots/robot';
import type { CrewMember } from '../core/simulation/crew-member';
import { tick } from '../core/time';
import type { HandAt } from '../core/simulation/touch';
import type { RosterRow } from './roster';
import type { Room } from './room';

/** Seconds from the switch until it is ready: a drone looks for its level first. */
const startsIn = (kind: string): number => (kind === 'drone' ? 8 : 5);
/** Below this it does nothing any more. */
const flatBelow = 0.03;
/** Part of the battery that a charger fills in a second: full in 40 minutes. */
const chargeRate = 1 / 2400;
/** How well it is heard from the far end of the quay. */
const farSignal = 0.04;
/** Of the robots that nobody has updated. */
const oldFirmware = '0.9';
const newFirmware = '2.1';

export type Hand = 'held' | 'lifted';

export class StandIn implements Robot {
	readonly id: string;
	readonly kind: RobotKind;
	readonly settings;
	readonly touches: HandAt[] = [];
	readonly end: RobotEnd;
	readonly store: Store;
	name: string;
	firmware = newFirmware;
	power: 'off' | 'asleep' | 'starting' | 'on' = 'on';
	isFar = false;
	isCharging = false;
	hand: Hand | undefined;
	member: CrewMember;
	/** Seconds of the room's clock that were before it came there, so that its own never goes back. */
	private offset = 0;
	private time = 0;
	private readyAt = 0;

	/** @param onName told when somebody has given it another name */
	constructor(
		private readonly listed: RosterRow,
		public room: Room,
		tokens: Tokens,
		chance: () => number,
		private readonly onName: (name: string) => void = () => {}
	) {
		this.id = listed.id;
		this.name = listed.name;
		const { kind } = listed;
		this.settings = { ...sampleRobot(robotKindOf(kind)).settings, ...listed.settings };
		this.kind = fittedKindOf({ kind, settings: this.settings });
		const { is, battery } = listed;
		this.member = room.setDown(this, room.placeFor(this.id));
		this.store = new Store(`${this.id}-${Math.floor(chance() * 1e9)}`, chance);
		this.end = new RobotEnd(this, chance, tokens);
		if (battery !== undefined) this.machine.battery = battery;
		if (is === 'off' || is === 'asleep') this.power = is;
		this.isFar = is === 'far';
		this.isCharging = is === 'charging';
		if (is === 'old') this.firmware = oldFirmware;
		if (listed.with) this.end.door.guest = { person: { id: 'away', name: listed.with }, since: 0 };
	}

	get machine(): Machine {
		return this.member.machine;
	}
	get happened(): Happenings {
		return this.member.happened;
	}
	get battery(): number {
		return Math.max(0, Math.min(1, this.machine.battery));
	}
	get version(): number {
		return this.firmware === oldFirmware ? 0 : linkVersion;
	}
	private get isFlat(): boolean {
		return this.battery < flatBelow && !this.isCharging;
	}
	get fault(): string | undefined {
		return this.member.fault ?? (this.machine.isStalled ? 'stalled' : undefined);
	}

	get hindrance() {
		const sorry = { type: 'sorry' } as const;
		if (this.power === 'asleep') return { ...sorry, why: 'asleep' } as const;
		if (this.power === 'starting')
			return { ...sorry, why: 'starting', seconds: this.secondsToStart } as const;
		if (this.isFlat) return { ...sorry, why: 'flat' } as const;
		return this.version < 1 ? ({ ...sorry, why: 'tooOld' } as const) : undefined;
	}

	private get secondsToStart(): number {
		return Math.max(0, this.readyAt - this.time);
	}

	/** What it tells everybody; nothing while it is off. */
	get advert(): Advert | undefined {
		if (this.power === 'off') return undefined;
		const { id, name, firmware, version, battery, listed } = this;
		const { guest } = this.end.door;
		const state =
			this.power !== 'on'
				? this.power
				: this.isFlat
					? 'flat'
					: guest
						? 'busy'
						: this.isCharging
							? 'charging'
							: 'ready';
		return {
			type: 'advert',
			...{ id, name, firmware, version, state, battery },
			kind: this.kind.kind,
			signal: this.isFar ? farSignal : listed.signal,
			...(this.power === 'starting' && { seconds: this.secondsToStart }),
			...(guest && { with: guest.person.name, since: this.time - guest.since })
		};
	}

	/** What its lamp shows to whoever stands before it, 0xrrggbb. */
	get signLight(): number {
		const { signs, shownAt } = this.end.door;
		return signs ? signLight(signs, this.time - shownAt) : 0;
	}

	// --- what hands do ---

	switchOn(): void {
		if (this.power !== 'off') return;
		this.power = 'starting';
		this.end.door.switchedOn();
		this.readyAt = this.time + startsIn(this.kind.kind);
	}

	switchOff(): void {
		this.power = 'off';
		this.machine.rest();
		this.store.halt();
		this.end.dropAll();
	}

	wake(): void {
		if (this.power !== 'asleep') return;
		this.power = 'starting';
		this.readyAt = this.time + startsIn(this.kind.kind) / 2;
	}

	/** A finger on its button, or a hand on its shell. */
	touch(place = 1): void {
		this.wake();
		if (this.end.door.press(this.time)) return;
		if (this.power === 'on' && !this.end.isHeld) {
			if (this.store.isRunning) this.store.halt();
			else this.runStored(place);
		}
		this.touches.push({ time: this.room.time });
	}

	/** Somebody says a word to it. */
	hear(word: string): void {
		if (this.power === 'on') this.touches.push({ time: this.room.time, word });
	}

	runStored(place: number): boolean {
		const { kind, machine, happened, end } = this;
		return this.store.start(place, {
			kind,
			machine,
			happened,
			reckoner: end.reckoner,
			holds: (clip) => end.clips.holds(clip)
		});
	}

	update(): void {
		this.firmware = newFirmware;
	}

	rename(name: string): void {
		this.name = name;
		this.onName(name);
	}

	carry(room: Room): void {
		const { battery, machine, time } = this;
		machine.rest();
		this.store.halt();
		this.room.takeAway(this.id);
		this.touches.length = 0;
		this.room = room;
		this.offset = time - room.time;
		this.member = room.setDown(this, room.placeFor(this.id));
		this.machine.battery = battery;
		this.hand = undefined;
		this.end.rebuilt();
	}

	// --- one tick ---

	/** @param roomTime seconds of the room's clock */
	ticked(roomTime: number): void {
		this.time = roomTime + this.offset;
		if (this.isCharging)
			this.machine.battery = Math.min(1, this.machine.battery + chargeRate * tick);
		if (this.power === 'starting' && this.time >= this.readyAt) this.power = 'on';
		if (this.power !== 'on') return;
		if (this.isFlat) {
			this.machine.rest();
			this.end.dropAll();
		}
		this.store.tick(this.time);
		this.end.report(this.time);
	}
}
