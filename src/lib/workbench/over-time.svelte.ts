/** What is looked at of an attempt over time: which figures, between which seconds, beside which other. */
import {
	seenOf,
	seriesIn,
	stepsOfBoth,
	type SeriesPoint,
	type Series
} from '$core/attempts/series';
import type { Attempt, RobotRun } from '$core/simulation/attempt';
import type { Player } from '$lib/timeline/player.svelte';

/** At Run, or where a step began for the first time. */
export type Alignment = 'run' | (string & {});

/** Figures that are looked at first, as far as a robot has them. */
const usual = ['column.speed', 'pose.bearing'];
/** Lines at the most: more can hardly be told apart. */
export const mostSeries = 8;
/** Seconds: nearer nobody can look. */
const shortest = 0.2;

/** One line of the chart. */
export interface Line {
	readonly series: Series;
	/** Its place among the chosen ones. */
	readonly place: number;
	/** Of the attempt beside. */
	readonly isOther: boolean;
	readonly points: readonly SeriesPoint[];
}

/** What the chart needs to know of where it stands. */
interface Shows {
	readonly player: Player;
	/** The attempt before the one that is shown. */
	readonly previous: Attempt | null;
}

export class OverTime {
	/** Keys of series, in the order in which they were chosen. */
	private picked = $state.raw<readonly string[] | null>(null);
	/** Seconds; null for all of it. */
	private window = $state.raw<{ readonly from: number; readonly to: number } | null>(null);
	/** What lies on the axis beside it: nothing, the one before, or the id of one that was kept. */
	beside = $state<'' | 'previous' | (string & {})>('');
	private kept = $state.raw<Attempt | null>(null);
	alignment = $state<Alignment>('run');
	isLarge = $state(false);

	constructor(private readonly shows: Shows) {}

	readonly other: Attempt | null = $derived.by(() =>
		this.beside === 'previous' ? this.shows.previous : this.kept
	);

	/** All that can be drawn: colours are no heights. */
	readonly offered: readonly Series[] = $derived.by(() => {
		const { attempt, run } = this.shows.player;
		return attempt && run ? drawn(attempt, run) : [];
	});
	/** Likewise of the attempt beside. */
	private readonly ofOther: readonly Series[] = $derived.by(() => {
		const { other } = this;
		const run = other?.runs.find(({ id }) => id === this.shows.player.run?.id) ?? other?.runs[0];
		return other && run ? drawn(other, run) : [];
	});
	readonly chosen: readonly Series[] = $derived.by(() => {
		const wanted = this.picked ?? usual;
		return wanted.flatMap((key) => this.offered.find((each) => each.key === key) ?? []);
	});

	/** Seconds between which the chart is drawn. */
	readonly from = $derived.by(() => this.window?.from ?? 0);
	readonly to = $derived.by(() => this.window?.to ?? Math.max(this.length, shortest));

	/** Of what lies on the axis. */
	private readonly length: number = $derived.by(() =>
		Math.max(this.shows.player.duration, this.other ? this.other.outcome.seconds + this.shift : 0)
	);

	/** Seconds by which the other attempt is shifted, so that both begin the step at one place. */
	readonly shift: number = $derived.by(() => {
		const [own, other] = [this.shows.player.attempt, this.other].map(
			(attempt) => attempt?.spans.find(({ stepId }) => stepId === this.alignment)?.start
		);
		return own !== undefined && other !== undefined ? own - other : 0;
	});

	/** Steps at whose beginning both can be aligned. */
	readonly alignments: ReturnType<typeof stepsOfBoth> = $derived.by(() => {
		const { attempt } = this.shows.player;
		return attempt && this.other ? stepsOfBoth(attempt, this.other) : [];
	});

	/** @param stretches of the axis that can be told apart */
	lines(stretches: number): Line[] {
		const { from, to, shift, chosen, ofOther } = this;
		const own = chosen.map((series, place) => ({
			...{ series, place, isOther: false },
			points: seenOf(series, from, to, stretches)
		}));
		return [
			...own,
			...chosen.flatMap(({ key }, place) => {
				const series = ofOther.find((each) => each.key === key);
				if (!series) return [];
				const points = seenOf(series, from - shift, to - shift, stretches);
				const shifted = points.map(({ x, y }) => ({ x: x + shift, y }));
				return [{ series, place, isOther: true, points: shifted }];
			})
		];
	}

	/** Draws a figure, or leaves it out. */
	toggle(key: string): void {
		const keys = this.chosen.map((series) => series.key);
		const isThere = keys.includes(key);
		if (!isThere && keys.length >= mostSeries) return;
		this.picked = isThere ? keys.filter((each) => each !== key) : [...keys, key];
	}

	get isFull(): boolean {
		return this.chosen.length >= mostSeries;
	}

	get isWhole(): boolean {
		return this.window === null;
	}

	/** @param around seconds that stay where they are @param factor over 1 goes nearer */
	zoom(around: number, factor: number): void {
		const { from, to, length } = this;
		const width = Math.max(shortest, (to - from) / factor);
		if (width >= length) return this.showAll();
		const left = around - ((around - from) / (to - from)) * width;
		this.look(left, width);
	}

	/** @param part of what is seen */
	pan(part: number): void {
		const width = this.to - this.from;
		if (this.window) this.look(this.from + part * width, width);
	}

	private look(from: number, width: number): void {
		const first = Math.max(0, Math.min(this.length - width, from));
		this.window = { from: first, to: first + width };
	}

	showAll(): void {
		this.window = null;
	}

	/** The moment that is shown has left what is seen of the axis: it is brought back. */
	follow(time: number): void {
		const width = this.to - this.from;
		if (this.window && (time < this.from || time > this.to)) this.look(time - width * 0.1, width);
	}

	/** Lays another attempt on the axis. @param kept the one of that id */
	compare(beside: OverTime['beside'], kept: Attempt | null = null): void {
		this.beside = beside;
		this.kept = kept;
		this.alignment = 'run';
		this.window = null;
	}
}

const drawn = (attempt: Attempt, run: RobotRun): Series[] =>
	seriesIn(attempt, run).filter(({ unit }) => unit !== 'colour');
