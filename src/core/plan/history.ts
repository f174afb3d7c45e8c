/**
 * Unlimited undo and redo. A history is a value: the plan as it is, the edits that would undo what
 * was done, and those that would do again what was undone.
 */
import { failure, success, type Result } from '../sentence';
import { applyEdit, checkEdit, type Edit } from './edits';
import type { Plan } from './plan';

interface Entry {
	/** What was done, for the words of "undo ...". */
	readonly done: Edit;
	readonly inverse: Edit;
	readonly before: Entry | null;
}

interface Undone {
	readonly edit: Edit;
	readonly before: Undone | null;
}

export interface History {
	readonly plan: Plan;
	readonly done: Entry | null;
	readonly undone: Undone | null;
}

export const startHistory = (plan: Plan): History => ({ plan, done: null, undone: null });

/** Does an edit; what was undone before can no longer be done again. */
export function perform(history: History, edit: Edit): Result<History> {
	const checked = checkEdit(edit);
	return checked.ok ? performChecked(history, checked.value) : checked;
}

function performChecked(history: History, edit: Edit): Result<History> {
	const applied = applyEdit(history.plan, edit);
	if (!applied.ok) return applied;
	const { plan, inverse } = applied.value;
	return success({ plan, done: { done: edit, inverse, before: history.done }, undone: null });
}

export function undo(history: History): Result<History> {
	if (!history.done) return failure('edit.nothingToUndo');
	const { done, inverse, before } = history.done;
	const applied = applyEdit(history.plan, inverse);
	if (!applied.ok) return applied;
	return success({
		plan: applied.value.plan,
		done: before,
		undone: { edit: done, before: history.undone }
	});
}

export function redo(history: History): Result<History> {
	if (!history.undone) return failure('edit.nothingToRedo');
	const { edit, before } = history.undone;
	const performed = performChecked(history, edit);
	return performed.ok ? success({ ...performed.value, undone: before }) : performed;
}
