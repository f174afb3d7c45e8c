/** A plan as it is changed: every change goes through here, and can be undone. */
import type { Edit } from '$core/plan/edits';
import { perform, redo, startHistory, undo, type History } from '$core/plan/history';
import type { Plan } from '$core/plan/plan';
import { say, t } from '$lib/i18n';
import type { Voice } from './voice.svelte';

interface Hands {
	/** The plan is another one now. */
	changed(): void;
	/** It is decided on, and wants to be kept. */
	save(): void;
}

export class Desk {
	history: History;
	readonly plan = $derived.by(() => this.history.plan);
	readonly canUndo = $derived.by(() => this.history.done !== null);
	readonly canRedo = $derived.by(() => this.history.undone !== null);

	constructor(
		plan: Plan,
		private readonly voice: Voice,
		private readonly hands: Hands
	) {
		this.history = $state.raw(startHistory(plan));
	}

	/** Puts another plan here, with nothing to undo. */
	open(plan: Plan): void {
		this.take(startHistory(plan));
	}

	private take(history: History): void {
		this.history = history;
		this.hands.changed();
	}

	/** Does an edit, saves, and says it. A refused edit is said too and changes nothing. */
	edit(edit: Edit, news = ''): boolean {
		const performed = perform(this.history, edit);
		if (!performed.ok) {
			this.voice.refuse(say(performed.failure));
			return false;
		}
		this.voice.failure = '';
		this.take(performed.value);
		this.hands.save();
		if (news) this.voice.announce(news);
		return true;
	}

	/** Shows a plan that is not decided on yet, such as while a step is being moved. */
	tryOut(history: History): void {
		this.history = history;
	}

	/** Decides on what was tried out, if it is another plan than before. */
	keep(before: History): void {
		if (this.history === before) return;
		this.take(this.history);
		this.hands.save();
	}

	undo(): void {
		this.travel(undo(this.history), t('say.undone'));
	}

	redo(): void {
		this.travel(redo(this.history), t('say.redone'));
	}

	private travel(result: ReturnType<typeof undo>, news: string): void {
		if (result.ok) {
			this.take(result.value);
			this.hands.save();
		}
		this.voice.announce(result.ok ? news : say(result.failure));
	}
}
