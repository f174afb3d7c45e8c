/** It stood against what a leg before had run into, and gave up. */
import { asFarAsItCame } from './mend';
import type { Matter } from './reason';

export const stalled: Matter =
	({ attempt }) =>
	(leg) => {
		const { span, added, bumps } = leg;
		const hasGivenUp = attempt.outcome.kind === 'halted' && !span.isComplete;
		if (!hasGivenUp || !added || bumps.length > 0) return null;
		return {
			sentence: { key: 'reason.stalled', values: { seconds: span.end - span.start } },
			explains: added,
			mend: asFarAsItCame(leg),
			at: span.end
		};
	};
