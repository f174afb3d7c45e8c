/** Switches helpers of a plan off, and on again. */
import { z } from 'zod';
import { helpersOffSchema } from '../../helpers';
import { success } from '../../sentence';
import type { Plan } from '../plan';
import type { EditKind } from './edit';

const schema = z.strictObject({ type: z.literal('setHelpers'), off: helpersOffSchema });

export const setHelpers: EditKind<z.infer<typeof schema>> = {
	schema,
	apply(plan, { off }) {
		const { helpersOff: before = [], ...others } = plan;
		// A plan with all of them is written as plans were before they could be switched off.
		const next: Plan = off.length > 0 ? { ...others, helpersOff: off } : others;
		return success({ document: next, inverse: { type: 'setHelpers', off: [...before] } });
	}
};
