/** Records an attempt while it runs: samples in growing columns, and the steps as they come and go. */
import type { Instruction } from '../interpreter/program';
import type { Observer } from '../interpreter/thread';
import type { Robot } from '../robots/robot';
import type { Sentence } from '../sentence';
import type { Pose } from '../world/contact';
import type { Bump, Span, Tone, Trace } from './attempt';
import { fullTraceSeconds, maximumSpans, thinning, tickRate } from './settings';

/** Samples for which there is room at first: 20 s. */
const firstRoom = 20 * tickRate;
const fullTicks = fullTraceSeconds * tickRate;

type Open = Pick<Span, 'start' | 'from'> & { readonly instruction: Instruction };

export class Recorder implements Observer {
	readonly spans: Span[] = [];
	readonly bumps: Bump[] = [];
	readonly tones: Tone[] = [];
	readonly notes: Sentence[] = [];
	private readonly running = new Map<Instruction, Open>();
	private readonly noted = new Set<Instruction>();
	private length = 0;
	private columns = makeColumns(firstRoom);

	constructor(
		private readonly robot: Robot,
		private readonly pose: Pose
	) {}

	started(instruction: Instruction, start: number): void {
		this.running.set(instruction, { instruction, start, from: { ...this.pose } });
	}

	ended(instruction: Instruction, end: number): void {
		const open = this.running.get(instruction);
		this.running.delete(instruction);
		if (open) this.close(open, end, true);
	}

	ranWithoutWaiting(loop: Instruction): void {
		if (this.noted.has(loop)) return;
		this.noted.add(loop);
		this.notes.push({ key: 'note.neverWaits', values: { number: loop.number } });
	}

	/** Ends the steps that are still in progress when the attempt ends. */
	closeAll(end: number): void {
		for (const open of this.running.values()) this.close(open, end, false);
		this.running.clear();
	}

	/** The step in progress that drives the wheels. */
	get driving(): Instruction | undefined {
		return [...this.running.keys()].findLast((step) => step.definition.needs.includes('wheels'));
	}

	/** The innermost step in progress. */
	get innermost(): Instruction | undefined {
		return [...this.running.keys()].at(-1);
	}

	bumped(time: number): void {
		const { x, y } = this.pose;
		const { id, number } = this.driving ?? {};
		this.bumps.push({ time, x, y, stepId: id ?? null, number: number ?? 0 });
	}

	/** Keeps every tick at first, later only some. @param tick number of the tick, from 0 */
	sample(tick: number): void {
		if (tick > fullTicks && tick % thinning !== 0) return;
		this.keep(tick);
	}

	/** Keeps this tick in any case. */
	keep(tick: number): void {
		const time = tick / tickRate;
		if (this.length > 0 && this.columns.time[this.length - 1]! >= time) return;
		if (this.length === this.columns.time.length) this.columns = enlarge(this.columns);
		const { columns, robot, pose, length } = this;
		columns.time[length] = time;
		columns.x[length] = pose.x;
		columns.y[length] = pose.y;
		columns.heading[length] = pose.heading;
		columns.speed[length] = robot.speed;
		columns.leftWheel[length] = robot.leftWheel;
		columns.rightWheel[length] = robot.rightWheel;
		columns.battery[length] = robot.battery;
		columns.lamp[length] = robot.lampColour;
		this.length += 1;
	}

	get trace(): Trace {
		const columns = Object.entries(this.columns).map(([name, column]) => [
			name,
			column.slice(0, this.length)
		]);
		return Object.fromEntries(columns) as Trace;
	}

	private close(open: Open, end: number, isComplete: boolean): void {
		const { instruction, start, from } = open;
		if (this.spans.length >= maximumSpans && end === start) return;
		this.spans.push({
			stepId: instruction.id,
			kind: instruction.definition.kind,
			number: instruction.number,
			values: instruction.values,
			hasBody: instruction.definition.hasBody === true,
			start,
			end,
			from,
			to: { ...this.pose },
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
		lamp: new Float64Array(room)
	};
}

function enlarge(columns: Trace): Trace {
	const larger = makeColumns(columns.time.length * 2);
	for (const name of Object.keys(columns) as (keyof Trace)[]) larger[name].set(columns[name]);
	return larger;
}
