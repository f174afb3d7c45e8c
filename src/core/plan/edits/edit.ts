/** What every kind of change to a plan can do. One file per kind of change stands beside this one. */
import type { z } from 'zod';
import type { Applied as AppliedTo } from '../../history';
import type { Result } from '../../sentence';
import type { Plan } from '../plan';
import type { Edit } from './index';

export type AppliedEdit = AppliedTo<Plan, Edit>;

export interface EditKind<E> {
	readonly schema: z.ZodType<E>;
	apply(plan: Plan, edit: E): Result<AppliedEdit>;
}
