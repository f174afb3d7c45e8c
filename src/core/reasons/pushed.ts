/** It pushed a crate along: that takes its speed, and turns it aside. */
import * as exact from '../exact';
import type { Leg } from '../attempts/legs';
import type { CrateTrace } from '../simulation/attempt';
import type { LegScene, Matter } from './reason';

/** Metres by which a crate has to be moved; and as far from the middle of a robot as it can be pushed. */
const least = 0.01;
const near = 0.35;

/** Metres, and the moment when it began to move. */
interface Push {
	readonly way: number;
	readonly at: number;
}

/** What this leg did to the crates that it came near to. */
export function pushIn({ attempt }: Pick<LegScene, 'attempt'>, { span }: Leg): Push | null {
	const pushes = attempt.crates.flatMap((crate) => pushOf(crate, span.start, span.end) ?? []);
	const close = pushes.filter(({ x, y }) =>
		[span.from, span.to].some((pose) => exact.lengthOf(x - pose.x, y - pose.y) < near)
	);
	return close.toSorted((a, b) => b.way - a.way)[0] ?? null;
}

function pushOf({ moments }: CrateTrace, start: number, end: number) {
	const before = moments.findLast(({ time }) => time <= start) ?? moments[0]!;
	const moved = moments.filter(({ time }) => time > start && time <= end);
	const last = moved.at(-1);
	if (!last) return null;
	const way = exact.lengthOf(last.x - before.x, last.y - before.y);
	return way >= least ? { way, at: moved[0]!.time, x: last.x, y: last.y } : null;
}

export const pushed: Matter = (scene) => (leg) => {
	const push = leg.added && pushIn(scene, leg);
	if (!push) return null;
	return {
		sentence: { key: 'reason.pushed', values: { centimetres: push.way * 100 } },
		explains: leg.added!,
		at: push.at
	};
};
