/** What a new plan and a new course start with. */
import { makeCourse, type Course } from '$core/course/course';
import { makePlan, planRobot, type Plan } from '$core/plan/plan';
import type { RobotKind } from '$core/robots/robot';
import { robotKinds } from '$core/robots/kinds';
import { sampleRobot } from '$core/robots/robot-document';
import { newId } from '$lib/saving/id';

export const newPlan = (name: string, kind: RobotKind = robotKinds[0]!): Plan =>
	makePlan({
		name,
		robots: [planRobot(sampleRobot(kind))],
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
