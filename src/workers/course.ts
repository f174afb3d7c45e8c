/** The worker that looks at courses: what is odd about them, ways through them, and mazes. */
import { expose } from 'comlink';
import { z } from 'zod';
import { findWay, reachOf, type Found } from '../core/analysis/par';
import { checkCourse, type CourseProblem } from '../core/checks/course';
import { courseSchema } from '../core/course/course';
import type { WayWish } from '../core/course/search/driven-way';
import { makeMaze, mazeMakings, type Maze } from '../core/course/search/maze';
import { mazeShapes } from '../core/course/search/maze-cells';
import { robotKindOf } from '../core/robots/kinds';
import type { Result } from '../core/sentence';

const part = z.number().min(0).max(1);
const wishSchema = z.strictObject({
	name: z.string().min(1).max(80),
	shape: z.enum(mazeShapes),
	columns: z.int().min(2).max(40),
	rows: z.int().min(2).max(40),
	side: z.number().min(0.05).max(3),
	making: z.enum(mazeMakings),
	thickness: z.number().min(0.005).max(0.2),
	slant: z.number().min(-180).max(180),
	loops: part,
	branching: part,
	seed: z.int()
});

const service = {
	check(course: unknown, kind: string): CourseProblem[] {
		return checkCourse(courseSchema.parse(course), robotKindOf(kind));
	},

	way(
		course: unknown,
		kind: string,
		wish: WayWish,
		isTapeWall: boolean,
		name: string
	): Found | null {
		return findWay(courseSchema.parse(course), robotKindOf(kind), isTapeWall, name, wish);
	},

	maze(wish: unknown, kind: string): Result<Maze> {
		return makeMaze(wishSchema.parse(wish), reachOf(robotKindOf(kind)));
	}
};

export type CourseService = typeof service;

expose(service);
