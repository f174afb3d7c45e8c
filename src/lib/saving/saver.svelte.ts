/**
 * Saves one open document as it changes: on the device at once, on the server shortly after. One
 * save is on its way at a time. While the server is away the newest draft waits on the device; where
 * that cannot keep it either, it waits in this page, and that is said.
 */
import { dropDraft, findDraft, keepDraft, keepDraftAtOnce } from './device';
import { newId } from './id';
import { living } from './living';
import type { Bench, Content, Save } from './protocol';
import { Refused, Unable } from './send';
import { sendSave } from './send-save';
import { thisTab, thisTabNow } from './tabs';

/** Kept: the device has what the server has not. Unkept: nobody has it but this page. */
export type SavingState = 'saved' | 'saving' | 'kept' | 'unkept' | 'refused';

/** Waits for a pause in typing, ms. */
const pause = 350;
/** Tries again after so long, ms; twice as long each time, up to the longest. */
const firstRetry = 1000;
const longestRetry = 15_000;

export class Saver {
	private answer = $state<'saved' | 'saving' | 'away' | 'refused'>('saved');
	/** The device could keep what it was last given. */
	private isKept = $state(true);
	/** After a conflict: the name of the second version that now holds what is on screen. */
	secondVersion = $state<{ id: string; name: string } | null>(null);
	/** It had been deleted elsewhere, and a save has brought it back. */
	wasDeleted = $state(false);
	/** Why the server took nothing, in its words; empty when it says nothing. */
	refusal = $state('');

	private readonly tab = thisTab();
	private draft: Save | null = null;
	private unanswered: string[] = [];
	private isSending = false;
	private timer: ReturnType<typeof setTimeout> | undefined;
	private retry = firstRetry;
	/** The newest draft is about to be kept on the device. */
	private isKeeping = false;
	private keeping: Promise<unknown> = Promise.resolve();
	/** Id of the save that the device holds. */
	private keptId = '';
	/** Its document is closed. */
	private isDisposed = false;
	/** Another one has taken over. */
	private isRetired = false;
	/** What the one before it had not sent. */
	private readonly inherited: Save | null;

	constructor(
		public id: string,
		private revision: number
	) {
		// Opened again before it was sent: this one takes over the draft, and the sending.
		this.inherited = living.get(id)?.retire() ?? null;
		living.set(id, this);
	}

	get state(): SavingState {
		if (this.answer === 'away') return this.isKept ? 'kept' : 'unkept';
		return this.answer;
	}

	/** What is on screen is on the server or on the device. */
	get isSafe(): boolean {
		return !this.draft || this.draft.saveId === this.keptId;
	}

	/** @returns what it had not sent */
	retire(): Save | null {
		const { draft } = this;
		this.isRetired = true;
		clearTimeout(this.timer);
		this.draft = null;
		return draft;
	}

	private leave(): void {
		if (living.get(this.id) === this) living.delete(this.id);
	}

	/** What this tab had not sent when it was closed or reloaded. */
	async restore(): Promise<Save | null> {
		const save = this.inherited ?? (await findDraft(this.id, await this.tab))?.save;
		if (!save) return null;
		this.draft = save;
		this.unanswered = [...save.unanswered, save.saveId];
		this.revision = save.baseRevision;
		if (this.inherited) this.keep();
		else this.keptId = save.saveId;
		this.schedule(0);
		return save;
	}

	/**
	 * Takes a change; it is on the device before anything is sent. A draft that it takes the place of
	 * may have been found there and sent by another page, so it counts as sent without an answer.
	 */
	change(work: Content, bench?: Bench): void {
		if (this.draft) this.missAnswer(this.draft.saveId);
		this.draft = {
			work,
			bench: bench ?? this.draft?.bench,
			baseRevision: this.revision,
			saveId: newId(),
			unanswered: this.unanswered.slice(-100)
		};
		if (this.answer !== 'away') this.answer = 'saving';
		this.keep();
		this.schedule(pause);
	}

	private missAnswer(saveId: string): void {
		if (!this.unanswered.includes(saveId)) this.unanswered.push(saveId);
	}

	/** Tries at once, such as when the network is back. */
	hurry(): void {
		if (this.draft) this.schedule(0);
	}

	/** The document is closed: what is left is sent without waiting for a pause. */
	dispose(): void {
		this.isDisposed = true;
		this.keepNow();
		this.hurry();
		if (!this.draft && !this.isSending) this.leave();
	}

	/**
	 * After the frame that shows the change; changes that come together are kept together. A page that
	 * is hidden shows no frames: there the next try to send keeps it.
	 */
	private keep(): void {
		if (this.isKeeping) return;
		this.isKeeping = true;
		requestAnimationFrame(() => setTimeout(() => this.keepNow()));
	}

	private keepNow(): void {
		const { id, draft: save, isKeeping } = this;
		this.isKeeping = false;
		if (!save || !isKeeping) return;
		this.keeping = this.keeping.then(async () => {
			const isKept = await keepDraft({ id, tab: await this.tab, save });
			this.noteKept(save, isKept);
		});
	}

	private noteKept(save: Save, isKept: boolean): void {
		this.isKept = isKept;
		if (isKept) this.keptId = save.saveId;
	}

	/** The page is about to go: what is not kept yet is kept without waiting. @returns whether it is safe */
	keepAtOnce(): boolean {
		const { id, draft: save } = this;
		if (save && !this.isSafe) this.noteKept(save, keepDraftAtOnce({ id, tab: thisTabNow(), save }));
		return this.isSafe;
	}

	private schedule(delay: number): void {
		clearTimeout(this.timer);
		this.timer = setTimeout(() => void this.send(), delay);
	}

	private async send(): Promise<void> {
		if (!this.draft || this.isSending) return;
		this.isSending = true;
		const save = { ...this.draft, baseRevision: this.revision };
		const { id } = this;
		try {
			this.keepNow();
			await this.keeping;
			const saved = await sendSave(id, save);
			const answered = this.unanswered.indexOf(save.saveId);
			this.unanswered = answered < 0 ? [] : this.unanswered.slice(answered + 1);
			this.revision = saved.revision;
			this.retry = firstRetry;
			if (saved.wasDeleted) this.wasDeleted = true;
			if (this.draft?.saveId === save.saveId) {
				this.draft = null;
				this.answer = 'saved';
			}
			await dropDraft(id, await this.tab, save);
			if (saved.kept) this.moveTo(saved.kept);
			if (this.draft) this.schedule(0);
			else if (this.isDisposed) this.leave();
		} catch (error) {
			this.missAnswer(save.saveId);
			this.refusal = error instanceof Refused || error instanceof Unable ? error.message : '';
			if (error instanceof Refused) this.answer = 'refused';
			else {
				this.answer = 'away';
				this.schedule(this.retry);
				this.retry = Math.min(longestRetry, this.retry * 2);
			}
		} finally {
			this.isSending = false;
		}
	}

	/** From now on saves go to the second version; a newer draft moves with them. */
	private moveTo(kept: { id: string; name: string }): void {
		const { draft, id: before } = this;
		if (this.isRetired) return;
		this.leave();
		this.id = kept.id;
		living.set(kept.id, this);
		this.secondVersion = kept;
		if (draft) {
			void this.keeping.then(async () => dropDraft(before, await this.tab, draft));
			this.keep();
		}
	}
}
