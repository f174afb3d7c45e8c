/** A Skiff that stands on a course, with nobody who drives it: for tests of what is on a robot. */
import type { Course } from '../course/course';
import { skiff } from '../robots/skiff';
import { sampleRobot } from '../robots/robot-document';
import { Stage } from '../simulation/stage';
import { Terrain } from '../world/scene';

export function standingSkiff(course: Course) {
	const robot = { ...sampleRobot(skiff), id: 'tallow' };
	const terrain = new Terrain(course);
	const stage = new Stage({
		terrain,
		starts: course.starts,
		robots: [robot],
		variation: 'ideal',
		seed: 1
	});
	return { robot, stage, machine: stage.crew[0]!.machine };
}
