/** Puts another plan in the place of this one, as when a file is opened. */
import { z } from 'zod';
import { success } from '../../sentence';
import { planSchema } from '../plan';
import type { EditKind } from './edit';

const schema = z.strictObject({ type: z.literal('replace'), plan: planSchema });

export const replace: EditKind<z.infer<typeof schema>> = {
	schema,
	apply: (before, { plan }) =>
		success({ document: plan, inverse: { type: 'replace', plan: before } })
};
