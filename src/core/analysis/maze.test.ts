import { describe, expect, it } from 'vitest';
import { skiff } from '../robots/skiff';
import { simulate } from '../simulation/simulate';
import { runs } from '../testing/runs';
import { courseOf, points, wall } from '../testing/sample';
import { Random } from '../random/random';
import { courseSchema, type Course } from '../course/course';
import { isInside, type Point } from '../course/measure';
import { leastSide, makeMaze, type Maze, type MazeWish } from '../course/search/maze';
import { mazeShapes } from '../course/search/maze-cells';
import { planAlong } from './follow';
import { reachOf } from './par';
import { lengthTo } from '../course/measure';
import { shortestWay, wayAlong, wayOver, type Way } from '../course/search/way';

const radius = reachOf(skiff);

function wishOf(seed: number): MazeWish {
	const chance = new Random(seed);
	const below = (end: number) => Math.floor(chance.between(0, end));
	const dice = { below, of: <T>(list: readonly T[]): T => list[below(list.length)]! };
	const shape = dice.of(mazeShapes);
	const thickness = dice.of([0.012, 0.02, 0.04]);
	return {
		...{ name: 'Reed maze', shape, thickness, seed },
		columns: 2 + dice.below(5) + (shape === 'triangle' ? 3 : 0),
		rows: 2 + dice.below(4),
		side: leastSide(shape, thickness, radius) + dice.below(12) / 100,
		making: dice.of(['wall', 'wall', 'tape'] as const),
		slant: dice.of([0, 0, 15, 30, 40]),
		loops: dice.of([0, 0, 0.1, 0.4]),
		branching: dice.of([0, 0.2, 1])
	};
}

const made = (wish: MazeWish): Maze => {
	const maze = makeMaze(wish, radius);
	if (!maze.ok) throw new Error(`${maze.failure.key} ${JSON.stringify(wish)}`);
	return maze.value;
};
const wayOf = (course: Course, isTapeWall: boolean): Way => {
	const way = shortestWay(course, { radius, isTapeWall });
	if (!way || !('points' in way))
		throw new Error(`no way ${JSON.stringify(way)} ${course.size.width} ${course.size.height}`);
	return way;
};

/** The cells that a line passes through, in order. */
function cellsAlong({ cells }: Maze, points: readonly Point[]): number[] {
	const passed: number[] = [];
	for (let i = 1; i < points.length; i++) {
		const [from, to] = [points[i - 1]!, points[i]!];
		const count = Math.ceil(lengthTo(from, to) / 0.01);
		for (let part = 0; part <= count; part++) {
			const at: Point = [
				from[0] + ((to[0] - from[0]) * part) / count,
				from[1] + ((to[1] - from[1]) * part) / count
			];
			const cell = cells.findIndex(({ corners }) => isInside(corners, ...at));
			if (cell >= 0 && cell !== passed.at(-1)) passed.push(cell);
		}
	}
	return passed;
}

describe('3,000 mazes', () => {
	it('can all be solved, by the way that a search over their cells finds', () => {
		const shapes = new Set<string>();
		for (let seed = 1; seed <= runs(160, 3000); seed++) {
			const wish = wishOf(seed);
			const maze = made(wish);
			shapes.add(`${wish.shape} ${wish.making}`);
			const { course, cellWay, joined, way } = maze;
			expect(cellWay.slice(1).every((cell, i) => joined[cellWay[i]!]!.includes(cell))).toBe(true);
			const found = wayOf(course, wish.making === 'tape');
			const what = JSON.stringify(wish);
			if (wish.loops === 0) expect(cellsAlong(maze, found.points), what).toEqual(cellWay);
			// By the middles of cells it cannot be shorter, nor where there are several ways.
			expect(found.length, what).toBeLessThanOrEqual(wayAlong(way).length * 1.001);
			if (seed % 100 === 0) expect(courseSchema.safeParse(course).error).toBeUndefined();
		}
		expect(shapes.size).toBe(6);
	}, 300_000);

	it('are the same again from the same seed, and others from others', () => {
		const wish = wishOf(4);
		expect(made(wish)).toEqual(made(wish));
		expect(made({ ...wish, seed: 5 }).course).not.toEqual(made(wish).course);
	});

	it('are refused when the robot would not fit, or the floor would not', () => {
		const wish = { ...wishOf(4), shape: 'square' as const };
		const narrow = makeMaze({ ...wish, side: radius }, radius);
		expect(narrow).toMatchObject({ failure: { key: 'maze.narrow' } });
		const large = makeMaze({ ...wish, columns: 90, side: 0.4 }, radius);
		expect(large).toMatchObject({ failure: { key: 'maze.large' } });
	});
});

