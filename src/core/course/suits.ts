/** For which kinds of robot a course is laid out: those for which there is something of their own. */
import type { Course } from './course';

/** Any of these drives on a floor. */
const drivers = ['skiff', 'skiffLite', 'ball', 'pinboard', 'face'];

/** @returns kinds by their ids, the likeliest first */
export function suitedKinds({ rails, gates, pads }: Course): readonly string[] {
	const suits = [
		...(rails.length > 0 ? ['rail'] : []),
		...(gates.length + pads.length > 0 ? ['drone'] : [])
	];
	return suits.length > 0 ? suits : drivers;
}
