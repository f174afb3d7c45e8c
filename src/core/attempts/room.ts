/** How near a robot came to a wall in a leg. */
import type { Course } from '../course/course';
import { topOfWall } from '../course/parts/walls';
import { robotKindOf } from '../robots/kinds';
import type { RobotRun, Span } from '../simulation/attempt';
import { indexAt } from '../simulation/moment';
import { NearClearance } from '../world/near-clearance';
import { outlineAt, radiusOf } from '../world/pose';
import { separationOf } from '../world/separation';
import { wallCorners } from '../world/walls';

/** @returns metres between its outline and the nearest wall, never too much; Infinity where there is none */
export function leastRoom(
	{ robot, trace }: RobotRun,
	{ start, end }: Pick<Span, 'start' | 'end'>,
	{ walls }: Course
): number {
	const { outline } = robotKindOf(robot.kind);
	const radius = radiusOf(outline);
	const clearance = new NearClearance(walls);
	const { time, x, y, heading, columns } = trace;
	let least = Infinity;
	for (let i = indexAt(time, start); i <= indexAt(time, end); i++) {
		const height = columns.height?.[i] ?? 0;
		if (clearance.at(x[i]!, y[i]!, height) - radius >= least) continue;
		const shape = outlineAt(outline, { x: x[i]!, y: y[i]!, heading: heading[i]! });
		for (const wall of walls)
			if (topOfWall(wall) > height) least = Math.min(least, separationOf(shape, wallCorners(wall)));
	}
	return least;
}
