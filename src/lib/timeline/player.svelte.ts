/** Plays an attempt back: a clock over its virtual time. It shows the attempt, it never drives it. */
import type { Attempt, SensedColumns, Trace } from '$core/simulation/attempt';
import { tickRate } from '$core/time';
import { displayTicks } from '$core/simulation/settings';
import { indexAt } from '$core/simulation/moment';
import { pictureAt, picturesIn } from '$core/simulation/pictures';
import { progressAt } from './progress';

export const speeds = [0.25, 0.5, 1, 2, 4, 8] as const;

export interface Sample {
	readonly x: number;
	readonly y: number;
	readonly heading: number;
	/** What its kind records beside the pose, by the names of the columns. */
	readonly columns: Readonly<Record<string, number>>;
	/** What its lamp grid shows; left out or empty while it is dark. */
	readonly picture?: string;
}

/** The number of a sensor: truths as 0 and 1, colours as 0xrrggbb. */
export type Figures = Readonly<Record<string, number>>;

const figuresAt = (columns: SensedColumns = {}, index: number): Figures =>
	Object.fromEntries(
		Object.entries(columns).map(([reading, column]) => [
			reading,
			column[Math.min(index, column.length - 1)]!
		])
	);

export class Player {
	attempt = $state.raw<Attempt | null>(null);
	/** Seconds since Run. */
	time = $state(0);
	isPlaying = $state(false);
	rate = $state(1);
	/** Where the viewer halted it, if they did. */
	haltedAt = $state<number | null>(null);
	/** Called when playing passes times, for sounds. */
	onPassed: (from: number, to: number) => void = () => {};

	private frame = 0;
	private last = 0;

	readonly duration = $derived(this.attempt?.outcome.seconds ?? 0);
	/** It follows robots, that are still on their way. */
	isLive = $state(false);
	readonly isAtEnd = $derived(this.attempt !== null && this.time >= this.duration && !this.isLive);
	/** The robot whose figures are shown, by its id in the plan. */
	shown = $state('');
	/** What the robot that is shown did; the first, if there is no such robot. */
	readonly run = $derived.by(() => {
		const runs = this.attempt?.runs ?? [];
		return runs.find(({ id }) => id === this.shown) ?? runs[0] ?? null;
	});
	readonly index = $derived(this.run ? indexAt(this.run.trace.time, this.time) : 0);

	/** Times at which a step starts or ends, ascending. */
	private readonly moments = $derived(
		Float64Array.from(this.attempt?.spans.flatMap(({ start, end }) => [start, end]) ?? []).sort()
	);
	private readonly moment = $derived(this.moments[indexAt(this.moments, this.time)] ?? 0);
	/** The steps in progress, and those that have ended, by the time shown. */
	readonly progress = $derived.by(() => progressAt(this.attempt, this.moment, this.isAtEnd));

	/** What the lamp grid of each robot showed, by its id. */
	private readonly pictures = $derived.by(() => {
		const { attempt } = this;
		return Object.fromEntries(attempt?.runs.map(({ id }) => [id, picturesIn(attempt, id)]) ?? []);
	});
	/** Where each robot is, by its id. */
	readonly samples: Readonly<Record<string, Sample>> = $derived(
		Object.fromEntries(
			this.attempt?.runs.map(({ id, trace }) => {
				const picture = pictureAt(this.pictures[id]!, this.time);
				return [id, { ...this.sampleOf(trace), picture }];
			}) ?? []
		)
	);
	/** That of the robot that is shown. */
	readonly sample = $derived(this.run ? this.samples[this.run.id]! : null);

	/** All robots have samples of the same times. */
	private sampleOf(trace: Trace): Sample {
		const i = this.index;
		const j = Math.min(i + 1, trace.time.length - 1);
		const gap = trace.time[j]! - trace.time[i]!;
		const part = gap > 0 ? Math.min(1, (this.time - trace.time[i]!) / gap) : 0;
		const between = (column: Float64Array) => column[i]! + (column[j]! - column[i]!) * part;
		return {
			x: between(trace.x),
			y: between(trace.y),
			heading: between(trace.heading),
			columns: Object.fromEntries(
				Object.entries(trace.columns).map(([name, column]) => [name, column[i]!])
			)
		};
	}

	/** What each sensor says at the moment that is shown. */
	readonly sensed = $derived(figuresAt(this.run?.sensed, this.index));
	private readonly displayIndex = $derived(
		this.attempt && this.attempt.source.type !== 'rehearsal'
			? this.index
			: Math.floor((this.time * tickRate) / displayTicks + 1e-6)
	);
	/** Those that the plan does not read. */
	readonly unread = $derived(figuresAt(this.run?.unread, this.displayIndex));

	/** Shows how far a run has come. */
	follow(attempt: Attempt, isOver: boolean): void {
		this.pause();
		this.attempt = attempt;
		this.haltedAt = null;
		this.time = attempt.outcome.seconds;
		this.isLive = !isOver;
	}

	show(attempt: Attempt | null, atEnd = false): void {
		this.pause();
		this.isLive = false;
		this.attempt = attempt;
		this.haltedAt = null;
		this.time = atEnd && attempt ? attempt.outcome.seconds : 0;
	}

	/** Shows another attempt at the same moment, such as one that differs only after it. */
	exchange(attempt: Attempt): void {
		this.attempt = attempt;
		this.time = Math.min(this.time, attempt.outcome.seconds);
	}

	play(): void {
		if (!this.attempt || this.isPlaying || this.isLive) return;
		if (this.isAtEnd || this.haltedAt !== null) this.time = 0;
		this.haltedAt = null;
		this.isPlaying = true;
		this.last = performance.now();
		this.frame = requestAnimationFrame(this.advance);
	}

	pause(): void {
		this.isPlaying = false;
		cancelAnimationFrame(this.frame);
	}

	halt(): void {
		if (!this.attempt || this.isAtEnd || this.isLive) return;
		this.pause();
		this.haltedAt = this.time;
	}

	seek(time: number): void {
		if (this.isLive) return;
		this.haltedAt = null;
		this.time = Math.max(0, Math.min(this.duration, time));
	}

	private readonly advance = (now: number): void => {
		const before = this.time;
		// The first frame may have begun before the press that started the clock.
		const passed = (Math.max(0, now - this.last) / 1000) * this.rate;
		this.last = now;
		this.time = Math.min(this.duration, before + passed);
		this.onPassed(before, this.time);
		if (this.time >= this.duration) this.isPlaying = false;
		else this.frame = requestAnimationFrame(this.advance);
	};
}
