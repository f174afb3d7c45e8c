/** A course goes out as a drawing, and comes in again. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { writeDocument } from '../../document';
import { got } from '../../testing/got';
import { randomCourse } from '../../testing/random-course';
import { courseOf, wall } from '../../testing/sample';
import type { Course } from '../course';
import { isOwn, readOwn } from './own';
import { readDrawing } from './shapes';
import { writeSvg } from './write';
import { runs } from '../../testing/runs';

const back = (svg: string): Course => got(readOwn(got(readDrawing(svg))));

describe('a course as a drawing', () => {
	it('is the same document again, of 300 random courses', () => {
		const numbers = fc.array(fc.nat(1e6), { minLength: 8, maxLength: 24 });
		fc.assert(
			fc.property(numbers, (list) => {
				const course = randomCourse(list);
				const svg = writeSvg(course);
				expect(isOwn(got(readDrawing(svg)))).toBe(true);
				expect(writeDocument(back(svg))).toBe(writeDocument(course));
			}),
			{ numRuns: runs(60, 300), seed: 12 }
		);
	}, 60_000);

	it('shows the numbers of what counts in its order, which are no parts of it', () => {
		const post = (id: string, x: number) => ({ id, at: [x, 0.8] as [number, number], reach: 0.15 });
		const course = courseOf({ isInOrder: true, lampPosts: [post('one', 0.4), post('two', 1.2)] });
		const numbersIn = (text: string) => [...text.matchAll(/<text [^>]*>(\d+)</g)].map(([, n]) => n);
		const svg = writeSvg(course);
		expect(numbersIn(svg)).toEqual(['1', '2']);
		expect(back(svg)).toEqual(course);
		expect(numbersIn(writeSvg({ ...course, isInOrder: false }))).toEqual([]);
	});

	it('keeps names that look like markup', () => {
		const course = courseOf({ name: `<b>"Tom's" & co</b> ]]>` });
		expect(back(writeSvg(course))).toEqual(course);
	});

	it('has a part where it was put meanwhile, and all others as they were', () => {
		const course = courseOf({
			walls: [wall([0.5, 0.5], [1, 0.5]), { ...wall([0.2, 0.2], [0.2, 0.4]), id: 'other' }],
			crates: [{ id: 'c', at: [1, 1], bearing: 30, width: 0.2, depth: 0.1, mass: 0.3 }],
			starts: [{ at: [0.4, 0.4], bearing: 77 }],
			lampPosts: [{ id: 'p', at: [1.2, 0.8], reach: 0.15 }]
		});
		const { id } = course.walls[0]!;
		// As drawing programs do it: a transform on one, another place for the other.
		const moved = writeSvg(course)
			.replace(`id="walls-${id}"`, `id="walls-${id}" transform="translate(100 -50)"`)
			.replace('id="crates-c"', 'id="crates-c" transform="translate(20,10)"')
			.replace('cx="1200"', 'cx="1250"');
		const read = back(moved);
		expect(read.walls[0]).toMatchObject({ from: [0.6, 0.45], to: [1.1, 0.45], thickness: 0.02 });
		expect(read.walls[1]).toEqual(course.walls[1]);
		expect(read.crates[0]).toEqual({ ...course.crates[0]!, at: [1.02, 1.01] });
		expect(read.starts).toEqual(course.starts);
		expect(read.lampPosts[0]).toEqual({ id: 'p', at: [1.25, 0.8], reach: 0.15 });
	});

	it('is whole again when it was turned and made larger', () => {
		const course = courseOf({
			crates: [{ id: 'c', at: [1, 1], bearing: 30, width: 0.2, depth: 0.1, mass: 0.3 }]
		});
		const turned = writeSvg(course).replace(
			'id="course" transform="',
			'id="course" transform="rotate(90 500 500) '
		);
		const crate = back(turned).crates[0]!;
		expect(crate.bearing).toBeCloseTo(120, 1);
		expect(crate.width).toBeCloseTo(0.2, 4);
	});
});
