import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { randomCourse, listedOf } from '../../testing/random-course';
import { got } from '../../testing/got';
import { courseOf, points, wall } from '../../testing/sample';
import { changing, courseHistory } from './edits';
import { distanceFrom, partsAt, partsIn } from '../extent';
import { growFrom, growOn, growTo, type Growing } from './lay';
import { mirror, resize, shift, turnAbout } from '../motions';
import { pacedFrom, railFrom, railTo, readPaces, type PaceWords } from './pacing';
import { kindOf } from '../parts';
import { RailPath } from '../rails';
import { bearingTo, lengthTo, type Point } from '../measure';
import { endsOf, snap } from './snap';
import { runs } from '../../testing/runs';
import { partKinds } from '../parts/list';

const words: PaceWords = {
	...{ right: ['right', 'r'], left: ['left', 'l'], round: ['round'], close: ['close'] },
	unit: 0.01
};
const read = (text: string) => {
	const result = readPaces(text, words);
	return result.ok ? result.value : result.failure;
};
const north = { at: [1, 1] as Point, bearing: 0 };
const paced = (text: string, from = north) => pacedFrom(from, got(readPaces(text, words)));

describe('pacing out', () => {
	it('goes as it is typed', () => {
		const { points, end } = paced('60, right 90, 40, left 45, 120');
		const diagonal = 1.2 * Math.SQRT1_2;
		expect(points).toHaveLength(3);
		expect(points[0]).toEqual([1, 1.6]);
		expect(points[1]).toEqual([1.4, 1.6]);
		expect(points[2]![0]).toBeCloseTo(1.4 + diagonal, 4);
		expect(points[2]![1]).toBeCloseTo(1.6 + diagonal, 4);
		expect(end.bearing).toBe(45);
	});

	it('takes units, short words and no commas', () => {
		const same = paced('0.5m r 90 300mm l 90 10in').points;
		expect(same).toEqual(paced('50, right 90, 30, left 90, 25.4').points);
		expect(paced('').points).toEqual([]);
	});

	it('goes round: four quarter circles end where they begin', () => {
		const { points, end } = paced(
			'right 90 round 50 right 90 round 50 r 90 round 50, r 90 round 50'
		);
		const [x, y] = points.at(-1)!;
		expect([x, y].map((each) => Math.abs(each - 1) < 1e-3)).toEqual([true, true]);
		expect(end.bearing).toBe(0);
		const far = points.map((point) => Math.abs(lengthTo([1.5, 1], point) - 0.5));
		expect(Math.max(...far)).toBeLessThan(1e-3);
	});

	it('names a mistake and its place', () => {
		expect(read('60, rihgt 90')).toMatchObject({
			key: 'pace.word',
			values: { found: 'rihgt', column: 5 }
		});
		expect(read('60, right')).toMatchObject({ key: 'pace.angle', values: { column: 10 } });
		expect(read('right 400')).toMatchObject({ key: 'pace.angle', values: { found: '400' } });
		expect(read('right 90 round x')).toMatchObject({ key: 'pace.radius' });
		expect(read('9000')).toMatchObject({ key: 'pace.length' });
		expect(read('0')).toMatchObject({ key: 'pace.length' });
		expect(read('close, 20')).toMatchObject({ key: 'pace.afterClose', values: { column: 8 } });
		expect(read('60 '.repeat(201))).toMatchObject({ key: 'pace.tooMany' });
	});

	it('reads anything without a fault of its own', () => {
		fc.assert(fc.property(fc.string(), (text) => void read(text)));
	});

	it('a rail cannot turn on the spot, and goes to a place in one arc', () => {
		const sharp = readPaces('50 right 90 50', words);
		expect(sharp.ok && railFrom(sharp.value)).toMatchObject({
			failure: { key: 'pace.railTurn', values: { angle: 90 } }
		});
		fc.assert(
			fc.property(fc.double({ min: 0.1, max: 2, noNaN: true }), fc.nat(359), (far, bearing) => {
				const off = fc.sample(fc.integer({ min: -150, max: 150 }), {
					numRuns: 1,
					seed: bearing
				})[0]!;
				const angle = ((bearing + off) * Math.PI) / 180;
				const to: Point = [1 + far * Math.sin(angle), 1 + far * Math.cos(angle)];
				const piece = railTo({ at: [1, 1], bearing }, to)!;
				const rail = { at: [1, 1] as const, bearing, pieces: [piece], isClosed: false, marks: [] };
				const end = new RailPath(rail).line.at(-1)!;
				expect(lengthTo([end.x, end.y], to)).toBeLessThan(0.005);
			})
		);
	});
});

