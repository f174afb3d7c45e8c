/** What every kind of change to a plan can do. One file per kind of change stands beside this one. */
import type { z } from 'zod';
import type { Result } from '../../sentence';
import type { Plan } from '../plan';
import type { Edit } from './index';

export interface Applied {
	readonly plan: Plan;
	/** Applied to `plan`, it gives back the plan from before. */
	readonly inverse: Edit;
}

export interface EditKind<E> {
	readonly schema: z.ZodType<E>;
	apply(plan: Plan, edit: E): Result<Applied>;
}
