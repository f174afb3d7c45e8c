/** Gives one value of a step another content. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { failure, success } from '../../sentence';
import { definitionOf } from '../../steps/catalogue';
import { locateSteps, withStep } from '../places';
import { valueSchema } from '../plan';
import type { EditKind } from './edit';

const schema = z.strictObject({
	type: z.literal('setValue'),
	step: identifierSchema,
	name: z.string(),
	value: z.union([z.number(), z.string()])
});

export const setValue: EditKind<z.infer<typeof schema>> = {
	schema,
	apply(plan, edit) {
		const located = locateSteps(plan).get(edit.step);
		if (!located) return failure('edit.noStep', { id: edit.step });
		const { step } = located;
		const definition = definitionOf(step.kind).values[edit.name];
		if (!definition) return failure('edit.noValue', { name: edit.name });
		if (!valueSchema(definition).safeParse(edit.value).success) {
			return failure('edit.valueRefused', { value: edit.value });
		}
		const values = { ...step.values, [edit.name]: edit.value };
		return success({
			plan: withStep(plan, located, { ...step, values }),
			inverse: { ...edit, value: step.values[edit.name]! }
		});
	}
};
