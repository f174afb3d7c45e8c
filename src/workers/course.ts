/** The worker that looks at courses: what is odd about them, ways through them, and mazes. */
import { expose } from 'comlink';
import { z } from 'zod';
import { asMetBy, planAlong, radiusOf } from '../core/analysis/par';
import { checkCourse, type CourseProblem } from '../core/checks/course';
import { courseSchema } from '../core/course/course';
import { makeMaze, mazeMakings, mazeShapes, type Maze } from '../core/course/maze';
import { shortestWay, type Way } from '../core/course/way';
import type { Plan } from '../core/plan/plan';
import { robotKindOf } from '../core/robots/kinds';
import type { Result } from '../core/sentence';
import { simulate } from '../core/simulation/simulate';

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

/** A way, as it is asked for. */
export interface Found {
	readonly way: Way;
	/** A plan that follows it; undefined where the robot cannot turn and go. */
	readonly plan: Plan | undefined;
	/** Seconds that the robot takes for it without any error; undefined if it does not get there. */
	readonly par: number | undefined;
}

const service = {
	check(course: unknown, kind: string): CourseProblem[] {
		return checkCourse(courseSchema.parse(course), robotKindOf(kind));
	},

	/** @param isTapeWall it must not cross tapes either @returns null where there is no way */
	way(course: unknown, kind: string, isTapeWall: boolean, name: string): Found | null {
		const read = courseSchema.parse(course);
		const robot = robotKindOf(kind);
		const way = shortestWay(asMetBy(robot, read), { radius: radiusOf(robot), isTapeWall });
		if (!way || !('points' in way)) return null;
		const plan = planAlong(way, read, robot, name);
		const outcome = plan && simulate({ plan, course: read, variation: 'ideal', seed: 1 }).outcome;
		return { way, plan, par: outcome?.reachedFinish ? outcome.seconds : undefined };
	},

	maze(wish: unknown, kind: string): Result<Maze> {
		return makeMaze(wishSchema.parse(wish), radiusOf(robotKindOf(kind)));
	}
};

export type CourseService = typeof service;

expose(service);