describe('where a hand means', () => {
	const plain = { grid: 0.05, reach: 0.03, ends: [] };
	it('an end comes before an angle, and an angle before the grid', () => {
		const end: Point = [1.013, 1.007];
		expect(snap([1, 1], { ...plain, ends: [end] })).toEqual({ at: end, to: 'end' });
		expect(snap([1, 1.2], { ...plain, ends: [end] })).toEqual({ at: [1, 1.2], to: 'grid' });
		const from: Point = [0.51, 0.51];
		expect(snap([0.53, 1.02], { ...plain, from })).toEqual({ at: [0.51, 1.01], to: 'angle' });
		expect(snap([0.8, 1.02], { ...plain, from })).toMatchObject({ to: 'angle' });
		expect(bearingTo(from, snap([0.8, 1.02], { ...plain, from }).at)).toBeCloseTo(30, 1);
		expect(snap([0.72, 1.02], { ...plain, from })).toEqual({ at: [0.7, 1], to: 'grid' });
	});

	it('square to the piece before, whichever way that goes', () => {
		const before: Point = [0, 0];
		const from: Point = [0.8, 0.3];
		const to = snap([0.71, 0.55], { ...plain, from, before });
		expect(to.to).toBe('angle');
		expect((bearingTo(from, to.at) - bearingTo(before, from) + 360) % 360).toBeCloseTo(270, 0);
	});

	it('joins on to other parts, never to itself', () => {
		const course = courseOf({ walls: [wall([0, 0], [1, 0])], lampPosts: [] });
		const [ref] = [{ part: 'walls' as const, id: course.walls[0]!.id }];
		expect(endsOf(course)).toContainEqual([1, 0]);
		expect(endsOf(course, [ref])).not.toContainEqual([1, 0]);
	});
});

describe('what lies at a place', () => {
	const course = courseOf({
		walls: [wall([0.5, 0.5], [1.5, 0.5], 0.04)],
		lampPosts: [{ id: 'post', at: [1, 0.6], reach: 0.4 }],
		patches: [
			{
				id: 'patch',
				colour: 'red',
				corners: points('0,0 3,0 3,1 0,1')
			}
		],
		tapes: []
	});
	const at = (point: Point, reach = 0.01) => partsAt(course, point, reach).map(({ part }) => part);

	it('is found by what it covers, the smallest first', () => {
		expect(at([1, 0.7])).toEqual(['lampPosts', 'patches']);
		expect(at([1, 0.5])).toContain('walls');
		expect(at([2.5, 0.5])).toEqual(['patches']);
		expect(at([2.5, 1.4])).toEqual([]);
		expect(at([2.5, 1.05], 0.06)).toEqual(['patches']);
	});

	it('is within a box only when it is so whole', () => {
		const box = { west: 0.4, south: 0.4, east: 1.6, north: 0.6 };
		expect(partsIn(course, box).map(({ part }) => part)).toEqual(['walls']);
	});

	it('is as far away as a formula says', () => {
		const extent = partKinds.walls.extent(course.walls[0]!);
		expect(distanceFrom([1, 0.62], extent)).toBeCloseTo(0.1, 9);
		expect(distanceFrom([1.8, 0.9], extent)).toBeCloseTo(0.5 - 0.02, 9);
	});
});

