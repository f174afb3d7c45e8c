/** What examples are made of: steps, chains, and the small sheets that they run on. */
import { makeCourse, type Course } from '../course/course';
import type { Chain, Step } from '../plan/plan';
import { initialValues } from '../steps/catalogue';
import type { Values } from '../steps/definition';

let count = 0;

export function step(kind: string, values: Values = {}, body?: readonly Step[]): Step {
	count += 1;
	const filled = { ...initialValues(kind), ...values };
	return { id: `e${count}`, kind, values: filled, ...(body ? { body } : {}) };
}

export const e = (expression: string) => ({ expression });
export const chain = (trigger: Step | null, ...steps: Step[]): Chain => {
	count += 1;
	return { id: `e${count}`, trigger, steps };
};
export const run = (...steps: Step[]): Chain => chain(step('whenRunPressed'), ...steps);
export const go = (distance: number): Step => step('go', { distance });
export const right = (): Step => step('turn', { angle: 90 });
export const lamp = (colour: string): Step => step('lamp', { colour });

export const amber = '#ffb020';
export const blue = '#4aa8ff';
export const coral = '#ff6b5c';

/** A short way on a small sheet; what a step senses stands or lies at its end. */
export const course = (changes: Partial<Course> = {}): Course =>
	makeCourse({
		name: 'Example',
		size: { width: 0.9, height: 0.6 },
		starts: [{ at: [0.16, 0.3], bearing: 90 }],
		...changes
	});

export const wallAhead = course({
	walls: [{ id: 'w', from: [0.82, 0.1], to: [0.82, 0.5], thickness: 0.03 }]
});
export const post = course({ lampPosts: [{ id: 'post', at: [0.6, 0.42], reach: 0.14 }] });
export const edge = course({
	table: [
		[0.02, 0.02],
		[0.75, 0.02],
		[0.75, 0.58],
		[0.02, 0.58]
	]
});
export const rail = course({
	rails: [
		{
			...{ id: 'rail', at: [0.04, 0.3], bearing: 90, isClosed: false, marks: [] },
			pieces: [{ length: 0.82 }]
		}
	]
});
export const patch = course({
	patches: [
		{
			id: 'p',
			colour: 'blue',
			corners: [
				[0.4, 0.15],
				[0.62, 0.15],
				[0.62, 0.45],
				[0.4, 0.45]
			]
		}
	]
});
export const middle = course({ starts: [{ at: [0.45, 0.3], bearing: 0 }] });

/** The chains of an example, and where they run if not on the usual sheet. @param values of the step as it is first */
export type Make = (values: Values) => { chains: readonly Chain[]; on?: Course };

/** Of steps that need more around them than a chain of their own. */
export type Examples = Readonly<Record<string, Make>>;
