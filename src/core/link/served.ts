/** A robot's own side of a link: it carries out what it is told, and tells what becomes of it. */
import type { Device } from '../devices/device';
import type { Happenings } from '../devices/happenings';
import { refused, type Wait } from '../devices/port';
import type { Machine } from '../robots/machine';
import type { FromRobot, Row, ToRobot } from './frames';

/** Seconds without a word from the app after which a robot halts by itself. */
export const patience = 0.5;

export class Served {
	private open: { readonly id: number; readonly wait: Wait }[] = [];
	/** How many happenings of each kind it has told. */
	private readonly told = new Map<string, number>();
	private time = 0;
	private heardAt = 0;
	private isHalted = false;

	constructor(
		private readonly machine: Machine,
		private readonly devices: readonly Device[],
		private readonly happened: Happenings,
		private readonly send: (frame: FromRobot) => void
	) {}

	receive(frame: ToRobot): void {
		this.heardAt = this.time;
		this.isHalted = frame.type === 'halt';
		if (frame.type === 'halt') this.machine.rest();
		if (frame.type === 'begin') this.begin(frame);
	}

	private begin({ id, command }: Extract<ToRobot, { type: 'begin' }>): void {
		const device = this.devices.find((one) => one.id === command.device);
		const schema = device?.commands[command.name];
		const values = schema?.safeParse(command.values);
		const wait = values?.success
			? this.machine.begin({ ...command, values: values.data as typeof command.values })
			: refused(device ? 'badOrder' : 'noDevice');
		if (wait.refusal) this.send({ type: 'refused', id, why: wait.refusal });
		else this.open.push({ id, wait });
		// It may have taken the place of another one.
		this.endOrders();
	}

	private endOrders(): void {
		this.open = this.open.filter(({ id, wait }) => {
			if (!wait.isOver(this.time)) return true;
			this.send({ type: 'done', id });
			return false;
		});
	}

	/** After a tick. @param time seconds since Run */
	report(time: number): void {
		this.time = time;
		// Without anybody who listens nobody could stop it.
		if (!this.isHalted && time - this.heardAt > patience) {
			this.isHalted = true;
			this.machine.rest();
		}
		this.tell();
		this.endOrders();
		this.send({ type: 'sense', time, row: this.row });
	}

	private tell(): void {
		for (const kind of this.happened.kinds) {
			const told = this.told.get(kind) ?? 0;
			for (const happening of this.happened.since(kind, told))
				this.send({ type: 'happened', happening: { ...happening } });
			this.told.set(kind, this.happened.count(kind));
		}
	}

	private get row(): Row {
		const names = this.devices.flatMap(({ readings }) => Object.keys(readings));
		return Object.fromEntries(names.map((name) => [name, this.machine.read(name)])) as Row;
	}
}
