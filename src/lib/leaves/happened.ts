/** What happened in an attempt, as ticks below a chart: told apart by their shape as well. */
import type { Attempt, RobotRun } from '$core/simulation/attempt';

/** Pixels of a tick, across and up. */
export const tickSize = 10;

/** By the word for it, `chart.tick.<kind>`: its colour, and its shape in a square of that size. */
export const tickKinds = {
	bump: { ink: 'signal', shape: 'M0 10H10L5 1Z' },
	lampPost: { ink: 'lamp-text', shape: 'M5 0L10 5L5 10L0 5Z' },
	log: { ink: 'ink', shape: 'M2 2H8V10H2Z' }
} as const;
type TickKind = keyof typeof tickKinds;

export interface Tick {
	readonly kind: TickKind;
	/** Seconds since Run. */
	readonly time: number;
	readonly ink: string;
	readonly shape: string;
}

/** Bumps are of this robot; lamp posts and lines of the log are of all. */
export const happened = ({ outcome, log }: Attempt, { bumps }: RobotRun): Tick[] => [
	...ticksOf('bump', bumps),
	...ticksOf('lampPost', outcome.lampPosts),
	...ticksOf('log', log)
];

const ticksOf = (kind: TickKind, moments: readonly { readonly time: number }[]): Tick[] =>
	moments.map(({ time }) => ({ kind, time, ...tickKinds[kind] }));
