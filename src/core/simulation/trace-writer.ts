/** Writes down what a robot does, tick by tick, in growing columns: its pose, its kind's, its sensors'. */
import type { Datum } from '../types';
import { tickRate } from '../time';
import type { Pose } from '../world/pose';
import type { SensedColumns, Trace } from './attempt';
import { displayTicks, fullTraceSeconds, thinning } from './settings';

/** Samples for which there is room at first: 20 s. */
const firstRoom = 20 * tickRate;
const fullTicks = fullTraceSeconds * tickRate;

/** Readings to keep, each with what it says now. */
export interface KeptReadings {
	/** What the plan reads. */
	readonly read: readonly ColumnReader[];
	/** What only a display shows. */
	readonly shown: readonly ColumnReader[];
}

export interface ColumnReader {
	readonly reading: string;
	readonly now: () => Datum;
}

/** What is written of a robot beside its pose, with what knows it. */
interface Written<M> {
	readonly name: string;
	of(robot: M): number;
}

export class TraceWriter<M> {
	private length = 0;
	private room = firstRoom;
	private time = new Float64Array(firstRoom);
	private x = new Float64Array(firstRoom);
	private y = new Float64Array(firstRoom);
	private heading = new Float64Array(firstRoom);
	private own: Float32Array[];
	private read: Float64Array[];
	private readonly shown: number[][];

	constructor(
		private readonly robot: M,
		private readonly pose: Pose,
		private readonly columns: readonly Written<M>[],
		private readonly readings: KeptReadings
	) {
		this.own = columns.map(() => new Float32Array(firstRoom));
		this.read = readings.read.map(() => new Float64Array(firstRoom));
		this.shown = readings.shown.map(() => []);
	}

	/** Keeps every tick at first, later only some. @returns whether it kept this one, from 0 */
	sample(tick: number): boolean {
		if (this.shown.length > 0 && tick % displayTicks === 0) this.display();
		return (tick <= fullTicks || tick % thinning === 0) && this.keep(tick);
	}

	private display(): void {
		const { shown, readings } = this;
		for (let i = 0; i < shown.length; i++) shown[i]!.push(numberOf(readings.shown[i]!.now()));
	}

	/** Keeps this tick in any case. @returns whether it was not kept before */
	keep(tick: number): boolean {
		const time = tick / tickRate;
		const { length } = this;
		if (length > 0 && this.time[length - 1]! >= time) return false;
		if (length === this.room) this.enlarge();
		const { pose, robot, columns, own, read, readings } = this;
		this.time[length] = time;
		this.x[length] = pose.x;
		this.y[length] = pose.y;
		this.heading[length] = pose.heading;
		for (let i = 0; i < own.length; i++) own[i]![length] = columns[i]!.of(robot);
		for (let i = 0; i < read.length; i++) read[i]![length] = numberOf(readings.read[i]!.now());
		this.length += 1;
		return true;
	}

	private enlarge(): void {
		this.room *= 2;
		const larger = (column: Float64Array) => {
			const made = new Float64Array(this.room);
			made.set(column);
			return made;
		};
		this.time = larger(this.time);
		this.x = larger(this.x);
		this.y = larger(this.y);
		this.heading = larger(this.heading);
		this.own = this.own.map((column) => {
			const made = new Float32Array(this.room);
			made.set(column);
			return made;
		});
		this.read = this.read.map(larger);
	}

	get trace(): Trace {
		return this.since(0).trace;
	}

	get sensed(): SensedColumns {
		return this.since(0).sensed;
	}

	/** What was kept after the first so many samples. */
	since(from: number): { readonly trace: Trace; readonly sensed: SensedColumns } {
		return { trace: this.traceSince(from), sensed: this.sensedSince(from) };
	}

	private traceSince(from: number): Trace {
		const cut = (column: Float64Array) => column.slice(from, this.length);
		return {
			time: cut(this.time),
			x: cut(this.x),
			y: cut(this.y),
			heading: cut(this.heading),
			columns: named(
				this.columns.map(({ name }) => name),
				this.own.map((column) => column.slice(from, this.length))
			)
		};
	}

	private sensedSince(from: number): SensedColumns {
		return named(
			this.readings.read.map(({ reading }) => reading),
			this.read.map((column) => column.slice(from, this.length))
		);
	}

	get unread(): SensedColumns {
		return named(
			this.readings.shown.map(({ reading }) => reading),
			this.shown.map((column) => Float64Array.from(column))
		);
	}
}

const named = <Numbers>(names: readonly string[], columns: readonly Numbers[]) =>
	Object.fromEntries(names.map((name, index) => [name, columns[index]!]));

/** A truth as 0 or 1, a colour by its code; what is no number at all as NaN. */
function numberOf(value: Datum): number {
	if (typeof value === 'string') return Number.parseInt(value.slice(1), 16);
	return Number(value);
}
