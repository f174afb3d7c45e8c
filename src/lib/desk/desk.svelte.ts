/** A document as it is changed: every change goes through here, and can be undone. */
import type { Histories, History } from '$core/history';
import { say, t } from '$lib/i18n';
import type { Voice } from './voice.svelte';

interface Hands {
	/** The document is another one now. */
	changed(): void;
	/** It is decided on, and wants to be kept. */
	save(): void;
}

export class Desk<D, E> {
	history: History<D, E>;
	readonly document = $derived.by(() => this.history.document);
	readonly canUndo = $derived.by(() => this.history.done !== null);
	readonly canRedo = $derived.by(() => this.history.undone !== null);

	constructor(
		document: D,
		private readonly histories: Histories<D, E>,
		private readonly voice: Voice,
		private readonly hands: Hands
	) {
		this.history = $state.raw(histories.start(document));
	}

	/** Puts another document here, with nothing to undo. */
	open(document: D): void {
		this.take(this.histories.start(document));
	}

	private take(history: History<D, E>): void {
		this.history = history;
		this.hands.changed();
	}

	/** Does an edit, saves, and says it. A refused edit is said too and changes nothing. */
	edit(edit: E, news = ''): boolean {
		const performed = this.histories.perform(this.history, edit);
		if (!performed.ok) {
			this.voice.refuse(say(performed.failure));
			return false;
		}
		this.voice.notice = '';
		this.take(performed.value);
		this.hands.save();
		if (news) this.voice.announce(news);
		return true;
	}

	/** Shows a document that is not decided on yet, such as while something is being moved. */
	tryOut(history: History<D, E>): void {
		this.history = history;
	}

	/** Decides on what was tried out, if it is another document than before. */
	keep(before: History<D, E>): void {
		if (this.history === before) return;
		this.take(this.history);
		this.hands.save();
	}

	undo(): void {
		this.travel(this.histories.undo(this.history), t('say.undone'));
	}

	redo(): void {
		this.travel(this.histories.redo(this.history), t('say.redone'));
	}

	private travel(result: ReturnType<Histories<D, E>['undo']>, news: string): void {
		if (result.ok) {
			this.take(result.value);
			this.hands.save();
		}
		this.voice.announce(result.ok ? news : say(result.failure));
	}
}
