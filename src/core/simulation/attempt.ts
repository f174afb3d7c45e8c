/** The attempt: what one rehearsal or run recorded. Plain data that can be sent between workers. */
import type { Datum } from '../types';
import type { RobotDocument } from '../robots/robot-document';
import type { ParameterValues } from '../robots/parameter';
import type { Variation } from '../robots/robot';
import type { Sentence } from '../sentence';
import type { Worked } from '../steps/definition';
import type { Obstacle } from '../world/body';

export const outcomes = ['finished', 'ended', 'halted', 'fell', 'crashed', 'timeout'] as const;
export type OutcomeKind = (typeof outcomes)[number];

/** Samples in time order; all columns have the same length. SI units. */
export interface Trace {
	readonly time: Float64Array;
	readonly x: Float64Array;
	readonly y: Float64Array;
	/** Radians, counter-clockwise from east, not wrapped. */
	readonly heading: Float64Array;
	/** What the robot's kind records beside the pose, by the names of its columns; 24 bits are enough. */
	readonly columns: Readonly<Record<string, Float32Array>>;
}

/** What sensors said: truths as 0 and 1, colours as 0xrrggbb. */
export type SensedColumns = Readonly<Record<string, Float64Array>>;

/** Where a crate was, whenever it had moved; the first entry is where it stood at Run. */
export interface CrateTrace {
	readonly id: string;
	readonly moments: readonly (RecordedPose & { readonly time: number })[];
	/** Seconds; undefined when it never fell off the table. */
	readonly fellAt?: number;
}

export interface RecordedPose {
	readonly x: number;
	readonly y: number;
	readonly heading: number;
}

/** One time that one step ran. */
export interface Span {
	readonly stepId: string;
	/** The id of the robot that it ran on. */
	readonly robot: string;
	readonly kind: string;
	readonly number: number;
	readonly values: Worked;
	/** Whether it holds other steps; then it has no leg of its own. */
	readonly hasBody: boolean;
	readonly start: number;
	readonly end: number;
	readonly from: RecordedPose;
	readonly to: RecordedPose;
	/** m/s, without sign. */
	readonly speedAtStart: number;
	readonly speedAtEnd: number;
	/** Whether it came to its own end, not cut off by the end of the attempt. */
	readonly isComplete: boolean;
}

export interface Bump {
	readonly time: number;
	readonly x: number;
	readonly y: number;
	/** The step that was driving, and its number; null and 0 while nothing drove. */
	readonly stepId: string | null;
	readonly number: number;
	readonly against: Obstacle;
}

export interface Tone {
	readonly time: number;
	/** Hz */
	readonly pitch: number;
	readonly length: number;
	/** 0 to 1 */
	readonly volume: number;
	/** What sounds in place of the pitch: the SHA-256 of a sound. */
	readonly clip?: string | undefined;
	/** What is said. */
	readonly text?: string | undefined;
}

/** Something worth knowing of one step. */
export interface JournalNote {
	readonly stepId: string;
	readonly sentence: Sentence;
}

/** A line that a step wrote in the log. */
export interface Logged {
	readonly time: number;
	readonly stepId: string;
	readonly number: number;
	readonly value: Datum;
}

export interface Outcome {
	readonly kind: OutcomeKind;
	readonly reason: Sentence;
	readonly seconds: number;
	readonly reachedFinish: boolean;
	/** Ids, in the order in which they were reached. */
	readonly lampPosts: readonly { readonly id: string; readonly time: number }[];
}

/** What one robot did. */
export interface RobotRun {
	/** Its id in the plan. */
	readonly id: string;
	readonly robot: RobotDocument;
	readonly trace: Trace;
	/** What its chains read: one value for each sample of the trace. */
	readonly sensed: SensedColumns;
	/**
	 * What else it senses, if somebody watches: a value for each `displayTicks` from Run on; of a real
	 * robot, for each sample.
	 */
	readonly unread: SensedColumns;
	readonly bumps: readonly Bump[];
	readonly tones: readonly Tone[];
	/** Metres. */
	readonly pathLength: number;
}

/** Where an attempt comes from: the model, or real robots, which nobody can have do it again. */
export type Source =
	| ({ readonly type: 'rehearsal' } & Circumstances)
	| { readonly type: 'run'; readonly linedUp?: number | undefined }
	/** The model, with hands that drove it: nobody can have that again either. */
	| { readonly type: 'played' };

/** By what chance, and with what robots, a plan was rehearsed: all that it takes to have it again. */
export interface Circumstances {
	readonly variation: Variation;
	readonly seed: number;
	/** By the ids of robots: what they are like, where that was known; the rest was drawn. */
	readonly parameters?: Readonly<Record<string, ParameterValues>> | undefined;
}

/** Those of a rehearsal; undefined of anything else: nobody can have that again. */
export function circumstancesOf({ source }: Pick<Attempt, 'source'>): Circumstances | undefined {
	if (source.type !== 'rehearsal') return undefined;
	const { variation, seed, parameters } = source;
	return { variation, seed, ...(parameters && { parameters }) };
}

export interface Attempt {
	readonly source: Source;
	readonly outcome: Outcome;
	/** One for each robot, in the order of the plan. */
	readonly runs: readonly RobotRun[];
	readonly crates: readonly CrateTrace[];
	readonly log: readonly Logged[];
	readonly spans: readonly Span[];
	/** What else is worth knowing, such as a loop that never waits. */
	readonly notes: readonly JournalNote[];
	/** Ticks that were simulated. */
	readonly ticks: number;
}

/** How one trial ended: all that a search over many of them looks at. */
export interface TrialSummary {
	readonly seed: number;
	readonly kind: OutcomeKind;
	readonly seconds: number;
	readonly reachedFinish: boolean;
	/** How many were reached. */
	readonly lampPosts: number;
	/** For each robot. */
	readonly ends: readonly {
		readonly id: string;
		readonly pose: RecordedPose;
		/** Metres over the floor. */
		readonly height: number;
		readonly bumps: number;
		/** Metres. */
		readonly pathLength: number;
		/** In the order in which they began, the first `maximumTrialLegs`; where the trial asked for them. */
		readonly legs?: readonly TrialLeg[];
		/** East and north by turns, metres, `pathTicks` apart; where the trial asked for it. */
		readonly path?: Float32Array;
	}[];
}

/** Where one step that took time began and ended. */
export interface TrialLeg {
	readonly stepId: string;
	/** 1 for the first time that it ran. */
	readonly round: number;
	readonly from: RecordedPose;
	readonly to: RecordedPose;
}

/** The parts of a trace that single steps made: the spans that took time, of steps that hold no others. */
export const legsOf = ({ spans }: Pick<Attempt, 'spans'>, { id }: Pick<RobotRun, 'id'>): Span[] =>
	spans.filter(({ hasBody, start, end, robot }) => robot === id && !hasBody && end > start);

/** Each with how often its step has run by then: 1 for the first time. @param spans in the order in which they began */
export function withRounds(
	spans: readonly Span[]
): { readonly span: Span; readonly round: number }[] {
	const rounds = new Map<string, number>();
	return spans.map((span) => {
		const round = (rounds.get(span.stepId) ?? 0) + 1;
		rounds.set(span.stepId, round);
		return { span, round };
	});
}
