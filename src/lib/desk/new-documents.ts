/** What a new plan and a new course start with. */
import { makeCourse, type Course } from '$core/course/course';
import { makePlan, planRobot, type Plan } from '$core/plan/plan';
import { firstKind } from '$core/robots/first-kind';
import { robotKindOf } from '$core/robots/kinds';
import { sampleRobot } from '$core/robots/robot-document';
import { newId } from '$lib/saving/id';

/** It goes on a rail only. @param kind of robot */
export const needsRail = (kind: string): boolean => robotKindOf(kind).isOnRail === true;

/** @param kind of robot; the usual one, if left out */
export const newPlan = (name: string, kind = firstKind): Plan =>
	makePlan({
		name,
		robots: [planRobot(sampleRobot(robotKindOf(kind)))],
		chains: [
			{
				id: newId(),
				trigger: { id: newId(), kind: 'whenRunPressed', values: {} },
				steps: []
			}
		]
	});

export const newCourse = (name: string): Course =>
	makeCourse({
		name,
		size: { width: 2, height: 1.5 },
		starts: [{ at: [0.4, 0.4], bearing: 0 }],
		finish: { at: [1.6, 1.1], radius: 0.13 }
	});
