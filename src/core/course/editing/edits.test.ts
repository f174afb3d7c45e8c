import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { writeDocument } from '../../document';
import { randomCourse, Dice, partFrom } from '../../testing/random-course';
import { courseOf } from '../../testing/sample';
import { courseSchema, type Course, type Part, type PartName } from '../course';
import { courseHistory, type CourseEdit, type CourseHistory } from './edits';
import { freeIds, idOfPart, kindOf, partNames, partsOf } from '../parts';
import { mirror, resize, shift, turnAbout } from '../motions';
import { runs } from '../../testing/runs';

const { start, perform, undo, redo } = courseHistory;
const numbers = fc.array(fc.nat(1_000_000), { minLength: 6, maxLength: 24 });
const sequences = fc.array(numbers, { minLength: 1, maxLength: 12 });

/** The edit that these numbers mean for this course. Some are refused, as a person's are. */
function editFor(course: Course, list: readonly number[], depth = 0): CourseEdit {
	const dice = new Dice(list);
	const part = dice.of(partNames);
	const parts = partsOf(course, part);
	const index = dice.below(parts.length + 2);
	const id =
		parts.length > 0 ? idOfPart(parts[index % parts.length]!, index % parts.length) : 'gone';
	const add = (): CourseEdit =>
		({
			...{ type: 'add', part, index },
			value: partFrom(part, dice, dice.below(8) === 0 ? id : freeIds(course, part, 1)[0]!)
		}) as CourseEdit;
	switch (dice.below(8)) {
		case 0:
			return { type: 'remove', part, id };
		case 1:
			return { type: 'order', part, id, index };
		case 2:
			return { type: 'change', part, id, value: partFrom(part, dice, id) } as CourseEdit;
		case 3: {
			const value = parts[index % parts.length];
			return value ? moved(part, id, value, dice) : add();
		}
		case 4:
			return fieldEdit(dice);
		case 5: {
			if (depth > 2) return add();
			const inner = [list.slice(1), list.toReversed()].map((each) => [...each, dice.below(97)]);
			return { type: 'together', edits: inner.map((each) => editFor(course, each, depth + 1)) };
		}
		default:
			return add();
	}
}

/** Moved, turned, mirrored, resized: sometimes too far. */
function moved(part: PartName, id: string, value: Part, dice: Dice): CourseEdit {
	const middle = [dice.from(0, 4), dice.from(0, 3)] as const;
	const motion = dice.of([
		shift(dice.from(-60, 60), dice.from(-1, 1)),
		turnAbout(middle, dice.below(720) - 360),
		mirror(middle, dice.of(['x', 'y'] as const)),
		resize(middle, dice.from(0.01, 9))
	]);
	return { type: 'change', part, id, value: kindOf(part).moved(value, motion) } as CourseEdit;
}

const fieldEdit = (dice: Dice): CourseEdit =>
	dice.of<CourseEdit>([
		{ type: 'set', field: 'name', value: `Quay ${dice.below(99)}` },
		{ type: 'set', field: 'size', value: { width: dice.from(0.1, 5), height: 3 } },
		{ type: 'set', field: 'light', value: dice.from(-0.2, 1.2) },
		{ type: 'set', field: 'isInOrder', value: dice.below(2) === 0 },
		{ type: 'set', field: 'helpersOff', value: dice.of([[], ['legs'], ['mends', 'intended']]) },
		{ type: 'set', field: 'locked', value: dice.of([[], ['walls/wall-1']]) }
	]);

/** What nobody's hand would make. */
const hostile = fc.oneof(
	fc.anything(),
	fc.record({
		type: fc.constantFrom('add', 'change', 'remove', 'order', 'set', 'together'),
		part: fc.constantFrom(...partNames, '__proto__', 'name'),
		field: fc.constantFrom('size', 'walls', 'format', '__proto__'),
		id: fc.constantFrom('1', 'wall-1', '', '__proto__'),
		index: fc.constantFrom(-1, 0, 0.5, NaN, 1e9),
		value: fc.anything(),
		edits: fc.anything()
	})
);

function check(first: Course, edits: (course: Course, step: number) => unknown, count: number) {
	let history: CourseHistory = start(first);
	const seen = [first];
	for (let step = 0; step < count; step++) {
		const performed = perform(history, edits(history.document, step) as CourseEdit);
		if (!performed.ok) continue;
		history = performed.value;
		seen.push(history.document);
		expect(courseSchema.safeParse(history.document).error).toBeUndefined();
	}
	const last = writeDocument(history.document);
	for (let at = seen.length - 2; at >= 0; at--) {
		const undone = undo(history);
		if (!undone.ok) throw new Error(undone.failure.key);
		history = undone.value;
		expect(writeDocument(history.document)).toBe(writeDocument(seen[at]!));
	}
	expect(writeDocument(history.document)).toBe(writeDocument(first));
	for (let again = redo(history); again.ok; again = redo(history)) history = again.value;
	expect(writeDocument(history.document)).toBe(last);
	return seen.length - 1;
}

describe('a course from anywhere', () => {
	it('has an id of its own for each part, and the ids that it had where they were', () => {
		const wall = (id: string) => ({
			...{ id, from: [0, 0] as [number, number], to: [1, 1] as [number, number], thickness: 0.02 }
		});
		const course = courseOf({ walls: [wall('a'), wall('a'), wall('a-2'), wall('a')] });
		expect(course.walls.map(({ id }) => id)).toEqual(['a', 'a-2', 'a-2-2', 'a-3']);
		const sound = randomCourse([3, 1, 4, 1, 5, 9]);
		expect(courseSchema.parse(sound)).toEqual(sound);
	});
});

describe('edits of a course', () => {
	it('can all be undone to the byte, and every course on the way fits its schema', () => {
		let made = 0;
		fc.assert(
			fc.property(numbers, sequences, (first, list) => {
				made += check(randomCourse(first), (course, at) => editFor(course, list[at]!), list.length);
			}),
			{ numRuns: runs(500, 10_000), seed: 2026 }
		);
		// Refusals are the smaller part.
		expect(made).toBeGreaterThan(runs(1500, 30_000));
	}, 240_000);

	it('from anywhere are refused, or made and undone', () => {
		fc.assert(
			fc.property(numbers, fc.array(hostile, { maxLength: 8 }), (first, list) => {
				check(randomCourse(first), (_course, at) => list[at], list.length);
			}),
			{ numRuns: runs(300, 2000), seed: 2027 }
		);
	}, 60_000);

	it('are refused with a sentence', () => {
		const course = courseOf();
		const refuse = (edit: CourseEdit) => {
			const result = perform(start(course), edit);
			return result.ok ? 'accepted' : result.failure.key;
		};
		const post = { id: 'post-1', at: [1, 1] as [number, number], reach: 0.2 };
		const add = (value: typeof post, index = 0): CourseEdit => ({
			...{ type: 'add', part: 'lampPosts', index, value }
		});
		expect(refuse(add(post))).toBe('accepted');
		expect(refuse(add(post, 5))).toBe('edit.noPartPlace');
		expect(refuse(add({ ...post, reach: 0 }))).toBe('document.tooSmall');
		expect(refuse({ type: 'remove', part: 'walls', id: 'gone' })).toBe('edit.noPart');
		expect(refuse({ type: 'together', edits: [add(post), add(post)] })).toBe('edit.partTaken');
		const finish = { at: [1, 1] as [number, number], radius: 0.2 };
		const ring: CourseEdit = { type: 'add', part: 'finish', index: 0, value: finish };
		expect(refuse({ type: 'together', edits: [ring, ring] })).toBe('edit.tooManyParts');
	});
});
