/** Lets a robot stand before a step: the step before waits until it is still, if it can; else it is stopped. */
import type { Edit } from './edits';
import type { Place } from './places';
import type { Step } from './plan';

/** @param siblings all steps of the list that the place is in @param newId gives identifiers for new steps */
export function standFirst(
	{ holder, index }: Place,
	siblings: readonly Step[],
	newId: () => string
): Edit {
	const before = siblings.slice(0, index).findLast(({ off }) => !off);
	if (before?.values.then === 'goOn')
		return { type: 'setValue', step: before.id, name: 'then', value: 'waitStill' };
	const values = { ending: 'brake', then: 'waitStill' };
	return { type: 'insert', holder, index, steps: [{ id: newId(), kind: 'stop', values }] };
}
