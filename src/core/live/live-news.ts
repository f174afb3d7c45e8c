/** What a run tells on its way, and how whoever listens has the whole attempt of it. */
import type { Sentence } from '../sentence';
import { tickRate } from '../time';
import type { Attempt, Logged, JournalNote, Outcome, RobotRun, Span } from '../simulation/attempt';

/** Of one robot: samples that are new, and all of its bumps. */
export interface RunNews extends Omit<RobotRun, 'tones'> {
	/** Samples that were there before these. */
	readonly from: number;
}

/** A leg, known by its step and its round. */
export interface HeldBehind {
	/** Id of the robot in the plan. */
	readonly robot: string;
	readonly stepId: string;
	readonly number: number;
	/** 1 for the first time that its step ran. */
	readonly round: number;
}

export interface LiveNews {
	/** It is the model that runs. */
	readonly isModel?: true;
	/** When robots whose front is hidden were lined up, milliseconds since 1970. */
	readonly linedUp?: number | undefined;
	/** What is wrong while it goes on, and needs a hand. */
	readonly alarm?: Sentence;
	/** It waits behind this leg until somebody goes on. */
	readonly held?: HeldBehind;
	/** Seconds since Run, and since every robot was heard. */
	readonly time: number;
	readonly age: number;
	readonly runs: readonly RunNews[];
	/** Steps that have ended since the news before, and those in progress. */
	readonly spans: readonly Span[];
	readonly open: readonly Span[];
	readonly log: readonly Logged[];
	readonly notes: readonly JournalNote[];
	/** How it stands, or how it ended. */
	readonly outcome: Outcome;
}

type Column = Float64Array | Float32Array;

/** A column that grows; what it gives out is a view of it, as long as it was then. */
class Growing<Numbers extends Column> {
	private length = 0;

	constructor(private room: Numbers) {}

	add(more: Numbers): Numbers {
		const length = this.length + more.length;
		if (length > this.room.length) {
			const larger = new (this.room.constructor as new (length: number) => Numbers)(length * 2);
			larger.set(this.room.subarray(0, this.length));
			this.room = larger;
		}
		this.room.set(more, this.length);
		this.length = length;
		return this.room.subarray(0, length) as Numbers;
	}
}

/** All news of one run, put together. */
export class LiveRecord {
	private readonly columns = new Map<string, Growing<Column>>();
	private readonly spans: Span[] = [];
	private readonly log: Logged[] = [];
	private readonly notes: JournalNote[] = [];
	private runs: readonly RobotRun[] = [];
	private last: LiveNews | undefined;

	/** @returns the attempt, as far as it has come */
	add(news: LiveNews): Attempt {
		this.take(news);
		return this.attempt!;
	}

	/** Takes news of which nobody wants the attempt yet: putting that together copies all of it. */
	take(news: LiveNews): void {
		for (const span of news.spans) this.spans.push(span);
		for (const line of news.log) this.log.push(line);
		for (const note of news.notes) this.notes.push(note);
		this.runs = news.runs.map((run) => this.runOf(run));
		this.last = news;
	}

	/** As far as it has come; null before any news. */
	get attempt(): Attempt | null {
		if (!this.last) return null;
		const { isModel, linedUp, time, open, outcome } = this.last;
		return {
			source: isModel
				? { type: 'played' }
				: { type: 'run', ...(linedUp !== undefined && { linedUp }) },
			outcome,
			runs: this.runs,
			crates: [],
			log: [...this.log],
			spans: [...this.spans, ...open],
			notes: [...this.notes],
			ticks: Math.round(time * tickRate)
		};
	}

	private runOf({ id, robot, trace, sensed, unread, bumps, pathLength }: RunNews): RobotRun {
		const grown = <Numbers extends Column>(name: string, more: Numbers): Numbers => {
			const key = `${id} ${name}`;
			const known = this.columns.get(key) as Growing<Numbers> | undefined;
			if (known) return known.add(more);
			const made = new Growing(more.slice() as Numbers);
			this.columns.set(key, made);
			return made.add(more);
		};
		const all = <Numbers extends Column>(
			prefix: string,
			columns: Readonly<Record<string, Numbers>>
		) =>
			Object.fromEntries(
				Object.entries(columns).map(([name, column]) => [name, grown(prefix + name, column)])
			);
		return {
			id,
			robot,
			trace: {
				time: grown('time', trace.time),
				x: grown('x', trace.x),
				y: grown('y', trace.y),
				heading: grown('heading', trace.heading),
				columns: all('column ', trace.columns)
			},
			sensed: all('reading ', sensed),
			unread: all('unread ', unread),
			bumps,
			tones: [],
			pathLength
		};
	}
}
