/**
 * Unlimited undo and redo, for every kind of document. A document changes by edits: plain values
 * that can be sent and kept, each with an inverse. A history is a value, too: the document as it is,
 * the edits that would undo what was done, and those that would do again what was undone.
 */
import { failure, success, type Result } from './sentence';

export interface Applied<D, E> {
	readonly document: D;
	/** Applied to `document`, it gives back the document from before. */
	readonly inverse: E;
}

/** How documents of one kind are changed. */
export interface Editor<D, E> {
	/** Whether an edit that comes from outside is one at all. */
	check(edit: unknown): Result<E>;
	/** @param edit checked, or the inverse of one that was applied */
	apply(document: D, edit: E): Result<Applied<D, E>>;
}

interface Entry<E> {
	/** What was done, for the words of "undo ...". */
	readonly done: E;
	readonly inverse: E;
	readonly before: Entry<E> | null;
}

interface Undone<E> {
	readonly edit: E;
	readonly before: Undone<E> | null;
}

export interface History<D, E> {
	readonly document: D;
	readonly done: Entry<E> | null;
	readonly undone: Undone<E> | null;
}

/** Undo and redo of the documents that this editor changes. */
export function historyOf<D, E>(editor: Editor<D, E>) {
	type Its = History<D, E>;

	function performChecked({ document, done }: Its, edit: E): Result<Its> {
		const applied = editor.apply(document, edit);
		if (!applied.ok) return applied;
		const { document: next, inverse } = applied.value;
		return success({ document: next, done: { done: edit, inverse, before: done }, undone: null });
	}

	return {
		start: (document: D): Its => ({ document, done: null, undone: null }),

		/** Does an edit; what was undone before can no longer be done again. */
		perform(history: Its, edit: E): Result<Its> {
			const checked = editor.check(edit);
			return checked.ok ? performChecked(history, checked.value) : checked;
		},

		undo(history: Its): Result<Its> {
			if (!history.done) return failure('edit.nothingToUndo');
			const { done, inverse, before } = history.done;
			const applied = editor.apply(history.document, inverse);
			if (!applied.ok) return applied;
			const undone = { edit: done, before: history.undone };
			return success({ document: applied.value.document, done: before, undone });
		},

		redo(history: Its): Result<Its> {
			if (!history.undone) return failure('edit.nothingToRedo');
			const { edit, before } = history.undone;
			const performed = performChecked(history, edit);
			return performed.ok ? success({ ...performed.value, undone: before }) : performed;
		}
	};
}

export type Histories<D, E> = ReturnType<typeof historyOf<D, E>>;

/** Applies several edits as one: all of them, or none. @param whole makes one edit of their inverses */
export function applyTogether<D, E>(
	apply: Editor<D, E>['apply'],
	document: D,
	edits: readonly E[],
	whole: (edits: E[]) => E
): Result<Applied<D, E>> {
	const inverses: E[] = [];
	let current = document;
	for (const edit of edits) {
		const applied = apply(current, edit);
		if (!applied.ok) return applied;
		current = applied.value.document;
		inverses.push(applied.value.inverse);
	}
	return success({ document: current, inverse: whole(inverses.reverse()) });
}
