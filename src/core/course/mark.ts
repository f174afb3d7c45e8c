import { seedOfText } from '../random/random';
import type { Course } from './course';
import { kindOf, partNames } from './parts';

/** Kinds of parts that courses had when marks were kept first. */
const hadThen = ['starts', 'finish', 'walls', 'lampPosts', 'tapes', 'patches', 'crates', 'table'];

/** What came after that. As it begins it is left out, so that older marks still fit. */
const cameLater: Readonly<Record<string, unknown>> = {
	...{ surface: 'tile', ceiling: 2.5, isInOrder: false },
	...Object.fromEntries(
		partNames
			.filter((part) => !hadThen.includes(part))
			.map((part) => [part, kindOf(part).isOne ? null : []])
	)
};

const leftOut = new Map(Object.entries(cameLater).map(([name, value]) => [name, textOf(value)]));

function textOf(value: unknown): string {
	return JSON.stringify(value);
}

/** What a robot does not meet. */
const saysNothing = new Set(['locked', 'helpersOff']);

/** A number by which a course is known again: another one if anything in it has changed (32 bits). */
export function markOf(course: Course): number {
	const parts = Object.entries(course).filter(
		([name, value]) => !saysNothing.has(name) && leftOut.get(name) !== textOf(value)
	);
	return seedOfText(textOf(Object.fromEntries(parts)));
}
