/** The attempt: what one rehearsal or run recorded. Plain data that can be sent between workers. */
import type { RobotDocument } from '../robots/robot-document';
import type { Variation } from '../robots/robot';
import type { Sentence } from '../sentence';
import type { Values } from '../steps/definition';

export const outcomes = ['finished', 'ended', 'halted', 'fell', 'crashed', 'timeout'] as const;
export type OutcomeKind = (typeof outcomes)[number];

/** Samples in time order; all columns have the same length. SI units; lamp as 0xrrggbb. */
export interface Trace {
	readonly time: Float64Array;
	readonly x: Float64Array;
	readonly y: Float64Array;
	/** Radians, counter-clockwise from east, not wrapped. */
	readonly heading: Float64Array;
	readonly speed: Float32Array;
	readonly leftWheel: Float32Array;
	readonly rightWheel: Float32Array;
	/** 1 full, 0 empty. */
	readonly battery: Float32Array;
	readonly lamp: Float64Array;
}

export interface RecordedPose {
	readonly x: number;
	readonly y: number;
	readonly heading: number;
}

/** One time that one step ran. */
export interface Span {
	readonly stepId: string;
	readonly kind: string;
	readonly number: number;
	readonly values: Values;
	/** Whether it holds other steps; then it has no leg of its own. */
	readonly hasBody: boolean;
	readonly start: number;
	readonly end: number;
	readonly from: RecordedPose;
	readonly to: RecordedPose;
	/** m/s, without sign. */
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
}

export interface Tone {
	readonly time: number;
	/** Hz */
	readonly pitch: number;
	readonly length: number;
}

export interface Outcome {
	readonly kind: OutcomeKind;
	readonly reason: Sentence;
	readonly seconds: number;
	readonly reachedFinish: boolean;
	/** Ids, in the order in which they were reached. */
	readonly lampPosts: readonly { readonly id: string; readonly time: number }[];
}

export interface Attempt {
	readonly robot: RobotDocument;
	readonly variation: Variation;
	readonly seed: number;
	readonly outcome: Outcome;
	readonly trace: Trace;
	readonly spans: readonly Span[];
	readonly bumps: readonly Bump[];
	readonly tones: readonly Tone[];
	/** What else is worth knowing, such as a loop that never waits. */
	readonly notes: readonly Sentence[];
	/** Metres. */
	readonly pathLength: number;
	/** Ticks that were simulated. */
	readonly ticks: number;
}

/** The parts of a trace that single steps made: the spans of all steps that hold no others. */
export const legsOf = (attempt: Attempt): Span[] => attempt.spans.filter((span) => !span.hasBody);
