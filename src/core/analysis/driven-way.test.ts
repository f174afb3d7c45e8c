import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { courseSchema, type Course } from '../course/course';
import type { WayWish } from '../course/search/driven-way';
import { lengthTo, turnAt, type Point } from '../course/measure';
import { makeMaze } from '../course/search/maze';
import { Net } from '../course/search/net';
import { skiff } from '../robots/skiff';
import { got } from '../testing/got';
import { courseOf, wall } from '../testing/sample';
import { findWay, reachOf } from './par';

const found = (course: Course, wish: WayWish) => findWay(course, skiff, false, 'Round', wish)!;
const sample = (file: string): Course =>
	courseSchema.parse(
		JSON.parse(
			readFileSync(new URL(`../../../samples/courses/${file}.json`, import.meta.url), 'utf8')
		)
	);
const turnsOf = (points: readonly Point[]): number[] =>
	points.slice(1, -1).map((_, i) => Math.abs(turnAt(points, i + 1)));
const mazes = Array.from({ length: 12 }, (_, seed) => {
	const wish = {
		...({
			name: 'Reeds',
			shape: 'square',
			columns: 4,
			rows: 4,
			side: 0.4,
			making: 'wall'
		} as const),
		...{ thickness: 0.02, slant: 0, loops: 0.2, branching: 0.5, seed }
	};
	return got(makeMaze(wish, reachOf(skiff))).course;
});

describe('a way', () => {
	it('with right angles only turns by nothing else, keeps to the middle, and is driven without a bump', () => {
		for (const course of [
			...mazes,
			sample('reed-maze'),
			sample('net-loft'),
			sample('crate-slalom')
		]) {
			const { way, par } = found(course, 'squared');
			for (const turn of turnsOf(way.points)) expect(Math.abs(turn % 90)).toBeLessThan(0.6);
			expect(par).toBeGreaterThan(0);
		}
		// Half of a corridor of 40 cm less its wall is left on either side, give or take the net.
		const { way } = found(mazes[0]!, 'squared');
		const room = new Net(mazes[0]!, { radius: 0.165 });
		way.points.slice(1, -1).forEach((point) => expect(room.isFree(room.indexOf(point))).toBe(true));
	});

	it('with the fewest turns has no more of them than the shortest, nor than right angles take', () => {
		for (const course of [...mazes, sample('reed-maze'), sample('sail-loft')]) {
			const few = found(course, 'fewestTurns').way;
			expect(few.turns).toBeLessThanOrEqual(found(course, 'shortest').way.turns);
			expect(few.turns).toBeLessThanOrEqual(found(course, 'squared').way.turns);
		}
	});

	it('that is the shortest has no three corners within 10 cm, and leaves room beside walls where there is some', () => {
		for (const file of ['reed-maze', 'net-loft', 'crate-slalom', 'two-piers']) {
			const { points } = found(sample(file), 'shortest').way;
			for (let i = 1; i + 3 < points.length; i++) {
				const span =
					lengthTo(points[i]!, points[i + 1]!) + lengthTo(points[i + 1]!, points[i + 2]!);
				expect(span, `${file} at ${points[i]!.join()}`).toBeGreaterThan(0.1);
			}
		}
		const around = courseOf({
			...{ size: { width: 3, height: 3 }, starts: [{ at: [0.5, 0.5], bearing: 0 }] },
			...{ walls: [wall([0, 1.5], [1.5, 1.5], 0.02)], finish: { at: [0.5, 2.5], radius: 0.13 } }
		});
		const { points } = found(around, 'shortest').way;
		const room = new Net(around, { radius: reachOf(skiff) + 0.02 });
		for (const point of points) expect(room.isFree(room.indexOf(point))).toBe(true);
	});

	it('lies along the front of a start mark that stands at a slant', () => {
		const { way } = found(sample('slanted-reeds'), 'squared');
		for (const turn of turnsOf(way.points)) expect(turn).toBeCloseTo(90, 0);
	});

	it('turns round in a dead end with a lamp post', () => {
		const { way, par } = found(sample('crate-slalom'), 'squared');
		expect(turnsOf(way.points).filter((turn) => turn > 179)).toHaveLength(1);
		expect(par).toBeGreaterThan(0);
	});
});
