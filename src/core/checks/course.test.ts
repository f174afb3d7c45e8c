import { describe, expect, it } from 'vitest';
import { courseSchema, makeCourse, type Course } from '../course/course';
import { courseHistory } from '../course/editing/edits';
import { robotKinds } from '../robots/kinds';
import type { RobotKind } from '../robots/robot';
import { skiff } from '../robots/skiff';
import { randomCourse } from '../testing/random-course';
import { points, wall } from '../testing/sample';
import { checkCourse } from './course';

const drone = robotKinds.find(({ kind }) => kind === 'drone')!;
const car = robotKinds.find(({ kind }) => kind === 'rail')!;
const yard = (parts: Partial<Course> = {}): Course =>
	makeCourse({
		name: 'Lamp yard',
		size: { width: 2, height: 1.5 },
		starts: [{ at: [0.4, 0.4], bearing: 0 }],
		finish: { at: [1.6, 1.1], radius: 0.15 },
		...parts
	});
const keys = (course: Course, kind: RobotKind = skiff) =>
	checkCourse(course, kind).map(({ sentence }) => sentence.key.replace('courseCheck.', ''));
const { start, perform } = courseHistory;

/** The course after its first problem was repaired. */
function mended(course: Course, kind: RobotKind = skiff): Course {
	const [first] = checkCourse(course, kind);
	if (!first?.repair) throw new Error('no repair');
	const done = perform(start(course), first.repair.edit);
	if (!done.ok) throw new Error(done.failure.key);
	return done.value.document;
}
const crate = (at: [number, number]): Course['crates'][number] => ({
	...{ id: 'crate-1', at, bearing: 0, width: 0.12, depth: 0.12, mass: 0.2 }
});
const walledIn = [
	wall([1.2, 0.8], [2, 0.8]),
	wall([1.2, 0.8], [1.2, 1.5]),
	wall([1.2, 1.5], [2, 1.5]),
	wall([2, 0.8], [2, 1.5])
];

describe('problems of a course', () => {
	it('are none where all is well', () => {
		expect(keys(yard())).toEqual([]);
	});

	it.each([
		['noStart', yard({ starts: [] })],
		['startTaken', yard({ walls: [wall([0.4, 0.2], [0.4, 0.6])] })],
		['narrow', yard({ walls: [wall([1, 0], [1, 0.6])], crates: [crate([1.17, 0.3])] })],
		['offFloor', yard({ crates: [crate([2.4, 0.3])] })]
	] as const)('%s has a repair that mends it', (key, course) => {
		expect(keys(course)).toContain(key);
		expect(keys(mended(course))).not.toContain(key);
	});

	it('name a finish that is walled in, and a lamp post before it', () => {
		expect(keys(yard({ walls: walledIn }))).toEqual(['finishWalledIn']);
		const lampPosts = [
			{ id: 'one', at: [0.6, 0.6] as [number, number], reach: 0.15 },
			{ id: 'two', at: [1.5, 1.2] as [number, number], reach: 0.15 }
		];
		const course = yard({ walls: walledIn, lampPosts, isInOrder: true });
		expect(checkCourse(course, skiff)).toMatchObject([
			{ refs: [{ part: 'lampPosts', id: 'two' }], sentence: { values: { number: 2 } } }
		]);
	});

	it('count a gap by the width of the robot that is to pass', () => {
		const walls = [wall([1, 0], [1, 0.6]), wall([1, 0.75], [1, 1.5])];
		expect(keys(yard({ walls }))).toEqual(['finishWalledIn', 'narrow']);
		const wide = [wall([1, 0], [1, 0.6]), wall([1, 0.95], [1, 1.5])];
		expect(keys(yard({ walls: wide }))).toEqual([]);
		const gap = checkCourse(yard({ walls }), skiff).find(({ refs }) => refs.length === 2)!;
		expect(gap.sentence.values).toMatchObject({ gap: 13 });
	});

	it('are those of its own kind: what flies is above low walls, what is on a rail needs one', () => {
		const walled = yard({ walls: walledIn });
		expect(keys(walled, drone)).toEqual([]);
		const high = walledIn.map((each) => ({ ...each, height: 2 }));
		expect(keys(yard({ walls: high }), drone)).toEqual(['finishWalledIn']);
		expect(keys(walled, car)).toEqual(['check.noRail']);
		const railed: Course['rails'] = [
			{ id: 'r', at: [0.4, 0.4], bearing: 0, pieces: [{ length: 1 }], isClosed: false, marks: [] }
		];
		expect(keys(yard({ walls: walledIn, rails: railed }), car)).toEqual([]);
	});

	it('of gates are asked only for what flies, and are raised or lowered', () => {
		const gate = { id: 'g', at: [1, 1] as [number, number], bearing: 0, width: 0.6 };
		const low = yard({ gates: [{ ...gate, shape: 'door', height: 0.2 }] });
		expect(keys(low)).toEqual([]);
		expect(keys(low, drone)).toEqual(['gateLow']);
		expect(keys(mended(low, drone), drone)).toEqual([]);
		const high = yard({ gates: [{ ...gate, shape: 'ring', height: 2.4 }] });
		expect(keys(high, drone)).toEqual(['gateHigh']);
		expect(keys(mended(high, drone), drone)).toEqual([]);
	});

	it('name tape beside the table, and a rail that nearly meets itself', () => {
		const tape = { id: 't', isClosed: false, radius: 0, width: 0.02, colour: 'black' as const };
		const table = points('0.1,0.1 1.9,0.1 1.9,1.4 0.1,1.4');
		const line = points('0.3,0.3 2,0.3');
		expect(keys(yard({ table, tapes: [{ ...tape, points: line }] }))).toEqual(['tapeOffTable']);
		const quarter = { radius: 0.4, angle: 90 };
		const rail = (last: number): Course['rails'][number] => ({
			...{ id: 'r', at: [0.3, 0.7], bearing: 0, isClosed: false, marks: [] },
			pieces: [quarter, quarter, quarter, { radius: 0.4, angle: last }]
		});
		expect(keys(yard({ rails: [rail(90)] }))).toEqual(['railOpen']);
		expect(mended(yard({ rails: [rail(90)] })).rails[0]!.isClosed).toBe(true);
		const off = checkCourse(yard({ rails: [rail(80)] }), skiff);
		expect(off).toMatchObject([{ sentence: { key: 'courseCheck.railOpen' } }]);
		expect(off[0]!.repair).toBeUndefined();
	});

	it('of any course are said without a fault, and their repairs fit', () => {
		for (let seed = 1; seed <= 60; seed++) {
			const course = randomCourse([seed, seed * 31, seed * 977, seed * 13_007, 7, seed * 5, 3]);
			for (const kind of [skiff, drone])
				for (const { repair } of checkCourse(course, kind)) {
					if (!repair) continue;
					const done = perform(start(course), repair.edit);
					expect(done.ok).toBe(true);
					if (done.ok) expect(courseSchema.safeParse(done.value.document).error).toBeUndefined();
				}
		}
	});
});
