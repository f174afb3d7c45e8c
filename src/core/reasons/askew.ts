/** It was set down beside its start mark, or not quite straight: all legs have it to bear. */
import * as exact from '../exact';
import { degrees } from '../units/angles';
import type { Matter } from './reason';

/** Radians and metres that are worth a word. */
const leastAngle = 0.017;
const leastOff = 0.01;

export const askew: Matter =
	({ legs }) =>
	(leg) => {
		const { inherited, span } = leg;
		if (!inherited || leg !== legs[0] || span.start > 0.5) return null;
		const { ahead, left, turn } = inherited;
		const off = exact.lengthOf(ahead, left);
		if (Math.abs(turn) < leastAngle && off < leastOff) return null;
		const side = Math.abs(turn) < leastAngle ? 'beside' : turn > 0 ? 'left' : 'right';
		return {
			sentence: {
				key: `reason.askew.${side}`,
				values: { angle: Math.abs(degrees(turn)), centimetres: off * 100 }
			},
			explains: inherited,
			isInherited: true,
			at: span.start
		};
	};
