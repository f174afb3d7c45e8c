/** Switches a step or a chain's trigger off or on, or gives it a comment. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { failure, success } from '../../sentence';
import { changeStep, findStep } from '../places';
import { commentSchema, type Step } from '../plan';
import type { EditKind } from './edit';

const offSchema = z.strictObject({
	type: z.literal('setOff'),
	step: identifierSchema,
	off: z.boolean()
});

export const setOff: EditKind<z.infer<typeof offSchema>> = {
	schema: offSchema,
	apply(plan, edit) {
		const before = findStep(plan, edit.step)?.off === true;
		const changed = changeStep(plan, edit.step, (step) =>
			withMark(step, 'off', edit.off || undefined)
		);
		if (!changed.ok) return changed;
		return success({ document: changed.value, inverse: { ...edit, off: before } });
	}
};

/** An empty text takes the comment away. */
const commentEditSchema = z.strictObject({
	type: z.literal('setComment'),
	step: identifierSchema,
	text: z.string()
});

export const setComment: EditKind<z.infer<typeof commentEditSchema>> = {
	schema: commentEditSchema,
	apply(plan, edit) {
		const text = edit.text.trim();
		if (text && !commentSchema.safeParse(text).success) return failure('edit.commentRefused');
		const before = findStep(plan, edit.step)?.comment ?? '';
		const changed = changeStep(plan, edit.step, (step) =>
			withMark(step, 'comment', text || undefined)
		);
		if (!changed.ok) return changed;
		return success({ document: changed.value, inverse: { ...edit, text: before } });
	}
};

/** The step with another mark; one that is undefined is not there at all, as in the file. */
function withMark(step: Step, mark: 'off' | 'comment', value: true | string | undefined): Step {
	const { [mark]: before, ...rest } = step;
	if (value === before) return step;
	return (value === undefined ? rest : { ...rest, [mark]: value }) as Step;
}
