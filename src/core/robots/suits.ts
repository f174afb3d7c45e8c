/** For which kinds of robot a course is laid out: those for which there is something of their own. */
import type { Course } from '../course/course';
import { partsOf } from '../course/parts';
import { robotKinds } from './kinds';

/** @returns kinds by their ids, the likeliest first; any that drives on a floor, if there is nothing */
export function suitedKinds(course: Course): readonly string[] {
	const suited = robotKinds.filter(({ ownParts = [] }) =>
		ownParts.some((part) => partsOf(course, part).length > 0)
	);
	const drivers = robotKinds.filter(({ ownParts }) => !ownParts);
	return (suited.length > 0 ? suited : drivers).map(({ kind }) => kind);
}
