/** Writes down the steps of an attempt as they come and go, and what they said, played and met. */
import type { Datum } from '../types';
import type { Device } from '../devices/device';
import type { Instruction } from '../interpreter/program';
import type { Observer } from '../interpreter/observer';
import type { Machine } from '../robots/machine';
import type { Sounding } from '../robots/speaker';
import type { Sentence } from '../sentence';
import type { Obstacle } from '../world/body';
import type { Pose } from '../world/pose';
import type { Bump, Logged, JournalNote, RecordedPose, Span, Tone } from './attempt';
import {
	maximumInstants,
	maximumLogged,
	maximumNotes,
	maximumSpans,
	maximumTones
} from './settings';

/** A step in progress. */
type Open = Pick<Span, 'start' | 'from' | 'values' | 'speedAtStart'> & {
	readonly instruction: Instruction;
};

/** What the journals of all robots write into: one after the other, as it comes. */
export class Records {
	readonly spans: Span[] = [];
	readonly log: Logged[] = [];
	readonly notes: JournalNote[] = [];
	/** Records of each step, by its number, that took no time. */
	readonly instants: number[] = [];
	readonly said = new Set<string>();
	/** What went so wrong that the attempt is over: the first such thing. */
	fault: Sentence | undefined;
}

/** What happens to one robot. */
export class Journal implements Observer<Open> {
	readonly bumps: Bump[] = [];
	readonly tones: Tone[] = [];
	/** What plays, or is to be played, and since when: it sounds until something else is played. */
	private music: { time: number; notes: readonly Sounding[]; volume: number } | null = null;
	/** The step that gave the robot an order last. */
	private ordering: Instruction | undefined;
	/** The step that moved the robot last, whether it still runs or not. */
	driving: Instruction | undefined;
	/** A loop went round without waiting. */
	isBusy = false;
	/** How many steps that take time have begun. */
	opened = 0;
	private hasLeftFloor = false;
	private readonly running = new Set<Open>();

	constructor(
		private readonly records: Records,
		/** The id of the robot in the plan. */
		private readonly id: string,
		/** How fast it is, m/s to its front. */
		private readonly robot: { readonly body: Pick<Machine['body'], 'speed'> },
		private readonly pose: Pose
	) {}

	started(instruction: Instruction, start: number, values: readonly Datum[]): Open {
		this.opened += 1;
		const open = this.openOf(instruction, start, values);
		this.running.add(open);
		return open;
	}

	private openOf(instruction: Instruction, start: number, list: readonly Datum[]): Open {
		const values = Object.fromEntries(instruction.names.map((name, i) => [name, list[i]!]));
		const speedAtStart = Math.abs(this.robot.body.speed);
		return { instruction, start, values, from: { ...this.pose }, speedAtStart };
	}

	ended(open: Open, end: number): void {
		this.running.delete(open);
		this.keepSpan(open, end, { ...this.pose }, true);
	}

	/** There is no room for another record of a step that took no time. */
	private isFull({ number }: Instruction): boolean {
		return (
			this.records.instants[number]! >= maximumInstants || this.records.spans.length >= maximumSpans
		);
	}

	ran(instruction: Instruction, time: number, values: readonly Datum[]): void {
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
		if (this.records.said.has(mark)) return;
		if (this.records.notes.length >= maximumNotes) return this.isFullOf('notes', instruction);
		this.records.said.add(mark);
		this.records.notes.push({ stepId: instruction.id, sentence });
	}

	/** Says once that there is no more room for records of this sort, before all other remarks. */
	private isFullOf(sort: string, { id, number }: Instruction): void {
		const key = `note.full.${sort}`;
		if (this.records.said.has(key)) return;
		this.records.said.add(key);
		this.records.notes.unshift({ stepId: id, sentence: { key, values: { number } } });
	}

