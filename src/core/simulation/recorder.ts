/** Records an attempt while it runs: samples in growing columns, and the steps as they come and go. */
import type { Datum } from '../expressions/types';
import type { Reading } from '../expressions/vocabulary';
import type { PlayedNote } from '../interpreter/controls';
import type { Instruction } from '../interpreter/program';
import type { Observer } from '../interpreter/thread';
import type { Robot } from '../robots/robot';
import type { Sentence } from '../sentence';
import type { Pose } from '../world/pose';
import type { StandingCrate } from '../world/crates';
import type {
	Bump,
	CrateTrace,
	Logged,
	Note,
	RecordedPose,
	SensedColumns,
	Span,
	Tone,
	Trace
} from './attempt';
import {
	displayTicks,
	fullTraceSeconds,
	maximumInstants,
	maximumLogged,
	maximumNotes,
	maximumSpans,
	maximumTones,
	thinning,
	tickRate
} from './settings';

/** Samples for which there is room at first: 20 s. */
const firstRoom = 20 * tickRate;
const fullTicks = fullTraceSeconds * tickRate;

type CrateMoment = CrateTrace['moments'][number];

/** A step in progress. */
type Open = Pick<Span, 'start' | 'from' | 'values' | 'speedAtStart'> & {
	readonly instruction: Instruction;
};

export class Recorder implements Observer<Open> {
	readonly spans: Span[] = [];
	readonly bumps: Bump[] = [];
	readonly log: Logged[] = [];
	readonly notes: Note[] = [];
	readonly tones: Tone[] = [];
	/** What plays, or is to be played, and since when: it sounds until something else is played. */
	private music: { time: number; notes: readonly PlayedNote[]; volume: number } | null = null;
	/** A list that has just become full, until it is known by which step. */
	private filled: string | null = null;
	/** A loop went round without waiting. */
	isBusy = false;
	private readonly running = new Set<Open>();
	/** Records of each step, by its number, that took no time. */
	private readonly instants: number[] = [];
	private readonly said = new Set<string>();
	private readonly crateMoments: CrateMoment[][];
	private readonly crateFalls = new Map<string, number>();
	private readColumns: Float64Array[];
	private readonly unreadColumns: number[][];
	private length = 0;
	private columns = makeColumns(firstRoom);

	constructor(
		private readonly robot: Robot,
		private readonly pose: Pose,
		private readonly crates: readonly StandingCrate[],
		/** Readings to keep: those of the plan, and those that only a display shows. */
		private readonly readings: {
			readonly read: readonly Reading[];
			readonly unread: readonly Reading[];
		}
	) {
		this.crateMoments = crates.map(({ pose }) => [{ time: 0, ...pose }]);
		this.readColumns = readings.read.map(() => new Float64Array(firstRoom));
		this.unreadColumns = readings.unread.map(() => []);
	}

	started(instruction: Instruction, start: number, values: readonly Datum[]): Open {
		this.sayFull(instruction);
		const open = this.openOf(instruction, start, values);
		this.running.add(open);
		return open;
	}

	private openOf(instruction: Instruction, start: number, list: readonly Datum[]): Open {
		const values = Object.fromEntries(instruction.names.map((name, i) => [name, list[i]!]));
		const speedAtStart = Math.abs(this.robot.speed);
		return { instruction, start, values, from: { ...this.pose }, speedAtStart };
	}

	ended(open: Open, end: number): void {
		this.running.delete(open);
		this.keepSpan(open, end, { ...this.pose }, true);
	}

	/** There is no room for another record of a step that took no time. */
	private isFull({ number }: Instruction): boolean {
		return this.instants[number]! >= maximumInstants || this.spans.length >= maximumSpans;
	}

	ran(instruction: Instruction, time: number, values: readonly Datum[]): void {
		this.sayFull(instruction);
		if (this.isFull(instruction)) return;
		const open = this.openOf(instruction, time, values);
		this.keepSpan(open, time, open.from, true);
	}

