/** A robot at the other end of a link, as an interpreter knows it. */
import type { Command, Device } from '../devices/device';
import { Happenings } from '../devices/happenings';
import { atOnce, type Port, type Wait } from '../devices/port';
import type { Datum } from '../types';
import type { Pose } from '../world/pose';
import type { FromRobot, SensedRow, ToRobot } from './frames';
import { poseOf } from './place';
import { oddReadings } from './rows';

/** Open until the robot says that it is over. */
class Order implements Wait {
	refusal?: string;
	isDone = false;

	/** @param moves the robot is to move for it */
	constructor(readonly moves: boolean) {}

	isOver(): boolean {
		return this.isDone;
	}
}

export class LinkPort implements Port {
	readonly happened = new Happenings();
	private count = 0;
	private readonly open = new Map<number, Order>();
	private row: SensedRow = {};
	/** The columns of its kind, as the robot says them. */
	shows: Readonly<Record<string, number | null>> = {};
	/** Where it reckons to be, if it does. */
	at: Readonly<Pose> | undefined;
	/** Seconds of the robot's clock at which the newest readings were taken. */
	sensedAt = NaN;
	/** What still comes belongs to what was before this run. */
	private isStarting = false;
	/** Seconds of the robot's clock at which it stood, after it was told that the run is over. */
	private endedAt = Infinity;
	/** What has gone so wrong with it that it needs a hand. */
	fault: string | undefined;

	/** What it says that makes no sense, and is left out: names of readings, or `at`. */
	readonly odd = new Set<string>();

	/** @param devices that the robot says it has */
	constructor(
		private readonly devices: readonly Pick<Device, 'id' | 'readings' | 'moves'>[],
		private readonly send: (frame: ToRobot) => void
	) {}

	/** It stands, after it was told that the run is over, and has said what it senses since. */
	get hasEnded(): boolean {
		return this.sensedAt >= this.endedAt;
	}

	begin(command: Command): Wait {
		const device = this.devices.find(({ id }) => id === command.device);
		if (!device) return atOnce;
		const order = new Order(device.moves?.includes(command.name) ?? false);
		this.count += 1;
		this.open.set(this.count, order);
		this.send({ type: 'begin', id: this.count, command });
		return order;
	}

	/** It has been told to move, and has not said that it is done. */
	get isToMove(): boolean {
		return [...this.open.values()].some(({ moves }) => moves);
	}

	/** A run begins. @param last what the robot sensed just before */
	start(last?: FromRobot): void {
		// The robot's clock begins anew.
		this.sensedAt = NaN;
		if (last?.type === 'sense') this.sense({ ...last, time: 0 });
		this.isStarting = true;
		this.send({ type: 'start' });
	}

	/** Lets the robot know that somebody is still there: to be called more often than it is patient. */
	stay(): void {
		this.send({ type: 'alive' });
	}

	/** Overtakes what the robot was told before. */
	halt(): void {
		this.send({ type: 'halt' });
	}

	/** Nothing more is asked of it: it comes to rest. */
	end(): void {
		this.send({ type: 'end' });
	}

	read(reading: string): Datum {
		return this.row[reading] ?? NaN;
	}

	receive(frame: FromRobot): void {
		if (frame.type === 'started') this.isStarting = false;
		else if (!this.isStarting) this.take(frame);
	}

	private take(frame: FromRobot): void {
		switch (frame.type) {
			case 'sense':
				return this.sense(frame);
			case 'happened': {
				const { what, ...happening } = frame.happening;
				return this.happened.add(what === undefined ? happening : { ...happening, what });
			}
			case 'ended':
				this.endedAt = frame.time;
				return;
			case 'fault':
				this.fault = frame.fault;
				return;
			case 'done':
			case 'cut':
			case 'refused':
				return this.close(frame);
		}
	}

	private sense({ time, row, shows, at }: FromRobot & { type: 'sense' }): void {
		// What was under way for longer than a newer one says nothing any more.
		if (time < this.sensedAt) return;
		this.sensedAt = time;
		const odd = oddReadings(row, this.devices);
		for (const name of odd) this.odd.add(name);
		const isOdd = (name: string) => odd.includes(name);
		this.row =
			odd.length === 0
				? row
				: Object.fromEntries(Object.entries(row).filter(([name]) => !isOdd(name)));
		if (shows) this.shows = shows;
		if (at) this.at = poseOf(at);
	}

	private close(frame: FromRobot & { type: 'done' | 'cut' | 'refused' }): void {
		const order = this.open.get(frame.id);
		if (!order) return;
		this.open.delete(frame.id);
		if (frame.type === 'refused') order.refusal = frame.why;
		order.isDone = true;
	}
}
