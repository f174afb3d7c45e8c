/** A robot's own side of a run: it carries out what it is told, and tells what becomes of it. */
import type { Happenings } from '../devices/happenings';
import { counters } from '../devices/counters/device';
import { flying } from '../devices/flying/device';
import { pacing } from '../devices/pacing/device';
import type { Command } from '../devices/device';
import { speaker, type PlayedNote } from '../devices/speaker/device';
import { refused, type Wait } from '../devices/port';
import type { Machine } from '../robots/machine';
import type { RobotKind } from '../robots/robot';
import type { Datum } from '../types';
import type { Pose } from '../world/pose';
import type { FromRobot, SensedRow, ToRobot } from './frames';
import { linkPlaceOf } from './place';

/** Seconds without a word from the app after which a robot halts by itself. */
export const patience = 0.5;
/** Seconds for which what flies then hovers, before it lands. */
export const hoversFor = 3;

export class Served {
	private open: { readonly id: number; readonly wait: Wait }[] = [];
	/** How many happenings of each kind it has told. */
	private readonly told = new Map<string, number>();
	/** Seconds of the robot's clock: now, when the run began, when it heard something last. */
	private now = 0;
	private began = 0;
	private heardAt = 0;
	/** It halted because nothing came. */
	isAlone = false;
	private isRunning = false;
	private isLanding = false;
	private isEnding = false;

	constructor(
		private readonly machine: Machine,
		private readonly kind: Pick<RobotKind, 'devices' | 'columns'>,
		private readonly happened: Happenings,
		private readonly send: (frame: FromRobot) => void,
		private readonly at?: Readonly<Pose>,
		/** Sounds that it can play as they are; it sounds the pitch of others. */
		private readonly holds: (clip: string) => boolean = () => true
	) {}

	receive(frame: ToRobot): void {
		this.heardAt = this.now;
		this.isAlone = false;
		if (frame.type === 'start') this.start();
		else if (frame.type === 'begin') this.begin(frame);
		else if (frame.type === 'halt') this.halt();
		else if (frame.type === 'end') this.end();
	}

	/** What happened before is nobody's business any more; what counts, counts from here. */
	private start(): void {
		for (const { id: device } of [pacing, counters].filter((one) =>
			this.kind.devices.includes(one)
		))
			this.machine.begin({ device, name: 'zero', values: {} });
		this.began = this.now;
		this.open = [];
		this.isEnding = false;
		this.isRunning = true;
		for (const kind of this.happened.kinds) this.told.set(kind, this.happened.count(kind));
		this.send({ type: 'started' });
	}

	private halt(): void {
		this.isRunning = false;
		if (this.machine.halt) this.machine.halt();
		else this.machine.rest();
		this.endOrders('cut');
	}

	private end(): void {
		this.isRunning = false;
		this.machine.rest();
		this.endOrders('cut');
		this.isEnding = true;
	}

	private begin({ id, command }: Extract<ToRobot, { type: 'begin' }>): void {
		const device = this.kind.devices.find((one) => one.id === command.device);
		const schema = device?.commands[command.name];
		const values = schema?.safeParse(command.values);
		// What ends from here on has lost its place to this one.
		this.endOrders();
		const wait = values?.success
			? this.machine.begin({ ...command, values: this.playable(command, values.data) })
			: refused(device ? 'badOrder' : 'noDevice');
		this.isLanding = false;
		this.endOrders('cut');
		if (wait.refusal) this.send({ type: 'refused', id, why: wait.refusal });
		else this.open.push({ id, wait });
		this.endOrders();
	}

	private playable({ device, name }: Command, values: unknown): Command['values'] {
		if (device !== speaker.id || name !== 'play') return values as Command['values'];
		const { notes } = values as { notes: readonly PlayedNote[] };
		const known = ({ pitch, length, clip }: PlayedNote) =>
			clip !== undefined && this.holds(clip) ? { pitch, length, clip } : { pitch, length };
		return { notes: notes.map(known) };
	}

	/** @param as what ends of itself is done */
	private endOrders(as: 'done' | 'cut' = 'done'): void {
		this.open = this.open.filter(({ id, wait }) => {
			if (!wait.isOver(this.now)) return true;
			this.send(wait.refusal ? { type: 'refused', id, why: wait.refusal } : { type: as, id });
			return false;
		});
	}

	/** After a tick. @param now seconds of the robot's clock @param isSensing also say what it senses */
	report(now: number, isSensing = true): void {
		this.now = now;
		const alone = now - this.heardAt;
		if (alone > patience) this.lookAfterItself(alone);
		this.tell();
		this.endOrders();
		if (this.isEnding && this.machine.isStill) {
			this.isEnding = false;
			this.send({ type: 'ended', time: this.time });
		}
		if (isSensing) this.send(this.sensed());
	}

	/** Without anybody who listens nobody could stop it. A run that it left is over, which it says first. */
	private lookAfterItself(alone: number): void {
		if (this.isRunning) this.send({ type: 'fault', fault: 'alone' });
		if (!this.isAlone) this.halt();
		this.isAlone = true;
		if (this.isLanding || alone <= patience + hoversFor) return;
		this.isLanding = true;
		if (this.kind.devices.includes(flying) && this.machine.read('flying') === true)
			this.machine.begin({ device: flying.id, name: 'land', values: {} });
	}

	private get time(): number {
		return this.now - this.began;
	}

	private tell(): void {
		for (const kind of this.happened.kinds) {
			const told = this.told.get(kind) ?? 0;
			for (const { time, ...happening } of this.happened.since(kind, told)) {
				const since = Math.max(0, time - this.began);
				this.send({ type: 'happened', happening: { ...happening, time: since } });
			}
			this.told.set(kind, this.happened.count(kind));
		}
	}

	private sensed(): FromRobot {
		const { machine, time, at, kind } = this;
		const names = kind.devices.flatMap(({ readings }) => Object.keys(readings));
		const row = Object.fromEntries(
			names.map((name) => [name, written(machine.read(name))])
		) as SensedRow;
		if (!at) return { type: 'sense', time, row };
		const shows = Object.fromEntries(
			kind.columns.map(({ name, of }) => [name, written(of(machine)) as number | null])
		);
		return { type: 'sense', time, row, shows, at: linkPlaceOf(at) };
	}
}

/** JSON has no way to write that a number is not known. */
const written = (value: Datum) =>
	typeof value === 'number' && !Number.isFinite(value) ? null : value;
