/** Lays the button board of a plan out anew. */
import { z } from 'zod';
import { success } from '../../sentence';
import { boardSchema } from '../board';
import type { Plan } from '../plan';
import type { EditKind } from './edit';

const schema = z.strictObject({ type: z.literal('setBoard'), board: boardSchema });

export const setBoard: EditKind<z.infer<typeof schema>> = {
	schema,
	apply(plan, { board }) {
		const { board: before = [], ...others } = plan;
		// A plan without a board is written as plans were before there were any.
		const next: Plan = board.length > 0 ? { ...others, board } : others;
		return success({ document: next, inverse: { type: 'setBoard', board: [...before] } });
	}
};
