/** What ships with the app works as it should on a school's floor. */
import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import index from '../../../samples/index.json';
import { courseSchema } from '../course/course';
import { planSchema } from '../plan/plan';
import { prepare, trial } from '../simulation/simulate';

const read = (file: string): unknown => JSON.parse(readFileSync(`samples/${file}.json`, 'utf8'));

/** Some are almost right on purpose: what it takes to find out why is the lesson. */
const samples = index.plans.filter(({ isAlmostRight }) => !isAlmostRight);

it.each(samples)('$file finishes in ideal, and 27 times of 30 in classroom', ({ file, course }) => {
	const plan = planSchema.parse(read(`plans/${file}`));
	const on = courseSchema.parse(read(`courses/${course}`));
	const ideal = prepare({ plan, course: on, variation: 'ideal' });
	expect(trial(ideal, { seed: 1 }).kind).toBe('finished');
	const classroom = prepare({ plan, course: on, variation: 'classroom' });
	const kinds = Array.from({ length: 30 }, (_, seed) => trial(classroom, { seed: seed + 1 }).kind);
	expect(kinds.filter((kind) => kind === 'finished').length).toBeGreaterThanOrEqual(27);
});

it.each(index.plans.filter(({ isAlmostRight }) => isAlmostRight))(
	'$file is only almost right: in ideal it does not finish',
	({ file, course }) => {
		const plan = planSchema.parse(read(`plans/${file}`));
		const on = courseSchema.parse(read(`courses/${course}`));
		expect(trial(prepare({ plan, course: on, variation: 'ideal' }), { seed: 1 }).kind).not.toBe(
			'finished'
		);
	}
);
