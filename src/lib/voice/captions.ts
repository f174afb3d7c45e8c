/** What robots say, to be read. */
import type { Attempt } from '$core/simulation/attempt';
import { longestSaid, speechSeconds } from '$core/sounds/speech';
import { written } from '$core/types';

export interface Caption {
	readonly name: string;
	readonly text: string;
}

/** What is being said at a time: of each robot what it began to say last. @param time seconds since Run */
export function captionsAt(
	attempt: Pick<Attempt, 'runs' | 'spans' | 'outcome'>,
	time: number
): Caption[] {
	const isOver = attempt.outcome.reason.key !== 'outcome.running';
	return attempt.runs.flatMap(({ id, robot: { name } }) => {
		const last = attempt.spans.findLast(
			({ kind, robot, start }) => kind === 'say' && robot === id && start <= time
		);
		if (!last) return [];
		const text = written(last.values.text!).slice(0, longestSaid);
		const isCut = isOver && !last.isComplete && last.end <= time;
		return time < last.start + speechSeconds(text) && !isCut ? [{ name, text }] : [];
	});
}