describe('60 mazes', () => {
	it('are driven by the plan along their shortest way to the finish, without a bump', () => {
		for (let seed = 1; seed <= runs(24, 60); seed++) {
			const wish = wishOf(seed);
			const { course } = made(wish);
			const way = wayOf(course, wish.making === 'tape');
			const plan = planAlong(way, course, skiff, 'Reed maze, inner path')!;
			const attempt = simulate({ plan, course, variation: 'ideal', seed: 1 });
			const { bumps } = attempt.runs[0]!;
			expect({ seed, kind: attempt.outcome.kind, bumps: bumps.length }).toEqual({
				...{ seed, kind: 'finished', bumps: 0 }
			});
		}
	}, 120_000);
});

describe('the shortest way', () => {
	const floor = courseOf({ size: { width: 3, height: 2 }, walls: [], crates: [] });
	const to = (at: Point) => [{ at, within: 0 }];

	it('over an open floor is straight', () => {
		const way = wayOver(floor, [0.5, 0.5], to([2.5, 1.5]), { radius: 0.1 }) as Way;
		expect(way.points).toEqual(points('0.5,0.5 2.5,1.5'));
		expect(way.turns).toBe(0);
	});

	it('around the end of a wall is as long as geometry says', () => {
		const course = { ...floor, walls: [wall([1.5, 0], [1.5, 1], 0.02)] };
		const way = wayOver(course, [1, 0.5], to([2, 0.5]), { radius: 0.1 }) as Way;
		/** A string pulled taut around the wall's upper corners, at 1.49 and 1.51, 1.01. */
		const taut = (radius: number): number => {
			const far = Math.hypot(0.49, 0.51);
			const tangent = Math.sqrt(far * far - radius * radius);
			const turned = Math.PI / 2 - Math.atan2(0.49, 0.51) + Math.acos(radius / far);
			return 2 * (tangent + radius * Math.abs(Math.PI - turned)) + 0.02;
		};
		// It keeps 8.5 mm more free than it needs, and has corners where the string has arcs.
		expect(way.length).toBeGreaterThan(taut(0.1));
		expect(way.length).toBeLessThan(taut(0.1085) * 1.025);
		expect(way.turns).toBeLessThanOrEqual(6);
	});

	it('names the goal that cannot be reached', () => {
		const course = { ...floor, walls: [wall([1.5, 0], [1.5, 2], 0.02)] };
		const goals = [...to([1, 1]), ...to([2, 1])];
		expect(wayOver(course, [0.5, 0.5], goals, { radius: 0.1 })).toEqual({ unreached: 1 });
	});

	it('goes through a gap that is wide enough, and through no other', () => {
		const gap = (width: number) => ({
			...floor,
			walls: [wall([1.5, 0], [1.5, 1], 0.02), wall([1.5, 1 + width + 0.02], [1.5, 2], 0.02)]
		});
		const through = (width: number) =>
			'points' in wayOver(gap(width), [1, 1], to([2, 1]), { radius: 0.1 });
		expect(through(0.24)).toBe(true);
		expect(through(0.19)).toBe(false);
	});
});
