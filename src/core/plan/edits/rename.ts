/** Gives the plan another name. */
import { z } from 'zod';
import { nameSchema } from '../../document';
import { failure, success } from '../../sentence';
import type { EditKind } from './edit';

const schema = z.strictObject({ type: z.literal('rename'), name: z.string() });

export const rename: EditKind<z.infer<typeof schema>> = {
	schema,
	apply(plan, edit) {
		const name = nameSchema.safeParse(edit.name);
		if (!name.success) return failure('edit.nameRefused');
		return success({
			document: { ...plan, name: name.data },
			inverse: { type: 'rename', name: plan.name }
		});
	}
};
