/** What an attempt says of a moment: the sample, the steps in progress, those that have ended. */
import type { Attempt, Span } from '$core/simulation/attempt';

export interface Progress {
	readonly active: ReadonlySet<string>;
	/** Seconds of the last time, and how often it ran. */
	readonly passed: ReadonlyMap<string, { seconds: number; times: number }>;
}

const nothing: Progress = { active: new Set(), passed: new Map() };

export function progressAt(attempt: Attempt | null, time: number, isAtEnd: boolean): Progress {
	if (!attempt) return nothing;
	const active = new Set<string>();
	const passed = new Map<string, { seconds: number; times: number }>();
	for (const span of attempt.spans) {
		if (span.end <= time && (span.isComplete || isAtEnd)) {
			const times = (passed.get(span.stepId)?.times ?? 0) + 1;
			passed.set(span.stepId, { seconds: span.end - span.start, times });
		} else if (span.start <= time && !isAtEnd) active.add(span.stepId);
	}
	return { active, passed };
}

/** Legs of a robot that went somewhere: for the numbers on the floor. @param id of the robot */
export const movingLegs = ({ spans }: Attempt, id: string): Span[] =>
	spans.filter(
		({ hasBody, from, to, robot }) =>
			robot === id &&
			!hasBody &&
			(Math.hypot(to.x - from.x, to.y - from.y) > 0.005 ||
				Math.abs(to.heading - from.heading) > 0.03)
	);
