/** It waited for its sensors, and what it waited for never came; an ideal robot's did. */
import type { Matter } from './reason';

export const inVain: Matter = (scene) => {
	const { twinOf } = scene;
	return (leg) => {
		const { span, added } = leg;
		const isLost = span.kind === 'waitUntil' && !span.isComplete;
		if (!isLost || !added || !twinOf(leg)?.leg.span.isComplete) return null;
		return {
			sentence: { key: 'reason.inVain', values: { seconds: span.end - span.start } },
			explains: added,
			at: span.end
		};
	};
};
