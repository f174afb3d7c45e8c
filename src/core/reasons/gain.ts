/** This robot's metre is no metre: all its straight legs are too long, or too short, by the same part. */
import * as exact from '../exact';
import { alongMeant, type Leg } from '../attempts/legs';
import { habitOf, isStraight, type Matter } from './reason';

/** A part of the way that is worth a word. */
const least = 0.004;

/** Moves that end by their length: what is timed goes as far as its speed takes it. */
const isMeasured = (leg: Leg): boolean => isStraight(leg) && 'distance' in leg.span.values;
const lengthOf = ({ meant }: Leg): number => exact.lengthOf(meant!.ahead, meant!.left);

export const gain: Matter = (scene) => {
	const { twinOf } = scene;
	const furtherOf = (leg: Leg | undefined): number => (leg && alongMeant(leg)?.further) ?? 0;
	// What an ideal one has as well, such as the last of a way that it still floats, is no error of this one.
	const parts = scene.legs
		.filter(isMeasured)
		.map((leg) => (furtherOf(leg) - furtherOf(twinOf(leg)?.leg)) / lengthOf(leg));
	const habit = habitOf(parts, least);
	return (leg) => {
		if (habit === null || !isMeasured(leg)) return null;
		const { ahead, left } = leg.meant!;
		return {
			sentence: {
				key: habit > 0 ? 'reason.gain.more' : 'reason.gain.less',
				values: { percent: Math.abs(habit) * 100, count: parts.length }
			},
			explains: { ahead: habit * ahead, left: habit * left, turn: 0 },
			at: leg.span.end
		};
	};
};
