/** What a new plan and a new course start with. */
import { makeCourse, type Course } from '$core/course/course';
import { planFormat, type Plan } from '$core/plan/plan';
import { robotKinds } from '$core/robots/kinds';
import { newId } from '$lib/saving/id';

export const newPlan = (name: string): Plan => ({
	format: planFormat,
	version: 1,
	name,
	robots: [{ kind: robotKinds[0]!.kind, name: robotKinds[0]!.sampleName }],
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
		start: { at: [0.4, 0.4], bearing: 0 },
		finish: { at: [1.6, 1.1], radius: 0.13 }
	});