	ranWithoutWaiting(loop: Instruction): void {
		this.isBusy = true;
		this.noted(loop, { key: 'note.neverWaits', values: { number: loop.number } });
	}

	noted(instruction: Instruction, sentence: Sentence): void {
		const mark = `${instruction.id} ${sentence.key}`;
		if (this.said.has(mark)) return;
		if (this.notes.length >= maximumNotes) return this.isFullOf('notes', instruction);
		this.said.add(mark);
		this.notes.push({ stepId: instruction.id, sentence });
	}

	/** Says once that there is no more room for records of this sort, before all other remarks. */
	private isFullOf(sort: string, { id, number }: Instruction): void {
		const key = `note.full.${sort}`;
		if (this.said.has(key)) return;
		this.said.add(key);
		this.notes.unshift({ stepId: id, sentence: { key, values: { number } } });
	}

	private sayFull(instruction: Instruction): void {
		if (this.filled) this.isFullOf(this.filled, instruction);
		this.filled = null;
	}

	logged(instruction: Instruction, time: number, value: Datum): void {
		if (this.log.length >= maximumLogged) return this.isFullOf('log', instruction);
		const { id, number } = instruction;
		this.log.push({ time, stepId: id, number, value: Array.isArray(value) ? [...value] : value });
	}

	/** What sounds is cut short, what was to come is left out, and the notes take its place. */
	played(time: number, notes: readonly PlayedNote[], volume: number): void {
		this.endMusic(time);
		this.music = { time, notes, volume };
	}

	/** Keeps the tones that have sounded; one that still sounds is cut short. */
	private endMusic(end: number, isOver = false): void {
		if (!this.music) return;
		let { time } = this.music;
		for (const { pitch, length } of this.music.notes) {
			if (time >= end) break;
			if (pitch > 0) {
				const sounding = isOver ? length : Math.min(length, end - time);
				this.keepTone({ time, pitch, length: sounding, volume: this.music.volume });
			}
			time += length;
		}
		this.music = null;
	}

	private keepTone(tone: Tone): void {
		if (this.tones.length < maximumTones) this.tones.push(tone);
		else this.filled = 'tones';
	}

	/** Ends the steps that are still in progress when the attempt ends. */
	closeAll(end: number): void {
		for (const open of this.running) this.keepSpan(open, end, { ...this.pose }, false);
		this.running.clear();
		this.endMusic(end, true);
	}

	/** The step in progress that drives the wheels. */
	get driving(): Instruction | undefined {
		return [...this.running].findLast(({ instruction }) =>
			instruction.definition.needs.includes('wheels')
		)?.instruction;
	}

	/** The innermost step in progress. */
	get innermost(): Instruction | undefined {
		return [...this.running].at(-1)?.instruction;
	}

	bumped(time: number, against: 'wall' | 'crate'): void {
		const { x, y } = this.pose;
		const { id, number } = this.driving ?? {};
		this.bumps.push({ time, x, y, stepId: id ?? null, number: number ?? 0, against });
	}

	crateFell(crate: StandingCrate, time: number): void {
		this.crateFalls.set(crate.id, time);
	}

	get crateTraces(): CrateTrace[] {
		return this.crates.map(({ id }, index) => {
			const fellAt = this.crateFalls.get(id);
			return { id, moments: this.crateMoments[index]!, ...(fellAt !== undefined && { fellAt }) };
		});
	}

	/** Keeps every tick at first, later only some. @param tick number of the tick, from 0 */
	sample(tick: number): void {
		if (this.readings.unread.length > 0 && tick % displayTicks === 0) this.display();
		if (tick > fullTicks && tick % thinning !== 0) return;
		this.keep(tick);
	}

	private display(): void {
		this.readings.unread.forEach((reading, index) => {
			this.unreadColumns[index]!.push(numberOf(this.robot.display(reading)));
		});
	}