	logged(instruction: Instruction, time: number, value: Datum): void {
		if (this.records.log.length >= maximumLogged) return this.isFullOf('log', instruction);
		const { id, number } = instruction;
		this.records.log.push({
			time,
			stepId: id,
			number,
			value: Array.isArray(value) ? [...value] : value
		});
	}

	/** What sounds is cut short, what was to come is left out, and the notes take its place. */
	played(time: number, notes: readonly Sounding[], volume: number): void {
		this.endMusic(time);
		this.music = { time, notes, volume };
	}

	/** What sounds at a time; undefined while nothing does. @param time seconds since Run */
	soundingAt(time: number): Sounding | undefined {
		let end = this.music?.time ?? 0;
		return this.music?.notes.find(({ length }) => time < (end += length));
	}

	/** Keeps the tones that have sounded; one that still sounds is cut short. */
	private endMusic(end: number, isOver = false): void {
		if (!this.music) return;
		let { time } = this.music;
		const { volume } = this.music;
		for (const { length, ...note } of this.music.notes) {
			if (time >= end) break;
			if (note.pitch > 0 || note.text !== undefined) {
				const sounding = isOver ? length : Math.min(length, end - time);
				this.keepTone({ time, ...note, length: sounding, volume });
			}
			time += length;
		}
		this.music = null;
	}

	private keepTone(tone: Tone): void {
		if (this.tones.length < maximumTones) this.tones.push(tone);
		else if (this.ordering) this.isFullOf('tones', this.ordering);
	}

	/** Ends the steps that are still in progress when the attempt ends. */
	closeAll(end: number): void {
		for (const open of this.running) this.keepSpan(open, end, { ...this.pose }, false);
		this.running.clear();
		this.endMusic(end, true);
	}

	ordered(instruction: Instruction, { moves }: Device, name: string): void {
		this.ordering = instruction;
		if (moves?.includes(name)) this.driving = instruction;
	}

	/** The innermost step in progress. */
	get innermost(): Instruction | undefined {
		return [...this.running].at(-1)?.instruction;
	}

	failed(fault: string): void {
		const values = { number: this.driving?.number ?? 0 };
		this.records.fault ??= { key: `outcome.${fault}`, values };
	}

	/** It is beyond what is drawn of the floor: said once, of the step that took it there. */
	leftFloor(): void {
		if (this.hasLeftFloor || !this.driving) return;
		this.hasLeftFloor = true;
		this.noted(this.driving, { key: 'note.offFloor', values: { number: this.driving.number } });
	}

	bumped(time: number, against: Obstacle): void {
		const { x, y } = this.pose;
		const { id, number } = this.driving ?? {};
		this.bumps.push({ time, x, y, stepId: id ?? null, number: number ?? 0, against });
	}

	/** The steps in progress, as far as they have come. @param time seconds since Run */
	inProgress(time: number): Span[] {
		return [...this.running].map((open) => this.spanOf(open, time, { ...this.pose }, false));
	}

	private keepSpan(open: Open, end: number, to: RecordedPose, isComplete: boolean): void {
		const { instruction, start } = open;
		const isInstant = end === start;
		if (this.records.spans.length >= maximumSpans) this.isFullOf('spans', instruction);
		if (isInstant ? this.isFull(instruction) : this.records.spans.length >= maximumSpans) return;
		const { number } = instruction;
		if (isInstant) this.records.instants[number] = (this.records.instants[number] ?? 0) + 1;
		this.records.spans.push(this.spanOf(open, end, to, isComplete));
	}

	private spanOf(open: Open, end: number, to: RecordedPose, isComplete: boolean): Span {
		const { instruction, start, from, values, speedAtStart } = open;
		return {
			stepId: instruction.id,
			robot: this.id,
			kind: instruction.definition.kind,
			number: instruction.number,
			values,
			hasBody: instruction.definition.hasBody === true,
			start,
			end,
			from,
			to,
			speedAtStart,
			speedAtEnd: Math.abs(this.robot.body.speed),
			isComplete
		};
	}
}
