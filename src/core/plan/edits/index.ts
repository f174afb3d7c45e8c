/**
 * Every change of a plan is an edit: a plain value that can be sent, kept and undone. Applying one
 * gives the new plan and the edit that takes it back; a refused one gives a sentence and changes
 * nothing. Several together are an edit too, and are undone together.
 */
import { z } from 'zod';
import { checkValue } from '../../document';
import { applyTogether } from '../../history';
import type { Result } from '../../sentence';
import type { Plan } from '../plan';
import { addChain, removeChain, tie, untie } from './chains';
import { setBoard } from './board';
import type { AppliedEdit, EditKind } from './edit';
import { setHelpers } from './helpers';
import { insert } from './insert';
import { move } from './move';
import { remove } from './remove';
import { rename } from './rename';
import { replace } from './replace';
import { setComment, setOff } from './mark';
import { addRobot, assign, removeRobot, setRobot } from './robots';
import { setValue } from './set-value';

const kinds = {
	insert,
	remove,
	move,
	setValue,
	setOff,
	setComment,
	addRobot,
	removeRobot,
	setRobot,
	assign,
	addChain,
	removeChain,
	tie,
	untie,
	rename,
	replace,
	setBoard,
	setHelpers
};

type Kinds = typeof kinds;
type Single = { [K in keyof Kinds]: Kinds[K] extends EditKind<infer E> ? E : never }[keyof Kinds];
export type Edit = Single | { type: 'together'; edits: Edit[] };

const together = z.strictObject({
	type: z.literal('together'),
	edits: z.array(z.lazy(() => editSchema))
});
const schemas = [...Object.values(kinds).map(({ schema }) => schema), together];
const editSchema = z.discriminatedUnion(
	'type',
	schemas as unknown as [z.core.$ZodTypeDiscriminable]
) as unknown as z.ZodType<Edit>;

/** Deeper than the deepest steps within edits within edits. */
const maximumDepth = 40;

/** Whether an edit that comes from outside is one at all: the steps that it brings, above all. */
export const checkEdit = (edit: unknown): Result<Edit> =>
	checkValue(edit, editSchema, maximumDepth);

/** @param edit checked, or the inverse of one that was applied */
export function applyEdit(plan: Plan, edit: Edit): Result<AppliedEdit> {
	if (edit.type === 'together')
		return applyTogether(applyEdit, plan, edit.edits, (edits) => ({ type: 'together', edits }));
	return (kinds[edit.type] as EditKind<Edit>).apply(plan, edit);
}
