/** Puts steps at a place. */
import { z } from 'zod';
import { identifierSchema, maximumSteps } from '../../document';
import { failure, success } from '../../sentence';
import { checkHanging, depthOf, locateSteps, nestingAt, stepsIn, withStepsIn } from '../places';
import { eachStep, maximumNesting, stepSchema, type Step } from '../plan';
import type { EditKind } from './edit';

const schema = z.strictObject({
	type: z.literal('insert'),
	holder: identifierSchema,
	index: z.int().min(0),
	steps: z.array(stepSchema)
});

export const insert: EditKind<z.infer<typeof schema>> = {
	schema,
	apply(plan, edit) {
		const list = stepsIn(plan, edit.holder);
		if (!list.ok) return list;
		if (edit.index > list.value.length) return failure('edit.noPlace', { index: edit.index });
		const hanging = checkHanging(plan, edit.holder, edit.steps);
		if (!hanging.ok) return hanging;
		const known = locateSteps(plan);
		const added: Step[] = [];
		eachStep(edit.steps, (step) => added.push(step));
		const repeated = added.find((step) => known.has(step.id));
		if (repeated) return failure('edit.repeatedId', { id: repeated.id });
		if (known.size + added.length > maximumSteps) {
			return failure('edit.tooManySteps', { maximum: maximumSteps });
		}
		const nesting = nestingAt(plan, edit.holder) + Math.max(0, ...edit.steps.map(depthOf));
		if (nesting > maximumNesting) return failure('edit.tooDeep', { maximum: maximumNesting });

		const steps = list.value.toSpliced(edit.index, 0, ...edit.steps);
		return success({
			document: withStepsIn(plan, edit.holder, steps),
			inverse: {
				type: 'remove',
				holder: edit.holder,
				index: edit.index,
				count: edit.steps.length
			}
		});
	}
};
