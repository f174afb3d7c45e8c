/** Gives one value of a step or of a trigger another content. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { failure, success } from '../../sentence';
import { definitionOf } from '../../steps/catalogue';
import type { Value } from '../../steps/definition';
import { changeStep, findStep } from '../places';
import { inputValueSchema, valueSchema } from '../../steps/value-schema';
import type { EditKind } from './edit';

/** No value: an input of a routine is left out. */
const schema = z.strictObject({
	type: z.literal('setValue'),
	step: identifierSchema,
	name: z.string(),
	value: z.custom<Value>().optional()
});

export const setValue: EditKind<z.infer<typeof schema>> = {
	schema,
	apply(plan, edit) {
		const step = findStep(plan, edit.step);
		if (!step) return failure('edit.noStep', { id: edit.step });
		const definition = definitionOf(step.kind);
		const slot = definition.values[edit.name];
		if (!slot && !definition.hasInputs) return failure('edit.noValue', { name: edit.name });
		const values = { ...step.values };
		if (edit.value === undefined) {
			if (slot) return failure('edit.valueRefused', { value: '' });
			delete values[edit.name];
		} else {
			const parsed = (slot ? valueSchema(slot) : inputValueSchema).safeParse(edit.value);
			if (!parsed.success) return failure('edit.valueRefused', { value: textOf(edit.value) });
			values[edit.name] = parsed.data;
		}
		const changed = changeStep(plan, edit.step, (old) => ({ ...old, values }));
		if (!changed.ok) return changed;
		return success({
			document: changed.value,
			inverse: { ...edit, value: step.values[edit.name] }
		});
	}
};

const textOf = (value: Value): string =>
	typeof value === 'object' ? value.expression : String(value);
