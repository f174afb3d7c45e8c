/** Takes steps that hang one after the other out of the plan. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { failure, success } from '../../sentence';
import { stepsIn, withStepsIn } from '../places';
import type { EditKind } from './edit';

const schema = z.strictObject({
	type: z.literal('remove'),
	holder: identifierSchema,
	index: z.int().min(0),
	count: z.int().min(0)
});

export const remove: EditKind<z.infer<typeof schema>> = {
	schema,
	apply(plan, edit) {
		const list = stepsIn(plan, edit.holder);
		if (!list.ok) return list;
		const steps = list.value.slice(edit.index, edit.index + edit.count);
		if (steps.length < edit.count) return failure('edit.noPlace', { index: edit.index });
		return success({
			document: withStepsIn(plan, edit.holder, list.value.toSpliced(edit.index, edit.count)),
			inverse: { type: 'insert', holder: edit.holder, index: edit.index, steps: [...steps] }
		});
	}
};
