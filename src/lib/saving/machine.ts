/**
 * What there is to know of the saving of one open document, and how it goes on: no clock, no store and
 * no network here. One save is on its way at a time. `saver.svelte` does what it says.
 */
import type { Saved } from './answers';
import type { Bench, Content, Save } from './protocol';

/** Ids of saves without an answer that go with the next one, at the most. */
const mostUnanswered = 100;
/** Tries again after so long, ms; twice as long each time, up to the longest. */
export const firstRetry = 1000;
const longestRetry = 15_000;

export interface Saving {
	/** Where saves go: another document after a conflict. */
	readonly id: string;
	/** The one that the server has, as far as this tab knows. */
	readonly revision: number;
	/** What the server has not, as far as this tab knows. */
	readonly draft: Save | null;
	/** On its way. */
	readonly sending: Save | null;
	/** Saves that the server may hold although it never said so. */
	readonly unanswered: readonly string[];
	readonly answer: 'saved' | 'saving' | 'away' | 'refused';
	/** Why the server took nothing, in its words; empty when it says nothing. */
	readonly refusal: string;
	/** The device could keep what it was last given, and the id of that. */
	readonly isKept: boolean;
	readonly keptId: string;
	/** Milliseconds until the next try, after one that did not arrive. */
	readonly retry: number;
	/** After a conflict: the second version that now holds what is on screen. */
	readonly secondVersion: Saved['kept'];
	/** It had been deleted elsewhere, and a save has brought it back. */
	readonly wasDeleted: boolean;
	/** Another one has taken over. */
	readonly isRetired: boolean;
}

export const opened = (id: string, revision: number): Saving => ({
	...{ id, revision, draft: null, sending: null, unanswered: [], answer: 'saved', refusal: '' },
	...{ isKept: true, keptId: '', retry: firstRetry },
	...{ secondVersion: null, wasDeleted: false, isRetired: false }
});

/** What is on screen is on the server or on the device. */
export const isSafe = ({ draft, keptId }: Saving): boolean => !draft || draft.saveId === keptId;

const withMissed = (unanswered: readonly string[], saveId: string): readonly string[] =>
	unanswered.includes(saveId) ? unanswered : [...unanswered, saveId];

/**
 * Takes a change. A draft that it takes the place of may have been found on the device and sent by
 * another page, so it counts as sent without an answer.
 */
export function changed(
	saving: Saving,
	work: Content,
	bench: Bench | undefined,
	saveId: string
): Saving {
	const { draft, revision, answer } = saving;
	const unanswered = draft ? withMissed(saving.unanswered, draft.saveId) : saving.unanswered;
	const next: Save = {
		work,
		bench: bench ?? draft?.bench,
		baseRevision: revision,
		saveId,
		unanswered: unanswered.slice(-mostUnanswered)
	};
	return { ...saving, draft: next, unanswered, answer: answer === 'away' ? answer : 'saving' };
}

/** What a tab had not sent when it went. @param isOnDevice it was found there */
export const restored = (saving: Saving, save: Save, isOnDevice: boolean): Saving => ({
	...saving,
	draft: save,
	unanswered: [...save.unanswered, save.saveId],
	revision: save.baseRevision,
	keptId: isOnDevice ? save.saveId : saving.keptId
});

/** The device was given it. */
export const kept = (saving: Saving, save: Save, isKept: boolean): Saving => ({
	...saving,
	isKept,
	keptId: isKept ? save.saveId : saving.keptId
});

/** Begins to send what there is, if nothing is on its way. */
export const sent = (saving: Saving): Saving =>
	saving.draft && !saving.sending
		? { ...saving, sending: { ...saving.draft, baseRevision: saving.revision } }
		: saving;

/** The server took what was on its way; it may have put it into a second version. */
export function answered(saving: Saving, { revision, kept: second, wasDeleted }: Saved): Saving {
	const { saveId } = saving.sending!;
	const at = saving.unanswered.indexOf(saveId);
	const isNewest = saving.draft?.saveId === saveId;
	const moves = second !== null && !saving.isRetired;
	return {
		...saving,
		...{ revision, sending: null, retry: firstRetry },
		unanswered: at < 0 ? [] : saving.unanswered.slice(at + 1),
		draft: isNewest ? null : saving.draft,
		answer: isNewest ? 'saved' : saving.answer,
		wasDeleted: saving.wasDeleted || wasDeleted === true,
		id: moves ? second.id : saving.id,
		secondVersion: moves ? second : saving.secondVersion
	};
}

/** What was on its way did not arrive, or was not taken. @param isRefused sending again would not help */
export function missed(saving: Saving, isRefused: boolean, refusal: string): Saving {
	const unanswered = withMissed(saving.unanswered, saving.sending!.saveId);
	return {
		...saving,
		...{ sending: null, unanswered, refusal },
		answer: isRefused ? 'refused' : 'away',
		retry: isRefused ? saving.retry : Math.min(longestRetry, saving.retry * 2)
	};
}

/** Another one takes over, and what was not sent. */
export const retired = (saving: Saving): Saving => ({ ...saving, draft: null, isRetired: true });

/** The person has read what was said of a second version, or of what was deleted. */
export const dismissed = (saving: Saving): Saving => ({
	...saving,
	secondVersion: null,
	wasDeleted: false
});