describe('what is moved', () => {
	const numbers = fc.array(fc.nat(1e6), { minLength: 8, maxLength: 20 });
	const middle: Point = [2, 1.5];
	/** The same to a fifth of a millimetre and a fiftieth of a degree. */
	const near = (one: unknown, other: unknown): boolean =>
		typeof one === 'number' && typeof other === 'number'
			? Math.abs(one - other) < 2e-4 || Math.abs(Math.abs(one - other) - 360) < 0.02
			: typeof one === 'object' && one !== null
				? Object.entries(one).every(([name, value]) =>
						near(value, (other as Record<string, unknown>)[name])
					)
				: one === other;

	it('there and back is the same again, and stays what it is', () => {
		fc.assert(
			fc.property(numbers, fc.nat(359), (list, degrees) => {
				for (const { part, value } of listedOf(randomCourse(list, 2))) {
					const { moved, points } = kindOf(part);
					const ways = [
						[shift(0.3, -0.2), shift(-0.3, 0.2)],
						[turnAbout(middle, degrees), turnAbout(middle, -degrees)],
						[mirror(middle, 'x'), mirror(middle, 'x')],
						[mirror(middle, 'y'), mirror(middle, 'y')],
						[resize(middle, 2), resize(middle, 0.5)]
					] as const;
					for (const [there, back] of ways) {
						const away = moved(value, there);
						expect(near(moved(away, back), value), part).toBe(true);
						expect(points(away)).toHaveLength(points(value).length);
						if (there !== ways[4][0])
							expect(kindOf(part).schema.safeParse(away).error).toBeUndefined();
					}
				}
			}),
			{ numRuns: runs(60, 300) }
		);
	});

	it('as far as it should', () => {
		const { moved } = partKinds.starts;
		expect(moved({ at: [1, 1], bearing: 350 }, turnAbout([0, 0], 90))).toEqual({
			at: [1, -1],
			bearing: 80
		});
		expect(moved({ at: [1, 1], bearing: 30 }, mirror([0, 0], 'x'))).toEqual({
			at: [-1, 1],
			bearing: 330
		});
	});
});

describe('a line that goes on', () => {
	/** Lays a line corner after corner, and takes its pieces back and lays them again. */
	function lineOf(part: Growing['part'], corners: readonly Point[]) {
		let history = courseHistory.start(courseOf({ walls: [], tapes: [], rails: [] }));
		const grown = [growFrom(history.document, part, corners[0]!)];
		for (const corner of corners.slice(1)) {
			const laid = growTo(history.document, grown.at(-1)!, corner, kindOf(part).style)!;
			const done = courseHistory.perform(history, laid.edit);
			if (!done.ok) throw new Error(done.failure.key);
			history = done.value;
			grown.push(laid.growing!);
		}
		const travel = (way: 'undo' | 'redo') => {
			const done = courseHistory[way](history);
			if (done.ok) history = done.value;
			return growOn(history.document, grown)?.end.at;
		};
		return { travel, history: () => history, grown };
	}
	const corners = points('0.2,0.2 0.6,0.2 0.9,0.5 1.2,0.5');

	it.each(['tapes', 'walls', 'rails'] as const)(
		'of %s goes on from where it ends, undone and done again',
		(part) => {
			const { travel, grown } = lineOf(part, corners);
			const ends = grown.map(({ end }) => end.at);
			const undone = [1, 2, 3].map(() => travel('undo'));
			expect(undone).toEqual([ends[2], ends[1], ends[0]]);
			expect([1, 2, 3].map(() => travel('redo'))).toEqual(ends.slice(1));
		}
	);

	it('goes on from where numbers put its end, and from nothing that was taken away', () => {
		const { history, grown } = lineOf('walls', corners);
		const last = history().document.walls.at(-1)!;
		const moved = changing({ part: 'walls', id: last.id }, { ...last, to: [1.5, 0.9] });
		const done = courseHistory.perform(history(), moved);
		expect(done.ok && growOn(done.value.document, grown)?.end.at).toEqual([1.5, 0.9]);
		expect(growOn(courseOf({ walls: [] }), grown.slice(1))).toBeNull();
	});
});
