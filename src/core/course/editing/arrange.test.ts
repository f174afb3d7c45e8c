import { describe, expect, it } from 'vitest';
import { courseOf } from '../../testing/sample';
import { aligning, copying, removing, spreading } from './arrange';
import type { Course, Part } from '../course';
import { courseHistory, type CourseEdit } from './edits';
import type { PartRef } from '../parts';

const crate = (id: string, x: number, y: number, width = 0.1): Course['crates'][number] => ({
	...{ id, at: [x, y], bearing: 0, width, depth: 0.1, mass: 0.2 }
});
const course = courseOf({
	starts: [0, 1, 2].map((x) => ({ at: [x, 0.2] as [number, number], bearing: 0 })),
	crates: [crate('a', 0.5, 0.5), crate('b', 0.8, 0.9, 0.3), crate('c', 1.6, 0.7)]
});
const refs = ['a', 'b', 'c'].map((id): PartRef => ({ part: 'crates', id }));
const free = () => false;
function after(edit: CourseEdit): Course {
	const done = courseHistory.perform(courseHistory.start(course), edit);
	if (!done.ok) throw new Error(done.failure.key);
	return done.value.document;
}
const places = (edit: CourseEdit) => after(edit).crates.map(({ at }) => at);

describe('arranging', () => {
	it('brings edges and middles into line', () => {
		expect(places(aligning(course, refs, 'west', free)).map(([x]) => x)).toEqual([0.5, 0.6, 0.5]);
		expect(places(aligning(course, refs, 'north', free)).map(([, y]) => y)).toEqual([
			0.9, 0.9, 0.9
		]);
		expect(places(aligning(course, refs, 'middle', free)).map(([, y]) => y)).toEqual([
			0.7, 0.7, 0.7
		]);
	});

	it('leaves the same gap between each and the next', () => {
		// From 0.45 to 1.65, with 0.5 of it covered: 0.35 between them.
		expect(places(spreading(course, refs, 'x', free)).map(([x]) => x)).toEqual([0.5, 1.05, 1.6]);
	});

	it('counts what is held fast, and leaves it where it is', () => {
		const isHeld = ({ id }: PartRef) => id === 'a';
		const ys = places(aligning(course, refs, 'north', isHeld)).map(([, y]) => y);
		expect(ys).toEqual([0.5, 0.9, 0.9]);
	});

	it('takes start marks away by their numbers, several at once', () => {
		const edit = removing([
			{ part: 'starts', id: '1' },
			{ part: 'starts', id: '3' }
		]);
		expect(after(edit).starts.map(({ at }) => at[0])).toEqual([1]);
	});

	it('copies with ids of their own, and makes of a stranger’s text an edit that is refused', () => {
		const { edit, refs: copies } = copying(
			course,
			[
				{ part: 'crates', value: course.crates[0]! },
				{ part: 'crates', value: course.crates[1]! },
				{ part: 'starts', value: course.starts[0]! }
			],
			0.1
		);
		const { crates, starts } = after(edit);
		expect(crates.slice(3).map(({ id, at }) => [id, at])).toEqual([
			['crate-1', [0.6, 0.4]],
			['crate-2', [0.9, 0.8]]
		]);
		expect(starts).toHaveLength(4);
		expect(copies.map(({ id }) => id)).toEqual(['crate-1', 'crate-2', '4']);
		const wrong = copying(course, [{ part: 'walls', value: { id: 5 } as unknown as Part }], 0.1);
		expect(courseHistory.perform(courseHistory.start(course), wrong.edit).ok).toBe(false);
	});
});
