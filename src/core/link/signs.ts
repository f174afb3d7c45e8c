/**
 * The signs by which a person tells that the robot in front of them is the one that the app talks
 * to: five, each so many blinks of a lamp, in a colour that goes with the number.
 */

export const signCount = 5;
/** Each is a number from 1 to this. */
export const signValues = 4;
/** Of one blink, two, three, four. */
export const signColours = ['#ffb000', '#00a89d', '#f2545b', '#4f8df5'] as const;

/** Seconds for which signs are good. */
export const signsLast = 60;
/** Of all people together; from then on a hand on its button is wanted. */
export const mostTries = 3;
/** Seconds in which nobody tells any signs, after which the tries are there again. */
export const quietFor = 600;

/** Seconds of a blink, its beep and the gap after it, and between one sign and the next. */
export const blinkTime = 0.3;
export const betweenSigns = 0.7;
/** And before it begins anew. */
export const betweenRounds = 1.8;

/** Seconds that one round takes. */
const roundOf = (signs: readonly number[]): number =>
	signs.reduce((sum, sign) => sum + sign * blinkTime + betweenSigns, betweenRounds);

/** What shines at a moment of a robot that shows its signs: 0xrrggbb, or 0. @param time seconds */
export function signLight(signs: readonly number[], time: number): number {
	let left = time % roundOf(signs);
	for (const sign of signs) {
		if (left < sign * blinkTime) {
			const isLit = left % blinkTime < blinkTime / 2;
			return isLit ? Number.parseInt(signColours[sign - 1]!.slice(1), 16) : 0;
		}
		left -= sign * blinkTime + betweenSigns;
		if (left < 0) return 0;
	}
	return 0;
}
