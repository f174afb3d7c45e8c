/**
 * It went on until its sensors told it something, and they told it too late, or too early: it ends
 * beside where an ideal robot does. Or they told it in time, and so made good where it began.
 */
import { poseMiss } from '../attempts/legs';
import { degrees } from '../units/angles';
import { noMiss, wayBetween, type Matter } from './reason';

/** Metres, and radians, by which it has to end elsewhere. */
const leastWay = 0.01;
const leastTurn = 0.04;
/** Beyond them it looks at something else: metres aside, and radians. */
const farAside = 0.1;
const farTurned = 0.2;
/** Seconds before its end in which its speed is looked at. */
const window = 0.2;

export const sensed: Matter =
	({ twinOf, run }) =>
	(leg) => {
		const { span, did, added, inherited } = leg;
		const twin = twinOf(leg)?.leg.span;
		const isSensed = span.kind === 'waitUntil' && span.isComplete && twin?.isComplete;
		if (!isSensed || !added) return null;
		const { ahead, left, turn: turned } = poseMiss(span.to, twin.to);
		if (Math.abs(left) > farAside || Math.abs(turned) > farTurned) return null;
		const at = span.end;
		if (Math.abs(did.turn) > farTurned) {
			if (Math.abs(turned) < leastTurn) return null;
			const key = turned * did.turn > 0 ? 'reason.sensed.turnedLate' : 'reason.sensed.turnedEarly';
			const values = { angle: Math.abs(degrees(turned)) };
			return { sentence: { key, values }, explains: { ...noMiss, turn: turned }, at };
		}
		if (Math.abs(ahead) >= leastWay) {
			const key = ahead * did.ahead > 0 ? 'reason.sensed.late' : 'reason.sensed.early';
			const speed = wayBetween(run, at - window, at) / window;
			const values = { centimetres: Math.abs(ahead) * 100, speed: speed * 100 };
			return { sentence: { key, values }, explains: { ...noMiss, ahead }, at };
		}
		if (!inherited || Math.abs(inherited.ahead) < leastWay) return null;
		const key = 'reason.sensed.madeGood';
		const values = { centimetres: Math.abs(inherited.ahead) * 100 };
		return { sentence: { key, values }, explains: { ...noMiss, ahead: added.ahead }, at };
	};
