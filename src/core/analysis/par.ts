/** What a course is for a kind of robot: what stands in its way, its shortest way, and its par. */
import { flying, takeOffHeight } from '../devices/flying/device';
import type { Plan } from '../plan/plan';
import { canDo, type RobotKind } from '../robots/robot';
import { simulate } from '../simulation/simulate';
import { type Course } from '../course/course';
import { wayAsWished, type WayWish } from '../course/search/driven-way';
import type { Way } from '../course/search/way';
import { radiusOf as radiusOfPoints } from '../world/pose';
import { planAlong } from './follow';
import { topOfCrate } from '../course/parts/crates';
import { topOfWall } from '../course/parts/walls';

/** Metres from a robot's middle to its farthest corner. */
export const reachOf = ({ outline }: Pick<RobotKind, 'outline'>): number => radiusOfPoints(outline);

/** Metres that stay free below what flies. */
const below = 0.2;

/**
 * A course with only what stands in the way of this kind, and what it can pass: what flies is above
 * the rest, and gates are for nothing else.
 */
export function asMetBy(kind: Pick<RobotKind, 'devices'>, course: Course): Course {
	if (!canDo(kind, [flying])) return { ...course, gates: [] };
	const isHigh = (top: number) => top > takeOffHeight - below;
	return {
		...course,
		walls: course.walls.filter((wall) => isHigh(topOfWall(wall))),
		crates: course.crates.filter((crate) => isHigh(topOfCrate(crate))),
		table: null
	};
}

/** A way, as it is asked for. */
export interface Found {
	readonly way: Way;
	/** A plan that follows it; undefined where the robot cannot turn and go. */
	readonly plan: Plan | undefined;
	/** Seconds that the robot takes for it without any error; undefined if it does not get there. */
	readonly par: number | undefined;
}

/**
 * A way for this kind as somebody wishes it, and its par.
 * @param isTapeWall it must not cross tapes either
 * @param name of the plan
 * @returns null where there is no way
 */
export function findWay(
	course: Course,
	kind: RobotKind,
	isTapeWall: boolean,
	name: string,
	wish: WayWish = 'shortest'
): Found | null {
	const met = asMetBy(kind, course);
	const way = wayAsWished(met, { radius: reachOf(kind), isTapeWall }, wish);
	if (!way || !('points' in way)) return null;
	const plan = planAlong(way, course, kind, name);
	const outcome = plan && simulate({ plan, course, variation: 'ideal', seed: 1 }).outcome;
	const due = met.isInOrder ? met.lampPosts.length + met.gates.length : 0;
	const isDone =
		outcome && outcome.lampPosts.length >= due && (outcome.reachedFinish || !course.finish);
	return { way, plan, par: isDone ? outcome.seconds : undefined };
}
