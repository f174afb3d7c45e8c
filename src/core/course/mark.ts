import { seedOfText } from '../random/random';
import type { Course } from './course';

/** What came after marks were kept first. As it begins it is left out, so that older marks still fit. */
const cameLater: Partial<Course> = {
	surface: 'tile',
	surfaces: [],
	gates: [],
	pads: [],
	rails: [],
	ceiling: 2.5,
	isInOrder: false
};

const leftOut = new Map(Object.entries(cameLater).map(([name, value]) => [name, textOf(value)]));

function textOf(value: unknown): string {
	return JSON.stringify(value);
}

/** A number by which a course is known again: another one if anything in it has changed (32 bits). */
export function markOf(course: Course): number {
	const parts = Object.entries(course).filter(
		([name, value]) => name !== 'locked' && leftOut.get(name) !== textOf(value)
	);
	return seedOfText(textOf(Object.fromEntries(parts)));
}