	/** Keeps this tick in any case. */
	keep(tick: number): void {
		const time = tick / tickRate;
		if (this.length > 0 && this.columns.time[this.length - 1]! >= time) return;
		if (this.length === this.columns.time.length) this.enlarge();
		const { columns, robot, pose, length } = this;
		columns.time[length] = time;
		columns.x[length] = pose.x;
		columns.y[length] = pose.y;
		columns.heading[length] = pose.heading;
		columns.speed[length] = robot.speed;
		columns.leftWheel[length] = robot.leftWheel;
		columns.rightWheel[length] = robot.rightWheel;
		columns.battery[length] = robot.battery;
		columns.leftLamp[length] = robot.leftLamp;
		columns.rightLamp[length] = robot.rightLamp;
		const { read } = this.readings;
		for (let i = 0; i < read.length; i++) {
			this.readColumns[i]![length] = numberOf(robot.read(read[i]!));
		}
		for (let i = 0; i < this.crates.length; i++) {
			keepPose(this.crateMoments[i]!, time, this.crates[i]!.pose);
		}
		this.length += 1;
	}

	private enlarge(): void {
		const before = this.columns;
		const room = before.time.length * 2;
		this.columns = makeColumns(room);
		for (const name of Object.keys(before) as (keyof Trace)[]) this.columns[name].set(before[name]);
		this.readColumns = this.readColumns.map((column) => {
			const larger = new Float64Array(room);
			larger.set(column);
			return larger;
		});
	}

	get sensed(): SensedColumns {
		const kept = this.readColumns.map((column) => column.slice(0, this.length));
		return named(this.readings.read, kept);
	}

	get unread(): SensedColumns {
		const kept = this.unreadColumns.map((column) => Float64Array.from(column));
		return named(this.readings.unread, kept);
	}

	get trace(): Trace {
		const columns = Object.entries(this.columns).map(([name, column]) => [
			name,
			column.slice(0, this.length)
		]);
		return Object.fromEntries(columns) as Trace;
	}

	private keepSpan(open: Open, end: number, to: RecordedPose, isComplete: boolean): void {
		const { instruction, start, from, values, speedAtStart } = open;
		const isInstant = end === start;
		if (this.spans.length >= maximumSpans) this.isFullOf('spans', instruction);
		if (isInstant ? this.isFull(instruction) : this.spans.length >= maximumSpans) return;
		const { number } = instruction;
		if (isInstant) this.instants[number] = (this.instants[number] ?? 0) + 1;
		this.spans.push({
			stepId: instruction.id,
			kind: instruction.definition.kind,
			number: instruction.number,
			values,
			hasBody: instruction.definition.hasBody === true,
			start,
			end,
			from,
			to,
			speedAtStart,
			speedAtEnd: Math.abs(this.robot.speed),
			isComplete
		});
	}
}

function makeColumns(room: number): Trace {
	return {
		time: new Float64Array(room),
		x: new Float64Array(room),
		y: new Float64Array(room),
		heading: new Float64Array(room),
		speed: new Float32Array(room),
		leftWheel: new Float32Array(room),
		rightWheel: new Float32Array(room),
		battery: new Float32Array(room),
		leftLamp: new Float64Array(room),
		rightLamp: new Float64Array(room)
	};
}

const named = (names: readonly Reading[], columns: readonly Float64Array[]): SensedColumns =>
	Object.fromEntries(names.map((name, index) => [name, columns[index]!]));

/** A truth as 0 or 1, a colour by its code; what is no number at all as NaN. */
function numberOf(value: Datum): number {
	if (typeof value === 'string') return Number.parseInt(value.slice(1), 16);
	return Number(value);
}

/** A crate that has not moved costs nothing. */
function keepPose(moments: CrateMoment[], time: number, { x, y, heading }: Pose): void {
	const last = moments.at(-1)!;
	if (last.x === x && last.y === y && last.heading === heading) return;
	moments.push({ time, x, y, heading });
}
